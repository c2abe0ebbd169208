package app.knuckle.study.prep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.study.Refused;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class StepsTest {

  private final double[] rates = {4, -99, 6, 8, 10};
  private final int[] feeds = {0, 1, 2, 1, Categories.MISSING};
  private final Table table =
      new Table(
          "tanks",
          "tanks.csv",
          List.of(
              new Numbers("rate_l_h", "L/h", rates),
              new Categories("feed", "", feeds, List.of("fine", "coarse", "Fine "), false),
              new Numbers("rack", "", new double[] {3, 1, 2, 1, 3})),
          "");

  private Frame after(Step... steps) {
    return Frame.of(table, List.of(steps), app.knuckle.stats.Progress.NONE);
  }

  private static List<String> levels(Frame frame, String column) {
    return ((Categories) frame.column(column)).levels();
  }

  @AfterEach
  void theTableIsNeverTouched() {
    assertThat(rates).containsExactly(4, -99, 6, 8, 10);
    assertThat(feeds).containsExactly(0, 1, 2, 1, Categories.MISSING);
  }

  @Test
  void aMissingCodeIsFoundHoweverTheNumberIsWritten() {
    Frame frame = after(new Missing(List.of("rate_l_h"), List.of("-99.0"), false));
    assertThat(frame.column("rate_l_h").isMissing(1)).isTrue();
    assertThat(frame.column("rate_l_h").missing()).isEqualTo(1);
    Frame words = after(new Missing(List.of(), List.of("Fine "), false));
    assertThat(levels(words, "feed")).containsExactly("fine", "coarse");
    assertThat(words.column("feed").missing()).isEqualTo(2);
  }

  @Test
  void mergedLevelsBecomeOneAndKeepTheirPlace() {
    Frame frame = after(new Merge("feed", List.of("Fine ", "fine"), "fine", false));
    assertThat(levels(frame, "feed")).containsExactly("fine", "coarse");
    assertThat(frame.column("feed").text(2)).isEqualTo("fine");
    assertThat(after(new Merge("feed", List.of("fine"), "x", true)).columns())
        .as("a step that is off does nothing")
        .isEqualTo(table.columns());
  }

  @Test
  void numbersAsCategoriesAscendAndComeBack() {
    Frame frame = after(new Kind("rack", Kind.As.ORDERED, false));
    assertThat(levels(frame, "rack")).containsExactly("1", "2", "3");
    Frame back =
        after(new Kind("rack", Kind.As.CATEGORY, false), new Kind("rack", Kind.As.NUMBER, false));
    assertThat(((Numbers) back.column("rack")).values()).containsExactly(3, 1, 2, 1, 3);
    assertThatThrownBy(() -> after(new Kind("feed", Kind.As.NUMBER, false)))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("tanks.csv, row 1, feed: 'fine' is not a number");
  }

  @Test
  void orderRelabelAndRename() {
    Frame frame =
        after(
            new Order("feed", List.of("coarse"), false),
            new Relabel("feed", Map.of("Fine ", "sieved"), false),
            new Rename("rate_l_h", "clearance", null, false));
    assertThat(levels(frame, "feed")).containsExactly("coarse", "fine", "sieved");
    assertThat(frame.column("clearance").title()).isEqualTo("clearance (L/h)");
    assertThatThrownBy(() -> after(new Rename("rack", "feed", null, false)))
        .hasMessageContaining("there is already a column 'feed'");
  }

  @Test
  void rowsLeftOutKeepTheirFirstReason() {
    Frame frame =
        after(
            new SetAside(List.of(2), "storm", false),
            new Keep(
                List.of(
                    new Keep.Condition("rate_l_h", null, 0.0, 8.0),
                    new Keep.Condition("feed", List.of("fine", "coarse"), null, null)),
                false));
    assertThat(frame.leftOut())
        .containsEntry(1, "set aside: storm")
        .containsEntry(2, "kept only where feed is fine or coarse")
        .containsEntry(4, "kept only where rate_l_h from 0 to 8");
    assertThat(frame.inPlay(0)).isTrue();
    assertThat(frame.rows()).isEqualTo(5);
    assertThatThrownBy(
            () -> after(new Keep(List.of(new Keep.Condition("feed", null, 1.0, null)), false)))
        .hasMessageContaining("a category has no range");
  }

  @Test
  void everyStepSaysWhatItDoes() {
    List<Step> steps =
        List.of(
            new Missing(List.of(), List.of("-99"), false),
            new Kind("rack", Kind.As.CATEGORY, false),
            new Merge("feed", List.of("a", "b", "c"), "a", false),
            new Order("feed", List.of("a", "b"), false),
            new Relabel("feed", Map.of("a", "b"), false),
            new Rename("rack", "row", "m", false),
            new SetAside(List.of(3, 4), "torn", false),
            new Keep(List.of(new Keep.Condition("rack", List.of("1"), null, null)), false));
    assertThat(steps.stream().map(s -> s.title() + ": " + s.detail()))
        .containsExactly(
            "\u221299 means missing: in every column",
            "Read rack as categories: each value is a name",
            "Merge levels of feed: 'a', 'b' and 'c' become a",
            "Put feed in order: a < b",
            "Rename levels of feed: 'a' is b",
            "Rename rack: row, in m",
            "Set aside 2 rows: torn: rows 3, 4",
            "Keep only some rows: rack is 1");
  }
}
