package app.knuckle.study.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Results;
import app.knuckle.study.plan.Mishap.Judged;
import app.knuckle.study.table.Table;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
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
    double[] p =
        Rehearsals.of(plan, arrangement, plan.measured().get(0), mishap, Progress.NONE)
            .orElseThrow()
            .p(1, RUNS, Progress.NONE);
    return Rehearsals.found(p, plan.wanted().alpha()) / (double) RUNS;
  }

  private static double power(Plan plan) {
    Shows shows =
        PlannedPower.of(plan, Arrangement.of(plan), plan.measured().get(0), Progress.NONE);
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
    double[] together = all.p(1, 60, Progress.NONE);
    assertThat(
            DoubleStream.concat(
                DoubleStream.of(all.p(1, 25, Progress.NONE)),
                DoubleStream.of(all.p(26, 60, Progress.NONE))))
        .containsExactly(Arrays.stream(together).boxed().toArray(Double[]::new));
  }

  /** What is lost by chance leaves on average as much as a smaller trial has. */
  @Test
  void lostPlotsCostWhatASmallerTrialWouldLack() {
    double lost =
        share(
            plan(Plan.Layout.COMPLETELY_RANDOMISED, 3, 10),
            new Mishap(SimulatedErrors.NORMAL, 1, 0.4, Judged.AS_PLANNED));
    double smaller = power(plan(Plan.Layout.COMPLETELY_RANDOMISED, 3, 6));
    assertThat(lost).isCloseTo(smaller, within(close(smaller) + 0.05));
  }

  @Test
  void pairsWithLostValuesLoseBoth() {
    double lost =
        share(
            plan(Plan.Layout.PAIRS, 2, 16),
            new Mishap(SimulatedErrors.NORMAL, 1, 0.3, Judged.AS_PLANNED));
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
    double ranks = share(plan, new Mishap(SimulatedErrors.NORMAL, 1, 0, Judged.RANKS));
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
    assertThatThrownBy(() -> share(two, new Mishap(SimulatedErrors.NORMAL, 1, 0, Judged.RANKS)))
        .isInstanceOf(Refused.class);
  }

  /** Complete blocks at random judge a difference as fixed ones do. */
  @Test
  void blocksAtRandomFindWhatFixedOnesFind() {
    Plan plan = plan(Plan.Layout.COMPLETE_BLOCKS, 3, 6);
    Arrangement arrangement = Arrangement.of(plan);
    double[] fixed = p(plan, arrangement, Judged.AS_PLANNED);
    double[] random = p(plan, arrangement, Judged.RANDOM);
    // Only where blocks are estimated at zero are these two things.
    long alike =
        IntStream.range(0, fixed.length)
            .filter(i -> Math.abs(fixed[i] - random[i]) <= 1e-8 * fixed[i])
            .count();
    assertThat(alike).isGreaterThan(fixed.length * 2L / 3);
    assertThat(Rehearsals.found(random, 0.05))
        .isCloseTo(Rehearsals.found(fixed, 0.05), within(fixed.length / 8));
  }

  private static double[] p(Plan plan, Arrangement arrangement, Judged judged) {
    return Rehearsals.of(
            plan,
            arrangement,
            plan.measured().get(0),
            new Mishap(SimulatedErrors.NORMAL, 1, 0, judged),
            Progress.NONE)
        .orElseThrow()
        .p(1, 80, Progress.NONE);
  }

  /** What only compares finds what the whole answer finds, to the last digit. */
  @ParameterizedTest
  @EnumSource(Plan.Layout.class)
  void theShortWayComparesAsTheWholeAnswerDoes(Plan.Layout layout) {
    boolean two = layout == Plan.Layout.PAIRS || layout == Plan.Layout.REPEATED;
    boolean crossed = layout == Plan.Layout.SPLIT_PLOT || layout == Plan.Layout.SPLIT_BLOCK;
    Plan plan =
        Plans.plan(
            layout,
            crossed ? Plans.treatments(2, 3) : Plans.treatments(two ? 2 : 4),
            new Plan.Size(layout == Plan.Layout.LATIN_SQUARE ? 4 : 6, 3, 1, Map.of()),
            17,
            Plans.wanted(Procedure.TUKEY, "a"));
    Arrangement arrangement = Arrangement.of(plan);
    Plan.Measured measured = plan.measured().get(0);
    Table made =
        SimulatedRecords.of(plan, arrangement, SimulatedErrors.NORMAL, 1, 5, Progress.NONE);
    Inquiry inquiry = PlanRecords.inquiry(plan, measured);
    Results whole = Answering.of(made, inquiry, Progress.NONE).first().results();
    assertThat(pairs(Answering.compared(made, inquiry, Progress.NONE))).isEqualTo(pairs(whole));
  }

  private static List<String> pairs(Results analysis) {
    return ComparedMeans.of(analysis).stream()
        .flatMap(family -> family.pairs().stream())
        .map(Object::toString)
        .toList();
  }

  @Test
  void nothingIsRandomWhereNothingLiesInAnything() {
    Plan plan = plan(Plan.Layout.COMPLETELY_RANDOMISED, 3, 6);
    assertThatThrownBy(() -> share(plan, new Mishap(SimulatedErrors.NORMAL, 1, 0, Judged.RANDOM)))
        .isInstanceOf(Refused.class);
  }

  /** With two groups of one size Welch's test is Student's but for its degrees of freedom. */
  @Test
  void ownSpreadsFindNearlyAsOftenWhereSpreadsAreAlike() {
    Plan plan = plan(Plan.Layout.COMPLETELY_RANDOMISED, 2, 12);
    double own = share(plan, new Mishap(SimulatedErrors.NORMAL, 1, 0, Judged.OWN_SPREADS));
    assertThat(own).isCloseTo(power(plan), within(close(power(plan)) + 0.02));
  }

  /**
   * Three times the scatter in one of two groups has the variance of a difference that a scatter of
   * the root of 5 has in both.
   */
  @Test
  void moreScatterFindsLessOften() {
    Plan plan = plan(Plan.Layout.COMPLETELY_RANDOMISED, 2, 12);
    double wide = share(plan, new Mishap(SimulatedErrors.NORMAL, 3, 0, Judged.OWN_SPREADS));
    Plan even =
        PlanDraft.changed(
            plan, d -> d.measured.get(0).sd = plan.measured().get(0).sd() * Math.sqrt(5));
    assertThat(wide).isCloseTo(power(even), within(close(power(even)) + 0.05));
  }

  @Test
  void keptPsTellOfEveryLevelOfSignificance() {
    double[] p = {0.2, 0.04, Double.NaN, 0.009};
    assertThat(Rehearsals.found(p, 0.05)).isEqualTo(2);
    assertThat(Rehearsals.found(p, 0.01)).isEqualTo(1);
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
