package app.knuckle.study.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Refused;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Trials made up and answered again and again. */
class RehearsalsTest {

  private static final int RUNS = 400;

  private static Plan plan(Plan.Layout layout, int levels, int replicates) {
    return Plans.plan(
        layout,
        Plans.treatments(levels),
        new Plan.Size(replicates, 0, 1, Map.of()),
        17,
        Plans.wanted(Procedure.TUKEY, "a"));
  }

  private static double share(Plan plan, Mishap mishap) {
    Arrangement arrangement = Arrangement.of(plan);
    return Rehearsals.of(plan, arrangement, plan.measured().get(0), mishap, Progress.NONE)
            .orElseThrow()
            .found(1, RUNS, Progress.NONE)
        / (double) RUNS;
  }

  private static double power(Plan plan) {
    Shows shows = Foresight.of(plan, Arrangement.of(plan), plan.measured().get(0), Progress.NONE);
    return shows.kinds().get(0).test().power(plan.wanted().difference());
  }

  /** Four standard errors of a share of so many runs. */
  private static double close(double share) {
    return 4 * Math.sqrt(share * (1 - share) / RUNS);
  }

  @Test
  void runsAreTheSameHoweverTheyAreCounted() {
    Plan plan = plan(Plan.Layout.COMPLETELY_RANDOMISED, 3, 6);
    Rehearsals all =
        Rehearsals.of(
                plan, Arrangement.of(plan), plan.measured().get(0), Mishap.NONE, Progress.NONE)
            .orElseThrow();
    int together = all.found(1, 60, Progress.NONE);
    assertThat(all.found(1, 25, Progress.NONE) + all.found(26, 60, Progress.NONE))
        .isEqualTo(together);
  }

  /** What is lost by chance leaves on average as much as a smaller trial has. */
  @Test
  void lostPlotsCostWhatASmallerTrialWouldLack() {
    double lost =
        share(
            plan(Plan.Layout.COMPLETELY_RANDOMISED, 3, 10), new Mishap(Spread.NORMAL, 0.4, false));
    double smaller = power(plan(Plan.Layout.COMPLETELY_RANDOMISED, 3, 6));
    assertThat(lost).isCloseTo(smaller, within(close(smaller) + 0.05));
  }

  @Test
  void pairsWithLostValuesLoseBoth() {
    double lost = share(plan(Plan.Layout.PAIRS, 2, 16), new Mishap(Spread.NORMAL, 0.3, false));
    double whole = power(plan(Plan.Layout.PAIRS, 2, 16));
    double half = power(plan(Plan.Layout.PAIRS, 2, 8));
    assertThat(lost).isBetween(half - close(half) - 0.05, whole);
  }

  /** On normal values ranks lose a little, not much: 3/pi of the information at best. */
  @ParameterizedTest
  @EnumSource(
      value = Plan.Layout.class,
      names = {"COMPLETELY_RANDOMISED", "COMPLETE_BLOCKS", "PAIRS"})
  void ranksFindNearlyAsOften(Plan.Layout layout) {
    Plan plan = plan(layout, layout == Plan.Layout.PAIRS ? 2 : 3, 12);
    double ranks = share(plan, new Mishap(Spread.NORMAL, 0, true));
    assertThat(ranks).isBetween(power(plan) - 0.35, power(plan) + close(0.5));
  }

  @Test
  void whatRanksCannotJudgeIsSaidAndNotCountedAsNotFound() {
    Plan two =
        Plans.plan(
            Plan.Layout.SPLIT_PLOT,
            Plans.treatments(2, 2),
            new Plan.Size(4, 0, 1, Map.of()),
            17,
            Plans.wanted(Procedure.TUKEY, "a"));
    assertThatThrownBy(() -> share(two, new Mishap(Spread.NORMAL, 0, true)))
        .isInstanceOf(Refused.class);
  }

  @Test
  void withoutADifferenceWantedNothingIsCounted() {
    Plan plan = PlanDraft.changed(plan(Plan.Layout.PAIRS, 2, 5), d -> d.wanted = null);
    assertThat(
            Rehearsals.of(
                plan, Arrangement.of(plan), plan.measured().get(0), Mishap.NONE, Progress.NONE))
        .isEmpty();
  }
}
