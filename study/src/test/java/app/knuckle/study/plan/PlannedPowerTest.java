package app.knuckle.study.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.power.EffectPower;
import app.knuckle.stats.power.PlannedDifference;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What a plan shows, against the formulas of each layout. */
class PlannedPowerTest {

  /** Rounding of a least squares fit and of the roots behind a power. */
  private static final double ROUNDING = 1e-8;

  private static final double V = Plans.SD * Plans.SD;

  private static Shows shows(Plan plan) {
    return PlannedPower.of(plan, Arrangement.of(plan), plan.measured().get(0), Progress.NONE);
  }

  private static Plan wanting(
      Plan.Layout layout, Map<String, List<String>> treatments, int replicates, String... of) {
    return Plans.plan(
        layout,
        treatments,
        new Plan.Size(replicates, 3, replicates, Map.of()),
        3,
        Plans.wanted(Procedure.TUKEY, of));
  }

  private static void effect(Shows shows, int i, double df, double errorDf, double ncp) {
    Shows.Effect effect = shows.effects().get(i);
    assertThat(effect.df()).isEqualTo(df);
    assertThat(effect.errorDf()).isEqualTo(errorDf);
    assertThat(effect.ncp()).isCloseTo(ncp, within(ROUNDING));
    assertThat(effect.power())
        .isCloseTo(EffectPower.of(df, errorDf, ncp, 0.05).power(), within(ROUNDING));
  }

  private static void kind(
      Shows shows, List<String> differing, int means, double variance, double df) {
    Shows.Kind kind =
        shows.kinds().stream()
            .filter(k -> k.differing().equals(differing))
            .findFirst()
            .orElseThrow();
    PlannedDifference expected =
        PlannedDifference.of(Math.sqrt(variance), df, means, Procedure.TUKEY, 0.05);
    assertThat(kind.test().sed()).isCloseTo(expected.sed(), within(ROUNDING));
    assertThat(kind.test().df()).isCloseTo(df, within(1e-6));
    assertThat(kind.test().power(2)).isCloseTo(expected.power(2), within(1e-6));
  }

  @Test
  void completeBlocks() {
    Shows shows = shows(wanting(Plan.Layout.COMPLETE_BLOCKS, Plans.treatments(3, 4), 5, "a"));
    // 20 plots a level, two levels 1 off either way.
    effect(shows, 0, 2, 44, 20 * 2 / V);
    effect(shows, 1, 3, 44, 0);
    effect(shows, 2, 6, 44, 0);
    kind(shows, List.of("a"), 3, 2 * V / 20, 44);
  }

  @Test
  void completelyRandomisedWithALargerControl() {
    Plan plan =
        Plans.plan(
            Plan.Layout.COMPLETELY_RANDOMISED,
            Plans.treatments(4),
            new Plan.Size(5, 0, 1, Map.of("a=a1", 10)),
            3,
            Plans.wanted(Procedure.LEAST_SIGNIFICANT_DIFFERENCE, "a"));
    Shows shows = shows(plan);
    // The least certain pair is one without the control.
    effect(shows, 0, 3, 21, 5 * 2 / V);
    assertThat(shows.kinds().get(0).test().sed()).isCloseTo(Math.sqrt(2 * V / 5), within(ROUNDING));
  }

  @Test
  void latinSquares() {
    Shows shows = shows(wanting(Plan.Layout.LATIN_SQUARE, Plans.treatments(4), 2, "a"));
    // 32 plots, 7 for rows, 3 for columns, 3 for treatments.
    effect(shows, 0, 3, 18, 8 * 2 / V);
    kind(shows, List.of("a"), 4, 2 * V / 8, 18);
  }

  @Test
  void incompleteBlocks() {
    Shows shows = shows(wanting(Plan.Layout.INCOMPLETE_BLOCKS, Plans.treatments(9), 4, "a"));
    // Balanced: efficiency 9 x 2 / (3 x 8).
    double efficiency = 0.75;
    effect(shows, 0, 8, 16, efficiency * 4 * 2 / V);
    kind(shows, List.of("a"), 9, 2 * V / (4 * efficiency), 16);
  }

  @Test
  void splitPlotsHaveFourKindsOfDifference() {
    int r = 4;
    int a = 3;
    int b = 2;
    double whole = V + b * 0.8 * 0.8;
    Shows main = shows(wanting(Plan.Layout.SPLIT_PLOT, Plans.treatments(a, b), r, "a"));
    effect(main, 0, 2, 6, r * b * 2 / whole);
    kind(main, List.of("a"), a, 2 * whole / (r * b), 6);
    Shows sub = shows(wanting(Plan.Layout.SPLIT_PLOT, Plans.treatments(a, b), r, "b"));
    effect(sub, 1, 1, 9, r * a * 2 / V);
    kind(sub, List.of("b"), b, 2 * V / (r * a), 9);
    Shows cells = shows(wanting(Plan.Layout.SPLIT_PLOT, Plans.treatments(a, b), r, "a", "b"));
    kind(cells, List.of("b"), a * b, 2 * V / r, 9);
    double both = whole + (b - 1) * V;
    double df = both * both / (whole * whole / 6 + (b - 1) * (b - 1) * V * V / 9);
    kind(cells, List.of("a"), a * b, 2 * both / (r * b), df);
    kind(cells, List.of("a", "b"), a * b, 2 * both / (r * b), df);
  }

  @Test
  void splitBlocksJudgeStripsByStrips() {
    int r = 4;
    double first = V + 2 * 0.7 * 0.7;
    double second = V + 3 * 0.5 * 0.5;
    Shows shows = shows(wanting(Plan.Layout.SPLIT_BLOCK, Plans.treatments(3, 2), r, "a"));
    effect(shows, 0, 2, 6, r * 2 * 2 / first);
    kind(shows, List.of("a"), 3, 2 * first / (r * 2), 6);
    Shows other = shows(wanting(Plan.Layout.SPLIT_BLOCK, Plans.treatments(3, 2), r, "b"));
    effect(other, 1, 1, 3, r * 3 * 2 / second);
    Shows cells = shows(wanting(Plan.Layout.SPLIT_BLOCK, Plans.treatments(3, 2), r, "a", "b"));
    double both = first + V;
    kind(cells, List.of("a"), 6, 2 * both / (r * 2), both * both / (first * first / 6 + V * V / 6));
  }

  @Test
  void repeatedMeasures() {
    int n = 5;
    double between = V + 4 * 0.6 * 0.6;
    Shows shows = shows(wanting(Plan.Layout.REPEATED, Plans.treatments(2, 4), n, "a"));
    effect(shows, 0, 1, 8, n * 4 * 2 / between);
    kind(shows, List.of("a"), 2, 2 * between / (n * 4), 8);
    Shows within = shows(wanting(Plan.Layout.REPEATED, Plans.treatments(2, 4), n, "b"));
    effect(within, 1, 3, 24, n * 2 * 2 / V);
    kind(within, List.of("b"), 4, 2 * V / (n * 2), 24);
  }

  @Test
  void pairs() {
    Shows shows = shows(wanting(Plan.Layout.PAIRS, Plans.treatments(2), 8, "a"));
    effect(shows, 0, 1, 7, 8 * 2 / V);
    kind(shows, List.of("a"), 2, 2 * V / 8, 7);
  }

  @Test
  void aCovariateTakesItsShareOfTheSpreadAndOneDegreeOfFreedom() {
    Plan plan = wanting(Plan.Layout.COMPLETE_BLOCKS, Plans.treatments(3), 6, "a");
    Plan.Measured with =
        new Plan.Measured(
            "growth", "mm", 14, Plans.SD, 0.9, 0, Map.of(), 0, new Plan.Covariate("start", 0.6));
    Shows shows = PlannedPower.of(plan, Arrangement.of(plan), with, Progress.NONE);
    effect(shows, 0, 2, 9, 6 * 2 / (V * (1 - 0.36)));
    kind(shows, List.of("a"), 3, 2 * V * (1 - 0.36) / 6, 9);
  }

  @Test
  void neededIsTheFirstThatReachesThePowerAndTheCurveTellsOtherPlans() {
    curve(Plan.Layout.COMPLETE_BLOCKS, Plans.treatments(3), "a");
    curve(Plan.Layout.SPLIT_PLOT, Plans.treatments(2, 2), "a", "b");
    curve(Plan.Layout.LATIN_SQUARE, Plans.treatments(3), "a");
    curve(Plan.Layout.REPEATED, Plans.treatments(2, 2), "a", "b");
    curve(Plan.Layout.PAIRS, Plans.treatments(2), "a");
  }

  private static void curve(
      Plan.Layout layout, Map<String, List<String>> treatments, String... of) {
    Shows shows = shows(wanting(layout, treatments, 4, of));
    int needed = shows.needed().orElseThrow();
    List<String> kind = shows.kinds().get(0).differing();
    for (int r : new int[] {4, needed - 1, needed}) {
      if (r < 2) {
        continue;
      }
      Shows own = shows(wanting(layout, treatments, r, of));
      double power =
          own.kinds().stream()
              .filter(k -> k.differing().equals(kind))
              .findFirst()
              .orElseThrow()
              .test()
              .power(2);
      assertThat(power >= 0.8).as(layout.key()).isEqualTo(r >= needed);
      assertThat(shows.curve())
          .filteredOn(point -> point.repeats() == r)
          .allSatisfy(point -> assertThat(point.power()).isCloseTo(power, within(1e-6)));
    }
  }

  @Test
  void withoutNoiseThereIsNoPower() {
    Shows shows = shows(wanting(Plan.Layout.COMPLETE_BLOCKS, Plans.treatments(3), 1, "a"));
    assertThat(shows.effects()).isEmpty();
    assertThat(shows.kinds()).isEmpty();
    assertThat(shows.needed()).isEmpty();
  }

  /** Made-up records find the difference as often as the distribution says, within four errors. */
  @Test
  void rehearsalsAgreeWithTheLaw() {
    Plan.Layout[] layouts = {
      Plan.Layout.COMPLETE_BLOCKS, Plan.Layout.SPLIT_PLOT, Plan.Layout.REPEATED
    };
    for (Plan.Layout layout : layouts) {
      Plan plan =
          Plans.plan(
              layout,
              Plans.treatments(2, 2),
              new Plan.Size(4, 0, 1, Map.of()),
              9,
              Plans.wanted(Procedure.TUKEY, "a"),
              300);
      Shows shows = shows(plan);
      Shows.Rehearsed rehearsed = shows.rehearsed().orElseThrow();
      assertThat(rehearsed.power())
          .as(layout.key())
          .isCloseTo(
              shows.kinds().get(0).test().power(2), within(4 * Math.max(0.01, rehearsed.mcse())));
    }
  }
}
