package app.knuckle.study.plan;

import app.knuckle.stats.compare.Procedure;
import java.util.List;

/** What is to be found, while it is being changed. */
public final class WantedDraft {

  /** See the record. */
  public List<String> of;

  /** See the record. */
  public double difference;

  /** See the record. */
  public Procedure procedure;

  /** See the record. */
  public double alpha;

  /** See the record. */
  public double power;

  /**
   * Begins with what is wanted.
   *
   * @param wanted as it is
   */
  public WantedDraft(Plan.Wanted wanted) {
    of = wanted.of();
    difference = wanted.difference();
    procedure = wanted.procedure();
    alpha = wanted.alpha();
    power = wanted.power();
  }

  Plan.Wanted wanted() {
    return new Plan.Wanted(of, difference, procedure, alpha, power);
  }
}
