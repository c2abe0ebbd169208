package app.knuckle.desktop.test;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.Asked;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Counts in the Test joint, by hand. */
class CountSheetsTest {

  private static final String COUNTS = "`measured`:[`y`],`treatments`:[`g`],`method`:`counts`";

  private static TestPage page(String rows, String inquiry) {
    return TestPage.of(Asked.rows(rows, inquiry).findings());
  }

  private static List<String> cells(TestPage page, int sheet, int line) {
    return page.sheets().get(sheet).lines().get(line).cells();
  }

  /** Sums 10 and 30 over two rows each: 2 (10 ln 1/2 + 30 ln 3/2) = 10.46; 0.54 is left. */
  @Test
  void devianceOfTwoGroupsOfKnownSpread() {
    TestPage page = page("g,y\na,4\na,6\nb,14\nb,16\n", COUNTS + ",`extraSpread`:false");
    assertThat(page.sheets().get(0).heads()).contains("deviance", "χ²");
    assertThat(cells(page, 0, 0)).containsExactly("g", "1", "10.46", "", "10.46", ".001");
    assertThat(cells(page, 0, 1)).containsExactly("residual", "2", "0.54", "", "", "");
    assertThat(cells(page, 0, 2)).containsExactly("total", "3", "11.00", "", "", "");
    assertThat(page.sheets().get(0).lines().get(0).explained().words())
        .startsWith("G accounts for 95% of the deviance")
        .contains("more than chance would give, p = .001");
    // 10 or fewer, or 30 or more, of 40 tosses.
    assertThat(page.sheets().get(1).title())
        .startsWith("Exact test of two rates: p = .002")
        .contains("ratio 0.33");
    assertThat(cells(page, 1, 1)).containsExactly("b", "30", "2", "15.00");
  }

  @Test
  void whatCannotBeTestedIsNotSaidToBeChance() {
    TestPage page = page("g,y\na,4\nb,14\n", COUNTS + ",`extraSpread`:true");
    assertThat(cells(page, 0, 0).get(5)).isEqualTo("–");
    assertThat(page.sheets().get(0).lines().get(0).explained().words())
        .contains("This cannot be tested: ")
        .doesNotContain("chance");
  }

  @Test
  void whatIsNotFoundIsNotSaidToBeNothing() {
    TestPage page = page("g,y\na,4\na,6\nb,5\nb,7\n", COUNTS + ",`extraSpread`:false");
    assertThat(page.sheets().get(0).lines().get(0).explained().words())
        .contains("chance could give as much, which does not show that it does nothing");
  }

  /** 2 of 20 and 10 of 20: (2/18) / (10/10) = 0.11 at most likely without margins fixed. */
  @Test
  void sharesOfTwoGroupsExactly() {
    TestPage page =
        page(
            "g,y,n\na,1,10\na,1,10\nb,4,10\nb,6,10\n",
            "`measured`:[`y`],`treatments`:[`g`],`method`:`proportions`,`outOf`:`n`,"
                + "`extraSpread`:false");
    assertThat(page.sheets().get(1).heads()).containsExactly("group", "count", "of", "share");
    assertThat(cells(page, 1, 0)).containsExactly("a", "2", "20", "10%");
    assertThat(cells(page, 1, 1)).containsExactly("b", "10", "20", "50%");
    // Hypergeometric: 2 (C(20,2) C(20,10) + 20 C(20,11) + C(20,12)) / C(40,12) = .0138.
    assertThat(page.sheets().get(1).title()).startsWith("Fisher's exact test: p = .014");
  }
}
