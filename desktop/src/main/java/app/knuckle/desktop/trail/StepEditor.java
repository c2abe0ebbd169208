package app.knuckle.desktop.trail;

import app.knuckle.desktop.shell.Work;
import app.knuckle.study.Refused;
import app.knuckle.study.prep.Effect;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Step;
import java.util.List;
import java.util.function.Consumer;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.concurrent.Service;
import javafx.concurrent.Task;

/** A step being made: the answers so far, and what the step would do. */
public final class StepEditor {

  private final StepForm form;
  private final Frame before;
  private final Step old;
  private final ObjectProperty<Answers> answers = new SimpleObjectProperty<>();
  private final ReadOnlyObjectWrapper<Preview> preview =
      new ReadOnlyObjectWrapper<>(new Preview(null, "", ""));
  private final Trying trying = new Trying();
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
    trying.setOnSucceeded(
        event -> {
          preview.set(trying.getValue());
          Consumer<Step> waiting = whenTried;
          whenTried = step -> {};
          if (trying.getValue().step() != null) {
            waiting.accept(trying.getValue().step());
          }
        });
    answers.addListener((o, was, now) -> trying.restart());
    answers.set(start);
  }

  /**
   * The kind of step.
   *
   * @return its form
   */
  public StepForm form() {
    return form;
  }

  /**
   * The step being edited.
   *
   * @return null for a new one
   */
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

  /**
   * What the step would do with the answers so far.
   *
   * @return never null
   */
  public ReadOnlyObjectProperty<Preview> previewProperty() {
    return preview.getReadOnlyProperty();
  }

  /** Hands on the step of the latest answers once it is known to fit. */
  void take(Consumer<Step> taker) {
    if (trying.isRunning()) {
      whenTried = taker;
    } else if (preview.get().step() != null) {
      taker.accept(preview.get().step());
    }
  }

  private final class Trying extends Service<Preview> {
    @Override
    protected Task<Preview> createTask() {
      Answers now = answers.get();
      return new Work<>() {
        @Override
        protected Preview call() {
          try {
            Step step = form.step(now, old).switched(false);
            Frame after = step.apply(before, progress());
            return new Preview(step, Effect.of(before, after).words(), "");
          } catch (Refused e) {
            return new Preview(null, "", e.refusal().shown());
          }
        }
      };
    }
  }
}
