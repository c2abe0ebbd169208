package app.knuckle.desktop.test;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.Asked;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Random effects in the Test joint, by hand: what is balanced can be had from mean squares. */
class MixedSheetsTest {

  private static TestPage page(String rows, String inquiry) {
    return TestPage.of(Asked.rows(rows, "`method`:`mixed`," + inquiry).findings());
  }

  private static TestPage.Sheet sheet(TestPage page, String title) {
    return page.sheets().stream()
        .filter(s -> s.title().startsWith(title))
        .findFirst()
        .orElseThrow(() -> new AssertionError(title + " is none of " + page.sheets()));
  }

  private static List<String> first(TestPage.Sheet sheet, String name) {
    return sheet.lines().stream()
        .map(TestPage.Line::cells)
        .filter(cells -> cells.get(0).equals(name))
        .findFirst()
        .orElseThrow(() -> new AssertionError(name + " is not in " + sheet));
  }

  /** Mean squares 32 between and 2 within: variances (32 - 2) / 2 = 15 and 2, 88% and 12%. */
  @Test
  void wholePlotsWithoutTreatments() {
    TestPage page =
        page("cove,y\nA,1\nA,3\nB,5\nB,7\nC,9\nC,11\n", "`measured`:[`y`],`random`:[[`cove`]]");
    TestPage.Sheet lies = sheet(page, "Where the variation lies");
    assertThat(first(lies, "cove").subList(1, 4)).containsExactly("3", "", "88%");
    assertThat(Double.parseDouble(first(lies, "cove").get(4))).isEqualTo(15);
    assertThat(Double.parseDouble(first(lies, "within all of these").get(4))).isEqualTo(2);
    assertThat(lies.lines().get(1).explained().words()).contains("standard deviation of 1.4");
    // 4 from the mean, drawn toward it by 30/32 to 3.75, and said so.
    TestPage.Sheet levels = sheet(page, "Cove, as far as its levels differ");
    assertThat(levels.lines()).extracting(l -> l.cells().get(0)).containsExactly("A", "B", "C");
    assertThat(levels.lines().get(0).cells().get(2)).isEqualTo("−3.8");
    assertThat(levels.lines().get(2).explained().words())
        .contains("3.8")
        .contains("above what is usual")
        .contains("drawn toward the others");
  }

  /** In complete blocks F is that of the analysis of variance: the square of a paired t. */
  @Test
  void completeBlocksAgreeWithTheirTable() {
    String rows = "rack,g,y\nR1,a,1\nR1,b,5\nR2,a,2\nR2,b,7\nR3,a,6\nR3,b,9\n";
    TestPage mixed = page(rows, "`measured`:[`y`],`treatments`:[`g`],`random`:[[`rack`]]");
    TestPage fixed =
        TestPage.of(
            Asked.rows(rows, "`measured`:[`y`],`treatments`:[`g`],`blocks`:[`rack`]").findings());
    // Differences 4, 5, 3: mean 4, variance 1, so F = 3 x 16 / 1 = 48.
    List<String> row = first(mixed.sheets().get(0), "g");
    assertThat(row).containsExactly("g", "1", "2.0", "", "48.00", ".020");
    assertThat(first(fixed.sheets().get(0), "g")).contains("48.00", ".020");
  }

  /** Blocks that differ less than what is within them: the variance ends at zero, and says so. */
  @Test
  void aVarianceAtItsLimitIsSaid() {
    TestPage page =
        page("cove,y\nA,1\nA,11\nB,5\nB,6\nC,2\nC,10\n", "`measured`:[`y`],`random`:[[`cove`]]");
    TestPage.Sheet lies = sheet(page, "Where the variation lies");
    assertThat(first(lies, "cove").get(3)).isEqualTo("0%");
    assertThat(lies.lines().get(0).explained().words()).contains("estimated at its limit of zero");
  }
}
