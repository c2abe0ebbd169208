package app.knuckle.study.prep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.stats.Progress;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Steps that make columns or rows: compute, calculate, stack, spread, edit. */
class ReshapingTest {

  private final Table panel =
      new Table(
          "panel",
          "panel.csv",
          List.of(
              new Categories("taster", "", new int[] {0, 1, 2}, List.of("A", "B", "C"), false),
              new Numbers("day_0", "", new double[] {5, 9, 8}),
              new Numbers("day_3", "", new double[] {4, Double.NaN, 8})),
          "");

  private Frame after(Step... steps) {
    return Frame.of(panel, List.of(steps), Progress.NONE);
  }

  private static double[] values(Frame frame, String column) {
    return ((Numbers) frame.column(column)).values();
  }

  @ParameterizedTest(name = "{0} of {1}")
  @CsvSource({
    "log, 1, 0",
    "log10, 1000, 3",
    "log1p, 0, 0",
    "sqrt, 9, 3",
    "square, -3, 9",
    "reciprocal, 4, 0.25",
    "arcsine-sqrt, 1, 1.5707963267948966",
    "logit, 0.5, 0",
    "log, 0, NaN",
    "sqrt, -1, NaN",
    "reciprocal, 0, NaN",
    "logit, 1, NaN",
    "box-cox, 9, 4"
  })
  void aScaleHasItsValueOrNone(String key, double x, double expected) {
    Table one = new Table("t", "", List.of(new Numbers("x", "", new double[] {x, 0.25})), "");
    Step step = new Compute("y", "x", Compute.As.of(key).orElseThrow(), 0.5, false);
    assertThat(values(Frame.of(one, List.of(step), Progress.NONE), "y")[0])
        .isEqualTo((Double) expected);
  }

  @Test
  void ranksAreMidranksOfTheRowsInPlay() {
    Frame frame =
        after(
            new Edit(List.of(new Edit.Cell(1, "day_0", "8")), false),
            new Compute("r", "day_0", Compute.As.RANK, 0, false));
    assertThat(values(frame, "r")).containsExactly(1.5, 3, 1.5);
    Frame fewer =
        after(
            new SetAside(List.of(2), "", false),
            new Compute("r", "day_0", Compute.As.RANK, 0, false));
    assertThat(values(fewer, "r")).containsExactly(1, Double.NaN, 2);
  }

  @Test
  void percentagesAreToldToBecomeSharesFirst() {
    assertThatThrownBy(() -> after(new Compute("a", "day_0", Compute.As.ARCSINE_SQRT, 0, false)))
        .hasMessageContaining("calculate [day_0] / 100");
  }

  @Test
  void arithmeticOnColumnsWithMissingValuesAndDivisionByZero() {
    Frame frame =
        after(new Calculate("d", "([day_0] - [day_3]) / ([day_0] - 5) + max(1, 2)", false));
    assertThat(values(frame, "d")).containsExactly(Double.NaN, Double.NaN, 2);
    assertThat(values(after(new Calculate("e", "-2^2 + sqrt(ln(exp(4)))", false)), "e")[0])
        .isEqualTo(-2);
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource(
      delimiter = '~',
      textBlock =
          """
          [day_0] - [day_9]   ~ at character 11, there is no column 'day_9'
          [day_0] - day_3     ~ at character 11, 'day_3' is neither
          ([day_0] + 1        ~ at character 1, it cannot be read
          [day_0] +           ~ at character
          [taster] + 1        ~ taster holds names
          frob([day_0])       ~ at character 1, 'frob' is neither
          """)
  void aWrongRulePointsAtItsPlace(String rule, String says) {
    assertThatThrownBy(() -> after(new Calculate("x", rule, false))).hasMessageContaining(says);
  }

  @Test
  void stackedColumnsKnowTheRowTheyCameFrom() {
    Frame frame =
        after(
            new Stack(List.of("day_0", "day_3"), "day", "score", false),
            new SetAside(List.of(2), "away", false));
    assertThat(frame.rows()).isEqualTo(6);
    assertThat(frame.column("day").text(3)).isEqualTo("day_3");
    assertThat(frame.column("taster").text(5)).isEqualTo("C");
    assertThat(frame.sourceRow(5)).isEqualTo(2);
    assertThat(frame.leftOut()).containsOnlyKeys(2, 3);
    assertThatThrownBy(() -> after(new Stack(List.of("day_0"), "taster", "v", false)))
        .hasMessageContaining("already a column 'taster'");
  }

  @Property(tries = 50)
  void spreadingUndoesStacking(
      @ForAll @Size(4) List<@DoubleRange(min = -9, max = 9) Double> a,
      @ForAll @Size(4) List<@DoubleRange(min = -9, max = 9) Double> b) {
    double[] x = a.stream().mapToDouble(v -> v).toArray();
    double[] y = b.stream().mapToDouble(v -> v).toArray();
    Table wide =
        new Table(
            "w",
            "",
            List.of(
                new Categories("u", "", new int[] {0, 1, 2, 3}, List.of("a", "b", "c", "d"), false),
                new Numbers("x", "", x),
                new Numbers("y", "", y)),
            "");
    Frame back =
        Frame.of(
            wide,
            List.of(new Stack(List.of("x", "y"), "n", "v", false), new Spread("n", "v", false)),
            Progress.NONE);
    assertThat(values(back, "x")).isEqualTo(x);
    assertThat(values(back, "y")).isEqualTo(y);
  }

  @Test
  void twoValuesOfOneUnitAreNotSpreadInSilence() {
    assertThatThrownBy(
            () ->
                after(
                    new Stack(List.of("day_0", "day_3"), "day", "score", false),
                    new Relabel("day", java.util.Map.of("day_3", "day_0"), false),
                    new Spread("day", "score", false)))
        .hasMessageContaining("already a value for day day_0");
  }

  @Test
  void aTrailTellsWhatEachStepDidAndKeepsThoseThatNoLongerFit() {
    Trail trail =
        Trail.run(
            panel,
            List.of(
                new Missing(List.of(), List.of("8"), false),
                new Merge("gone", List.of("a"), "b", false),
                new Keep(List.of(new Keep.Condition("day_0", null, 5.0, null)), false),
                new Rename("day_0", "first", "mm", false),
                new Kind("taster", Kind.As.ORDERED, true)),
            Progress.NONE);
    assertThat(trail.outcomes().stream().map(o -> o.effect() == null ? "" : o.effect().words()))
        .containsExactly("2 cells", "", "1 row out of play", "no cell changes", "");
    assertThat(trail.refusal().orElseThrow().words()).contains("there is no column 'gone'");
    assertThat(trail.frame().column("first").unit()).isEqualTo("mm");
  }

  @Test
  void anEditedCellMayBringANewLevelOrNoneButNoWordAmongNumbers() {
    Edit edit = new Edit(List.of(new Edit.Cell(1, "taster", "D")), false);
    Frame frame =
        after(edit.and(new Edit.Cell(1, "taster", "")).and(new Edit.Cell(2, "taster", "E")));
    assertThat(frame.column("taster").isMissing(0)).isTrue();
    assertThat(frame.column("taster").text(1)).isEqualTo("E");
    assertThatThrownBy(() -> after(new Edit(List.of(new Edit.Cell(3, "day_3", "torn")), false)))
        .hasMessageContaining("panel.csv, row 3, day_3: 'torn' is not a number");
  }

  @Test
  void afterStackAndSpreadARefusalNamesTheRowOfTheSource() {
    Table wide =
        new Table(
            "w",
            "w.csv",
            List.of(
                new Categories("word", "", new int[] {0, 1, 2}, List.of("1", "2", "two"), false),
                new Numbers("x", "", new double[] {1, 2, 3}),
                new Numbers("y", "", new double[] {4, 5, 6})),
            "");
    Step stack = new Stack(List.of("x", "y"), "n", "v", false);
    Step asNumbers = new Kind("word", Kind.As.NUMBER, false);
    assertThatThrownBy(() -> Frame.of(wide, List.of(stack, asNumbers), Progress.NONE))
        .hasMessageContaining("w.csv, row 3, word: 'two' is not a number");
    Step spread = new Spread("n", "v", false);
    assertThatThrownBy(() -> Frame.of(wide, List.of(stack, spread, asNumbers), Progress.NONE))
        .hasMessageContaining("w.csv, row 3, word: 'two' is not a number");
  }
}
