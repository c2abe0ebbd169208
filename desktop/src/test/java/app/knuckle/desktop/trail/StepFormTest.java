package app.knuckle.desktop.trail;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.study.Refused;
import app.knuckle.study.prep.Calculate;
import app.knuckle.study.prep.Compute;
import app.knuckle.study.prep.Edit;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Keep;
import app.knuckle.study.prep.Kind;
import app.knuckle.study.prep.Merge;
import app.knuckle.study.prep.Missing;
import app.knuckle.study.prep.Order;
import app.knuckle.study.prep.Relabel;
import app.knuckle.study.prep.Rename;
import app.knuckle.study.prep.SetAside;
import app.knuckle.study.prep.Spread;
import app.knuckle.study.prep.Stack;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class StepFormTest {

  private static final Keep.Condition FINE =
      new Keep.Condition("mesh", List.of("fine"), null, null);
  private static final Keep.Condition LONG = new Keep.Condition("growth", null, 5.0, null);

  static Stream<Step> steps() {
    return Stream.of(
        new Missing(List.of("growth"), List.of("-99", "NA"), false),
        new Merge("mesh", List.of("Fine ", "fine"), "fine", true),
        new Order("mesh", List.of("wide", "fine"), false),
        new Relabel("mesh", Map.of("fine", "2 mm"), false),
        new Kind("growth", Kind.As.CATEGORY, false),
        new Rename("growth", "gain", "mm", false),
        new Compute("root", "growth", Compute.As.BOX_COX, 0.5, false),
        new Calculate("twice", "2 * [growth]", false),
        new Stack(List.of("a", "b"), "day", "score", false),
        new Spread("mesh", "growth", true),
        new Keep(List.of(FINE), false),
        new Keep(List.of(FINE, LONG), false),
        new SetAside(List.of(7, 31, 32), "torn bag", false));
  }

  @Test
  void everyStepHasAFormButCellsThatAreEditedInTheSheet() {
    List<Class<?>> made = new ArrayList<>(List.of(Edit.class));
    for (StepForm form : StepForm.values()) {
      made.add(form.kind());
    }
    assertThat(made).containsExactlyInAnyOrder(Step.class.getPermittedSubclasses());
  }

  @ParameterizedTest
  @MethodSource("steps")
  void aStepOpenedInItsFormAndTakenUnchangedIsTheSame(Step step) {
    StepForm form = StepForm.of(step).orElseThrow();
    assertThat(form.step(StepForm.answers(step), step)).isEqualTo(step);
  }

  @Test
  void conditionsBeyondTheFormsAreKept() {
    Keep many = new Keep(List.of(FINE, LONG, LONG, FINE, LONG, LONG), false);
    assertThat(StepForm.KEEP.step(StepForm.answers(many), many)).isEqualTo(many);
  }

  @Test
  void aSecondConditionIsAskedForOnceTheFirstIsNamed() {
    Table table =
        new Table(
            "tray",
            "tray.csv",
            List.of(
                new Categories("mesh", "", new int[] {0, 1}, List.of("fine", "wide"), false),
                new Numbers("growth", "", new double[] {1, 2})),
            "");
    Frame frame = Frame.of(table);
    assertThat(asked(frame, Answers.none())).containsExactly("column");
    assertThat(asked(frame, Answers.none().with("column", "mesh")))
        .containsExactly("column", "is", "column-2");
  }

  private static List<String> asked(Frame frame, Answers answers) {
    return StepForm.KEEP.fields(frame).stream()
        .filter(f -> f.needed().apply(answers))
        .map(Field::key)
        .toList();
  }

  @Test
  void aConditionWithoutAValueAndARowThatIsNoneAreRefusedByName() {
    Answers none = Answers.none().with("column", "mesh");
    assertThatThrownBy(() -> StepForm.KEEP.step(none, null))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("mesh");
    Answers rows = Answers.none().with("rows", "7, eight");
    assertThatThrownBy(() -> StepForm.SET_ASIDE.step(rows, null))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("eight");
    Answers far = Answers.none().with("rows", "1-2000000000");
    assertThatThrownBy(() -> StepForm.SET_ASIDE.step(far, null))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("Keep only some rows");
  }
}
