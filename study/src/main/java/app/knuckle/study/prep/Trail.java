package app.knuckle.study.prep;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refusal;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A trail as far as it goes: what each step did, and which steps no longer fit.
 *
 * @param frame after all steps that fit
 * @param outcomes one a step, in order
 */
public record Trail(Frame frame, List<Outcome> outcomes) {

  public Trail {
    outcomes = List.copyOf(outcomes);
  }

  /**
   * What became of a step.
   *
   * @param step the step
   * @param before what it was given
   * @param effect what it did; null when it is off or does not fit
   * @param refusal why it does not fit; null when it does
   */
  public record Outcome(Step step, Frame before, Effect effect, Refusal refusal) {}

  /**
   * Runs a trail; a step that does not fit is passed over and keeps its place.
   *
   * @param table as read
   * @param steps in their order
   * @param progress asked before each step
   * @return the outcome
   * @throws java.util.concurrent.CancellationException if stopped
   */
  public static Trail run(Table table, List<Step> steps, Progress progress) {
    Frame frame = Frame.of(table);
    List<Outcome> outcomes = new ArrayList<>();
    for (Step step : steps) {
      progress.check();
      Outcome outcome = new Outcome(step, frame, null, null);
      if (!step.off()) {
        try {
          Frame after = step.apply(frame, progress);
          outcome = new Outcome(step, frame, Effect.of(frame, after), null);
          frame = after;
        } catch (Refused e) {
          outcome = new Outcome(step, frame, null, e.refusal());
        }
      }
      outcomes.add(outcome);
    }
    return new Trail(frame, outcomes);
  }

  /** The first step that does not fit: why; empty when all fit. */
  public Optional<Refusal> refusal() {
    return outcomes.stream().map(Outcome::refusal).filter(r -> r != null).findFirst();
  }
}
