package app.knuckle.desktop.trail;

import app.knuckle.desktop.background.Lane;
import app.knuckle.stats.Progress;
import app.knuckle.study.prep.Effect;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Step;
import java.util.List;
import java.util.function.Consumer;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/** A step being made: the answers so far, and what the step would do. */
public final class StepEditor {

  private final StepForm form;
  private final Frame before;
  private final Step old;
  private final ObjectProperty<Answers> answers = new SimpleObjectProperty<>();
  private final ReadOnlyObjectWrapper<Preview> preview =
      new ReadOnlyObjectWrapper<>(new Preview(null, "", ""));
  private final Lane trying = Lane.ofLatest();
  private Consumer<Step> whenTried = step -> {};

  /**
   * What the step would do.
   *
   * @param step ready to be taken; null while something is missing or does not fit
   * @param words its effect; empty while there is none
   * @param refusal what is missing or does not fit; empty when nothing is
   */
  public record Preview(Step step, String words, String refusal) {}

  /**
   * Starts a step.
   *
   * @param form its kind
   * @param before the records that it will be given
   * @param start answers already known
   * @param old the step being edited; null for a new one
   */
  public StepEditor(StepForm form, Frame before, Answers start, Step old) {
    this.form = form;
    this.before = before;
    this.old = old;
    answers.addListener((o, was, now) -> tryOut(now));
    answers.set(start);
  }

  private void tryOut(Answers now) {
    trying.run(
        progress -> preview(now, progress),
        this::tried,
        refused -> tried(new Preview(null, "", refused.refusal().shown())));
  }

  private void tried(Preview now) {
    preview.set(now);
    Consumer<Step> waiting = whenTried;
    whenTried = step -> {};
    if (now.step() != null) {
      waiting.accept(now.step());
    }
  }

  /** The kind of step. */
  public StepForm form() {
    return form;
  }

  /** The step being edited: null for a new one. */
  public Step old() {
    return old;
  }

  /** The fields to ask now. */
  List<Field> fields() {
    return form.fields(before).stream().filter(f -> f.needed().apply(answers.get())).toList();
  }

  /** The answers so far. */
  Answers answers() {
    return answers.get();
  }

  /** Takes an answer. */
  void answer(String key, List<String> values) {
    answers.set(answers.get().with(key, values));
  }

  /** What the step would do with the answers so far: never null. */
  public ReadOnlyObjectProperty<Preview> previewProperty() {
    return preview.getReadOnlyProperty();
  }

  /** Hands on the step of the latest answers once it is known to fit. */
  void take(Consumer<Step> taker) {
    if (trying.isBusy()) {
      whenTried = taker;
    } else if (preview.get().step() != null) {
      taker.accept(preview.get().step());
    }
  }

  private Preview preview(Answers now, Progress progress) {
    Step step = form.step(now, old).switched(false);
    Frame after = step.apply(before, progress);
    return new Preview(step, Effect.of(before, after).words(), "");
  }
}
