package app.knuckle.desktop.test;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.Asked;
import app.knuckle.desktop.curve.DistributionCurve;
import app.knuckle.figures.scatter.Magnitude;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Tests on ranks show their own quantities, each with what it says. */
class RankSheetsTest {

  private static final String RANKS = "`measured`:[`y`],`treatments`:[`g`],`method`:`ranks`";

  private static TestPage page(String rows, String inquiry) {
    return TestPage.of(Asked.rows(rows, inquiry).findings());
  }

  private static String value(TestPage page, int sheet, String title) {
    return page.sheets().get(sheet).lines().stream()
        .map(TestPage.Line::cells)
        .filter(cells -> cells.get(0).equals(title))
        .map(cells -> cells.get(1))
        .findFirst()
        .orElseThrow(() -> new AssertionError(title + " is not in " + page.sheets().get(sheet)));
  }

  @Test
  void twoGroupsByHand() {
    // Every value of b beats every value of a: U is 0 of 9, one of 20 arrangements each way.
    TestPage page = page("g,y\na,1\na,2\na,3\nb,4\nb,5\nb,6\n", RANKS);
    assertThat(page.sheets().get(0).heads()).containsExactly("quantity", "value", "what it says");
    assertThat(value(page, 0, "U")).isEqualTo("0");
    assertThat(value(page, 0, "p, exact")).isEqualTo(".10");
    assertThat(value(page, 0, "shift")).isEqualTo("−3 (too few for an interval)");
    assertThat(value(page, 0, "chance to be higher")).isEqualTo("0");
    assertThat(value(page, 0, "rank-biserial correlation")).isEqualTo("−1");
    List<String> titles = page.sheets().stream().map(TestPage.Sheet::title).toList();
    assertThat(titles).anyMatch(t -> t.contains("Brunner")).anyMatch(t -> t.contains("Median"));
  }

  @Test
  void blocksShowTheirAgreementAndWhoIsLeftOut() {
    StringBuilder rows = new StringBuilder("bag,g,y\n");
    for (int bag = 0; bag < 6; bag++) {
      for (int g = 0; g < 3; g++) {
        if (bag != 4 || g != 1) {
          rows.append("bag ").append(bag).append(",g").append(g).append(',');
          rows.append(10 * g + bag).append('\n');
        }
      }
    }
    TestPage page = page(rows.toString(), RANKS + ",`blocks`:[`bag`]");
    assertThat(value(page, 0, "Kendall's W")).isEqualTo("1");
    assertThat(value(page, 0, "χ², corrected for ties")).isEqualTo("10");
    assertThat(value(page, 0, "blocks or units used")).isEqualTo("5");
    assertThat(value(page, 0, "left out")).isEqualTo("1");
    String all =
        page.sheets().get(0).lines().stream()
            .map(l -> l.cells().get(2))
            .collect(Collectors.joining(" "));
    assertThat(all).contains("Incomplete: bag 4.");
    assertThat(page.sheets().get(1).title()).isEqualTo("Mean ranks");
  }

  @Test
  void pairsShowTheCentreOfTheirDifferencesWithItsInterval() {
    StringBuilder rows = new StringBuilder("shell,g,y\n");
    for (int i = 0; i < 8; i++) {
      rows.append(i).append(",left,").append(20 + i).append('\n');
      rows.append(i).append(",right,").append(18 + i + (i % 2) * 0.5).append('\n');
    }
    TestPage page = page(rows.toString(), RANKS + ",`pairs`:`shell`");
    assertThat(value(page, 0, "rank sum, above")).isEqualTo("36");
    assertThat(value(page, 0, "rank sum, below")).isEqualTo("0");
    assertThat(value(page, 0, "shift")).startsWith("1.750 (1.500 to 2");
    assertThat(value(page, 1, "differences above 0")).isEqualTo("8");
    // Two of 256 arrangements of signs are as far out.
    assertThat(value(page, 1, "p")).isEqualTo(".008");
  }

  @Test
  void theLawOfTheStatisticAndTheMeanRanksAreDrawn() {
    // Ranks 1 to 9 in order: rank sums 6, 15, 24, H = 12/90 (36 + 225 + 576)/3 - 30 = 7.2.
    TestPage page = page("g,y\na,1\na,2\na,3\nb,4\nb,5\nb,6\nc,7\nc,8\nc,9\n", RANKS);
    TestPage.Explained explained = page.sheets().get(0).lines().get(0).explained();
    assertThat(explained.curve().text()).isEqualTo("H = 7.20");
    // The chi-squared distribution on 2 df is left with 5% beyond 5.99.
    assertThat(explained.curve().tails())
        .extracting(DistributionCurve.Shaded::text)
        .containsExactly("5.99");
    assertThat(explained.curve().at()).isGreaterThan(explained.curve().tails().get(0).at());
    assertThat(explained.size().rows().get(0).dots())
        .containsExactly(
            new Magnitude.Dot("a", 2), new Magnitude.Dot("b", 5), new Magnitude.Dot("c", 8));
  }

  @Test
  void anExactPIsReadFromTheLawThatWasCounted() {
    // Of the 20 choices of three ranks of six, one gives U = 0 and one U = 9: no value reaches .05.
    TestPage six = page("g,y\na,1\na,2\na,3\nb,4\nb,5\nb,6\n", RANKS);
    DistributionCurve few = six.sheets().get(0).lines().get(0).explained().curve();
    assertThat(few.text()).isEqualTo("U = 0");
    assertThat(few.tails()).isEmpty();
    assertThat(few.origin()).isEqualTo(new DistributionCurve.Origin(0.5, "4.5"));
    // Of the 70 choices of four of eight, the two outermost make 2/70, the four outermost 4/70.
    TestPage eight = page("g,y\na,1\na,2\na,3\na,4\nb,5\nb,6\nb,7\nb,8\n", RANKS);
    DistributionCurve more = eight.sheets().get(0).lines().get(0).explained().curve();
    assertThat(more.tails()).extracting(DistributionCurve.Shaded::text).containsExactly("0", "16");
  }

  @Test
  void groupsTooLargeToBeCountedAreReadAgainstTheNormalLaw() {
    StringBuilder rows = new StringBuilder("g,y\n");
    for (int i = 0; i < 21; i++) {
      rows.append("a,").append(i).append("\nb,").append(i + 0.5).append('\n');
    }
    DistributionCurve normal =
        page(rows.toString(), RANKS).sheets().get(0).lines().get(0).explained().curve();
    assertThat(normal.text()).startsWith("z = ");
    assertThat(normal.tails())
        .extracting(DistributionCurve.Shaded::text)
        .containsExactly("\u22121.96", "1.96");
  }

  private static List<String> titles(TestPage page, String sheet) {
    return page.sheets().stream()
        .filter(s -> s.title().startsWith(sheet))
        .findFirst()
        .orElseThrow()
        .lines()
        .stream()
        .map(l -> l.cells().get(0))
        .toList();
  }

  @Test
  void everyTestShowsWhatItKnowsInTheOrderInWhichItIsRead() {
    TestPage two = page("g,y\n1,1\n1,2\n1,3\n2,2.5\n2,5\n2,6\n", RANKS);
    assertThat(titles(two, "Rank-sum"))
        .containsExactly(
            "U",
            "z",
            "p",
            "p, exact",
            "p, normal law",
            "shift",
            "chance to be higher",
            "rank-biserial correlation");
    assertThat(titles(two, "Brunner"))
        .containsExactly("statistic", "degrees of freedom", "p", "chance to be higher");
    assertThat(titles(two, "Median test"))
        .containsExactly(
            "median of all",
            "statistic",
            "degrees of freedom",
            "p",
            "p, exact",
            "p, with a step of one half");
    TestPage three = page("g,y\n1,1\n1,2\n1,3\n2,4\n2,5\n2,6\n3,7\n3,8\n3,9\n", RANKS);
    assertThat(titles(three, "Kruskal"))
        .containsExactly(
            "H, corrected for ties",
            "degrees of freedom",
            "p",
            "p, exact",
            "arrangements",
            "\u03b5\u00b2");
    assertThat(titles(three, "Ordered"))
        .containsExactly(
            "statistic",
            "z",
            "p",
            "p, exact",
            "p of a rise",
            "p of a fall",
            "p of a rise, exact",
            "p of a fall, exact");
    TestPage blocks =
        page(
            "b,g,y\n1,k,1\n1,l,2\n1,m,4\n2,k,2\n2,l,1\n2,m,5\n3,k,1\n3,l,3\n3,m,2\n",
            RANKS + ",`blocks`:[`b`]");
    assertThat(titles(blocks, "Friedman"))
        .containsExactly(
            "\u03c7\u00b2, corrected for ties",
            "F",
            "degrees of freedom",
            "p",
            "p, exact",
            "p of F",
            "Kendall's W",
            "blocks or units used");
    assertThat(titles(blocks, "Quade")).containsExactly("F", "degrees of freedom", "p");
    assertThat(titles(blocks, "Skillings"))
        .containsExactly("statistic", "degrees of freedom", "p", "blocks or units used");
    TestPage rearranged =
        page("g,y\na,1\na,2\na,3\nb,4\nb,5\nb,6\n", RANKS.replace("`ranks`", "`permutation`"));
    assertThat(titles(rearranged, "Permutation"))
        .containsExactly("F", "p", "arrangements", "difference of the means");
  }
}
