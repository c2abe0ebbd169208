package app.knuckle.study.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.power.PlannedDifference;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What a plan would show if one thing of it were otherwise, by the formulas of its layout. */
class AlternativesTest {

  private static final int LEVELS = 3;
  private static final int REPEATS = 6;
  private static final double CLOSE = 1e-9;

  private static Plan plan(Plan.Layout layout) {
    return Plans.plan(
        layout,
        Plans.treatments(LEVELS),
        new Plan.Size(REPEATS, 0, 1, Map.of()),
        5,
        Plans.wanted(Procedure.TUKEY, "a"));
  }

  private static double power(double sd, double df) {
    double sed = sd * Math.sqrt(2.0 / REPEATS);
    return PlannedDifference.of(sed, df, LEVELS, Procedure.TUKEY, 0.05).power(2);
  }

  @Test
  void withoutBlocksTheirScatterIsThatOfPlots() {
    List<Alternatives.Alternative> all =
        Alternatives.of(plan(Plan.Layout.COMPLETE_BLOCKS), 0, Progress.NONE);
    assertThat(all).hasSize(2);
    double together = Math.hypot(Plans.SD, Plans.measured().blockSd());
    assertThat(all.get(1).power())
        .isCloseTo(power(together, LEVELS * (REPEATS - 1.0)), within(CLOSE));
  }

  /** A covariate takes off r squared of the variance, and one degree of freedom. */
  @Test
  void somethingNotedBeforehandTakesScatterOff() {
    Plan plan = plan(Plan.Layout.COMPLETELY_RANDOMISED);
    Alternatives.Alternative noted = Alternatives.of(plan, 0, Progress.NONE).get(0);
    assertThat(noted.words()).contains("r = 0.6");
    assertThat(noted.power())
        .isCloseTo(power(Plans.SD * 0.8, LEVELS * (REPEATS - 1.0) - 1), within(0.02))
        .isGreaterThan(power(Plans.SD, LEVELS * (REPEATS - 1.0)));
  }

  @Test
  void whatIsNotedCanBeLeftOut() {
    Plan plan =
        PlanDraft.changed(
            plan(Plan.Layout.COMPLETELY_RANDOMISED),
            d -> d.measured.get(0).covariate = new Plan.Covariate("start", 0.7));
    List<Alternatives.Alternative> all = Alternatives.of(plan, 0, Progress.NONE);
    assertThat(all).hasSize(1);
    assertThat(all.get(0).words()).isEqualTo("without noting start beforehand");
    assertThat(all.get(0).power())
        .isCloseTo(power(Plans.SD, LEVELS * (REPEATS - 1.0)), within(CLOSE));
  }

  @Test
  void withoutADifferenceWantedNothingIsOtherwise() {
    Plan plan = PlanDraft.changed(plan(Plan.Layout.PAIRS), d -> d.wanted = null);
    assertThat(Alternatives.of(plan, 0, Progress.NONE)).isEmpty();
  }
}
