package app.knuckle.study.design;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Refused;
import app.knuckle.study.Rows;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Table;
import java.util.List;
import org.junit.jupiter.api.Test;

class ChangesTest {

  private static final Table TABLE =
      Rows.of(
          "mesh rack start_mm width_mm growth_mm",
          "fine r1 1 4 7.2",
          "fine r2 2 5 6.1",
          "coarse r1 2 7 9.4",
          "coarse r2 4 6 8.0",
          "fine r1 3 4 7.9",
          "coarse r2 1 5 9.9");

  private static final Inquiry PLAIN =
      Inquiry.about("growth_mm", "mesh")
          .but(d -> d.compare = List.of(Compare.pairs(List.of("mesh"), Procedure.TUKEY)));

  private static List<Changes.Change> changes(Inquiry inquiry) {
    return Changes.of(inquiry, Frame.of(TABLE));
  }

  @Test
  void oneThingIsChanged() {
    assertThat(changes(PLAIN))
        .extracting(Changes.Change::title)
        .contains(
            "Judge on ranks",
            "Judge by each group's own spread",
            "Adjust for start_mm",
            "Take width_mm as what was measured",
            "Take the logarithm of growth_mm",
            "Compare by Holm",
            "Judge at \u03b1 = 0.01",
            "Only where rack is r1")
        .doesNotContain(
            "Compare by Tukey",
            "Judge by least squares",
            "Adjust for growth_mm",
            "Judge at \u03b1 = 0.05",
            "Only where mesh is fine")
        .doesNotHaveDuplicates();
  }

  @Test
  void aCovariateIsTakenBack() {
    Inquiry adjusted = PLAIN.but(d -> d.give(Part.COVARIATE, List.of("start_mm")));
    assertThat(changes(adjusted))
        .filteredOn(c -> c.title().equals("Do not adjust for start_mm"))
        .singleElement()
        .satisfies(c -> assertThat(c.inquiry().covariates()).isEmpty());
  }

  @Test
  void everyChangeIsAQuestionThatIsReadBackAndAnswered() {
    for (Changes.Change change : changes(PLAIN)) {
      assertThat(InquiryFile.read(InquiryFile.write(change.inquiry()).toString()))
          .as(change.title())
          .isEqualTo(change.inquiry());
      try {
        Answering.of(TABLE, change.inquiry(), Progress.NONE);
      } catch (Refused e) {
        throw new AssertionError(change.title(), e);
      }
      assertThat(change.inquiry().name()).startsWith(Inquiry.CHANGED);
    }
  }
}
