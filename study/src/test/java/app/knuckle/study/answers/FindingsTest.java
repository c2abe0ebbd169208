package app.knuckle.study.answers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class FindingsTest {

  private static Column feed(String... cells) {
    List<String> levels = Arrays.stream(cells).distinct().toList();
    int[] codes = Arrays.stream(cells).mapToInt(levels::indexOf).toArray();
    return new Categories("feed", "", codes, levels, false);
  }

  private static Findings ask(Column feed, double... y) {
    Table table = new Table("t", "t.csv", List.of(new Numbers("rate_l_h", "L/h", y), feed), "");
    return Answering.of(table, Inquiry.about("rate_l_h", "feed"), Progress.NONE);
  }

  @Test
  void rankingNamesWhoLeadsWhoTrailsAndWhoCannotBeToldApart() {
    Findings findings =
        ask(
            feed("kelp", "kelp", "kelp", "paste", "paste", "paste", "mix", "mix", "mix"),
            1,
            1.1,
            0.9,
            5,
            5.1,
            4.9,
            5.05,
            5.15,
            4.95);
    assertThat(findings.first().words().ranking())
        .isEqualTo(
            "The highest mean is that of mix (5.050 L/h), which does not differ significantly from paste"
                + " (5.000 L/h). The lowest is that of kelp (1.000 L/h), below every other.");
    assertThat(findings.first().words().finding())
        .startsWith("Rate differs between the 3 levels of feed, F(2, 6) = ")
        .endsWith("p < .001.");
  }

  @Test
  void nothingFoundIsNoEvidenceRatherThanEquality() {
    Findings findings = ask(feed("a", "a", "a", "b", "b", "b"), 1, 2, 3, 1.5, 2.5, 3.1);
    assertThat(findings.first().words().finding()).startsWith("No evidence that rate differs");
    assertThat(findings.first().words().ranking())
        .startsWith("No evidence of a difference between ");
  }

  @Test
  void oneGroupIsSummedUpButNotTested() {
    Findings findings = ask(feed("a", "a", "a"), 1, 2, 3);
    assertThat(findings.refusal().orElseThrow().words()).contains("have one level of it, a");
    assertThat(findings.first().summaries().get(0).summary().mean().value()).isEqualTo(2);
  }

  @Test
  void groupsOfOneAndEqualValuesSayWhyThereIsNoTest() {
    assertThat(ask(feed("a", "b"), 1, 2).first().words().finding()).contains("no group has two");
    assertThat(ask(feed("a", "a", "b", "b"), 3, 3, 3, 3).first().words().finding())
        .contains("all values are equal");
  }

  @Test
  void badResponsesAreRefusedByRow() {
    assertThatThrownBy(() -> ask(feed("a", "a", "b", "b"), 1, 2, Double.POSITIVE_INFINITY, 4))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("t.csv, row 3, rate_l_h: the value is infinite");
    Column words = feed("1", "2", "n/a!", "4");
    Table table = new Table("t", "t.csv", List.of(words, new Numbers("g", "", new double[4])), "");
    assertThatThrownBy(() -> Answering.of(table, Inquiry.about("feed", "g"), Progress.NONE))
        .hasMessageContaining("row 3, feed: 'n/a!' is not a number");
  }

  @Test
  void tenThousandLevelsAreTakenForALabel() {
    String[] names = IntStream.range(0, 10_000).mapToObj(i -> "u" + i).toArray(String[]::new);
    assertThatThrownBy(() -> ask(feed(names), new double[10_000]))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("10000 different values");
  }
}
