package app.knuckle.desktop.trail;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.Asked;
import app.knuckle.desktop.window.FindingLine;
import app.knuckle.desktop.workbench.ColumnGlance;
import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.design.FirstGuess;
import app.knuckle.study.design.Following;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.prep.Effect;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Step;
import app.knuckle.study.prep.Trail;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/**
 * Whatever is answered in whatever form, a step is made that can be kept, or the answer is named.
 */
class AnyTrailTest {

  private static final List<String> NURSERY =
      List.of(
          "feed-tanks",
          "rack-trial",
          "hatchery",
          "tumbling",
          "tasting-panel",
          "strains",
          "silt-dose",
          "pumps");

  /** What somebody may type into any line. */
  private static final List<String> TYPED =
      List.of(
          "", " ", "-99", "-99, NA", "0.5", "1e400", "7, 31-34", "40-2", "0", "x", "7, x", "mm");

  private final List<String> way = new ArrayList<>();

  @Property(tries = 300, seed = "16180339887")
  void everyAnswerMakesAStepOrIsNamed(@ForAll Random random) throws Exception {
    way.clear();
    String name = NURSERY.get(random.nextInt(NURSERY.size()));
    Table table = Asked.table(name);
    List<Step> steps = new ArrayList<>();
    Frame frame = Frame.of(table);
    try {
      for (int i = 0; i < 6; i++) {
        frame = another(frame, steps, random);
      }
      Trail trail = Trail.run(table, steps, Progress.NONE);
      assertThat(trail.refusal()).isEmpty();
      assertThat(texts(trail.frame())).isEqualTo(texts(frame));
      assertThat(trail.frame().leftOut()).isEqualTo(frame.leftOut());
      Inquiry asked = Following.of(FirstGuess.of(Frame.of(table)).inquiry(), steps);
      assertThat(InquiryFile.read(InquiryFile.write(asked)).prepare()).isEqualTo(steps);
      assertThat(FindingLine.of(Asked.of(table, asked)).sentence()).isNotBlank();
      assertThat(ColumnGlance.of(frame, column -> null)).hasSameSizeAs(frame.columns());
    } catch (RuntimeException | AssertionError e) {
      throw new AssertionError(name + way + steps, e);
    }
  }

  private static List<String> texts(Frame frame) {
    List<String> texts = new ArrayList<>();
    for (Column column : frame.columns()) {
      texts.add(column.name());
      for (int row = 0; row < column.size(); row++) {
        texts.add(column.text(row));
      }
    }
    return texts;
  }

  private Frame another(Frame frame, List<Step> steps, Random random) {
    StepForm form = StepForm.values()[random.nextInt(StepForm.values().length)];
    Answers answers = answers(form, frame, random);
    way.add(form + " " + answers);
    try {
      Step step = form.step(answers, null);
      assertThat(form.step(StepForm.answers(step), step)).isEqualTo(step);
      assertThat(step.title()).isNotBlank().doesNotContain("null");
      Frame after = step.apply(frame, Progress.NONE);
      assertThat(Effect.of(frame, after).words()).isNotBlank();
      steps.add(step);
      return after;
    } catch (Refused e) {
      assertThat(e.refusal().shown()).isNotBlank().doesNotContain("null").doesNotContain("NaN");
      return frame;
    }
  }

  /** Fields are answered from the top, as one answer brings the next. */
  private static Answers answers(StepForm form, Frame frame, Random random) {
    Answers answers = Answers.none();
    List<Field> fields = form.fields(frame);
    for (Field field : fields) {
      if (field.needed().apply(answers) && random.nextInt(12) > 0) {
        answers = answers.with(field.key(), answer(field, answers, frame, random));
      }
    }
    return answers;
  }

  private static List<String> answer(Field field, Answers so, Frame frame, Random random) {
    List<String> options = new ArrayList<>(field.options().apply(so));
    Collections.shuffle(options, random);
    return switch (field.form()) {
      case PICK -> options.stream().limit(1).toList();
      case TICK -> options.subList(0, options.isEmpty() ? 0 : random.nextInt(options.size() + 1));
      case ORDER -> options;
      case PAIRS ->
          options.stream()
              .flatMap(o -> List.of(o, random.nextBoolean() ? o : "level " + o.length()).stream())
              .toList();
      case LINE -> List.of(line(frame, random));
    };
  }

  private static String line(Frame frame, Random random) {
    String column = frame.columns().get(random.nextInt(frame.columns().size())).name();
    List<String> texts = new ArrayList<>(TYPED);
    Collections.addAll(
        texts,
        column,
        "[" + column + "] * 2",
        "log([" + column + "]) / 0",
        "sqrt(-[" + column + "])",
        "([" + column,
        "[gone] + 1",
        "new_" + random.nextInt(3));
    return texts.get(random.nextInt(texts.size()));
  }
}
