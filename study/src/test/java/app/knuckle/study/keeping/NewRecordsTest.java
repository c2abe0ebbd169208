package app.knuckle.study.keeping;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.study.Rows;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.prep.Merge;
import app.knuckle.study.prep.Missing;
import app.knuckle.study.prep.SetAside;
import app.knuckle.study.prep.Step;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class NewRecordsTest {

  private static final Step MISSING = new Missing(List.of("y"), List.of("-99"), false);
  private static final Step MERGE = new Merge("g", List.of("a", "A"), "a", false);
  private static final Step ASIDE = new SetAside(List.of(2), "spilt", false);

  private static NewRecords put(String... lines) {
    Inquiry asked =
        Inquiry.about("y", "g").but(d -> d.prepare = List.of(MISSING, MERGE, ASIDE)).named("Q");
    return NewRecords.of(new Study.Asked("old", asked, Map.of(), Map.of()), Rows.of(lines));
  }

  @Test
  void stepsAboutRowsOfTheOldRecordsAreLeftAwayAndSaid() {
    NewRecords put = put("g y", "a 1", "A 2", "b 4");
    assertThat(put.asked().table()).isEqualTo("rows");
    assertThat(put.asked().inquiry().prepare()).containsExactly(MISSING, MERGE);
    assertThat(put.leftAway())
        .singleElement()
        .asString()
        .startsWith("Q: left away, as the records are new: ");
  }

  @Test
  void aMergeOfLevelsThatAreNotThereIsLeftAway() {
    NewRecords put = put("g y", "a 1", "b 4");
    assertThat(put.asked().inquiry().prepare()).containsExactly(MISSING);
    assertThat(put.leftAway()).hasSize(2);
  }

  @Test
  void aColumnThatIsMissingIsRefusedLater() {
    NewRecords put = put("h y", "a 1", "b 4");
    assertThat(put.asked().inquiry().prepare()).containsExactly(MISSING, MERGE);
  }
}
