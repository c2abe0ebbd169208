package app.knuckle.desktop.compare;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.Asked;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.words.Numerals;
import org.junit.jupiter.api.Test;

/** Means that no row tells are shown as such, and the page stands. */
class MeansWithoutValueTest {

  @Test
  void countsInBlocksThatDoNotMeetHaveNoMeans() {
    // density0 stands in blocks of its own, so no mean over all blocks can be told.
    Findings findings =
        Asked.rows(
                "mesh,density,growth\n"
                    + "mesh2,density2,7\nmesh1,density0,7\nmesh2,density1,7\n"
                    + "mesh0,density0,7\nmesh2,density1,7\nmesh1,density0,7\n",
                "`measured`:[`growth`],`treatments`:[`density`],`blocks`:[`mesh`],"
                    + "`method`:`counts`,`compare`:[{`of`:[`density`],`procedure`:`tukey`}]")
            .findings();
    ComparedMeans family = ComparedMeans.of(findings.first().results()).get(0);
    ComparePage page = ComparePage.of(findings, family);
    assertThat(page.rungs()).hasSize(2);
    assertThat(page.rungs()).allMatch(rung -> rung.values().get(0).equals(Numerals.NONE));
    assertThat(page.rungs()).allMatch(rung -> Double.isNaN(rung.at()));
    assertThat(page.ticks()).isEmpty();
  }

  @Test
  void whatNeverMeetsTheOthersIsNotSaidToBeAllOrNone() {
    StringBuilder rows = new StringBuilder("density,block,spat\n");
    int[] counts = {3, 5, 4, 6, 2, 9, 4, 7, 3, 8, 5, 6};
    for (int i = 0; i < counts.length; i++) {
      // d0 stands in b0 and b1, d1 and d2 in b2 and b3.
      int density = i % 3;
      int block = i / 3 % 2 + (density == 0 ? 0 : 2);
      rows.append('d').append(density).append(",b").append(block).append(',');
      rows.append(counts[i]).append('\n');
    }
    Findings findings =
        Asked.rows(
                rows.toString(),
                "`measured`:[`spat`],`treatments`:[`density`],`blocks`:[`block`],"
                    + "`method`:`counts`,`compare`:[{`of`:[`density`],`procedure`:`tukey`}]")
            .findings();
    ComparedMeans family = ComparedMeans.of(findings.first().results()).get(0);
    String ranking = ComparePage.of(findings, family).ranking();
    assertThat(ranking)
        .contains("No evidence of a difference between d2 and d1.")
        .contains("d0 never meets the others in a block")
        .doesNotContain("All were counted", "None were counted", "(–)");
  }
}
