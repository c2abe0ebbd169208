package app.knuckle.study.sentences;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Rows;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.ExactP;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class DifferenceSentenceTest {

  private static String said(Table table, Inquiry inquiry, String unit) {
    ResponseFindings response = Answering.of(table, inquiry, Progress.NONE).first();
    ComparedMeans family = ComparedMeans.of(response.results()).get(0);
    return DifferenceSentence.of(family, unit, 1, inquiry.alpha(), ExactP.USUAL);
  }

  private static Inquiry pairs(Procedure procedure) {
    return Inquiry.about("y", "g")
        .but(d -> d.compare = List.of(Compare.pairs(List.of("g"), procedure)));
  }

  /** Means 2, 3 and 12, each group with variance 1. */
  private static final Table THREE =
      Rows.of("g y", "a 1", "a 2", "a 3", "b 2", "b 3", "b 4", "c 11", "c 12", "c 13");

  @Test
  void theLargestDifferenceComesFirstWithTheLargerMeanFirst() {
    assertThat(said(THREE, pairs(Procedure.TUKEY), "mm"))
        .matches(
            "Significant differences: c above a by 10\\.0 mm \\(95% interval \\d+\\.\\d to \\d+\\.\\d, p < \\.001\\);"
                + " c above b by 9\\.0 mm \\(95% interval \\d+\\.\\d to \\d+\\.\\d, p < \\.001\\)\\.");
  }

  @Test
  void aProcedureWithoutIntervalsSaysPAlone() {
    assertThat(said(THREE, pairs(Procedure.HOLM), "")).contains("c above a by 10.0 (p < .001)");
  }

  @Test
  void nothingToldApartIsNothingSaid() {
    Table alike = Rows.of("g y", "a 1", "a 2", "a 3", "b 2", "b 1", "b 3");
    assertThat(said(alike, pairs(Procedure.TUKEY), "mm")).isEmpty();
  }

  @Test
  void manyPairsAreCounted() {
    List<String> lines = new ArrayList<>(List.of("g y"));
    for (int group = 0; group < 8; group++) {
      for (int i = 0; i < 3; i++) {
        lines.add("g" + group + " " + (100 * group + i));
      }
    }
    // 28 pairs, all apart; twelve are listed.
    assertThat(said(Rows.of(lines.toArray(String[]::new)), pairs(Procedure.TUKEY), ""))
        .endsWith("; 16 pairs more.");
  }

  @Test
  void meanRanksHaveNoUnit() {
    List<String> lines = new ArrayList<>(List.of("g y"));
    for (int i = 0; i < 12; i++) {
      lines.add("a " + i);
      lines.add("b " + (100 + i));
      lines.add("c " + (200 + i));
    }
    Inquiry ranks =
        pairs(Procedure.of("dunn-holm").orElseThrow()).but(d -> d.approach = Approach.RANKS);
    // Mean ranks 6.5, 18.5 and 30.5.
    assertThat(said(Rows.of(lines.toArray(String[]::new)), ranks, "mm"))
        .startsWith("Significant differences: c above a by 24.0 mean ranks (p < .001)");
  }
}
