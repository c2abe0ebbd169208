package app.knuckle.stats.checks;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Samples;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.anova.PowerTransformation;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class ChecksPropertiesTest {

  /** Far below what these values differ by, far above what rounding leaves of them. */
  private static final double ALIKE = 1e-11;

  private static final List<Function<double[], ShapeTest>> SHAPE =
      List.of(
          v -> Normality.shapiroWilk(v, ALIKE),
          v -> Normality.andersonDarling(v, ALIKE),
          v -> Normality.lilliefors(v, ALIKE));
  private static final List<Function<double[][], VarianceTest>> SPREAD =
      List.of(
          g -> VarianceTests.leveneAbsolute(g, ALIKE),
          g -> VarianceTests.leveneSquared(g, ALIKE),
          g -> VarianceTests.brownForsythe(g, ALIKE),
          g -> VarianceTests.bartlett(g, ALIKE),
          g -> VarianceTests.flignerKilleen(g, ALIKE));

  private static double statistic(ShapeTest found) {
    return found.statistic().value();
  }

  @Property(tries = 100)
  void shapeDoesNotDependOnOriginUnitSignOrOrder(
      @ForAll long seed, @ForAll @IntRange(min = 8, max = 60) int n) {
    double[] values = Samples.normal(seed, n);
    double[] turned = new double[n];
    Arrays.setAll(turned, i -> 300 - 7 * values[n - 1 - i]);
    for (Function<double[], ShapeTest> test : SHAPE) {
      ShapeTest own = test.apply(values);
      assertThat(statistic(test.apply(turned))).isCloseTo(statistic(own), within(1e-8));
      // Beyond the range of Lilliefors' approximation there is none.
      assertThat(own.p().exists() ? own.p().value() : 0.5).isBetween(0.0, 1.0);
    }
    assertThat(statistic(Normality.shapiroWilk(values, ALIKE))).isBetween(0.0, 1.0);
  }

  @Test
  void exponentialValuesAreNotBellShapedAndNormalQuantilesAre() {
    int n = 50;
    double[] skew = new double[n];
    double[] bell = new double[n];
    for (int i = 0; i < n; i++) {
      double p = (i + 0.5) / n;
      skew[i] = -Math.log1p(-p);
      // Tukey's lambda of 0.14 is a bell to the eye and to any test of 50 values.
      bell[i] = (Math.pow(p, 0.14) - Math.pow(1 - p, 0.14)) / 0.14;
    }
    for (Function<double[], ShapeTest> test : SHAPE) {
      assertThat(test.apply(skew).p().value()).isLessThan(0.02);
      ShapeTest own = test.apply(bell);
      assertThat(own.p().exists() ? own.p().value() : 1).isGreaterThan(0.5);
    }
  }

  /** Equal scores have a mean that is rounded: their variance is not 0 by arithmetic alone. */
  @Property(tries = 200)
  void distancesThatDoNotVaryHaveNoStatistic(
      @ForAll @IntRange(min = 1, max = 9) int first,
      @ForAll @IntRange(min = 1, max = 9) int second) {
    double[][] groups = {new double[first], new double[second]};
    Arrays.fill(groups[0], 10);
    Arrays.fill(groups[1], 7.925);
    assertThat(VarianceTests.flignerKilleen(groups, ALIKE).statistic().why())
        .isEqualTo(Absence.DISTANCES_DO_NOT_VARY);
  }

  @Property(tries = 100)
  void spreadDoesNotDependOnTheMeansOrTheUnit(
      @ForAll long seed, @ForAll @IntRange(min = 2, max = 5) int k) {
    // Sixty-fourths stay what they are when they are moved, and with them the ties of distances.
    double[][] groups = Samples.map(Samples.groups(seed, k), v -> Math.rint(64 * v) / 64);
    double[][] moved = new double[k][];
    for (int g = 0; g < k; g++) {
      double shift = 100 * g;
      moved[g] = Arrays.stream(groups[g]).map(v -> 3 * v + shift).toArray();
    }
    for (Function<double[][], VarianceTest> test : SPREAD) {
      Quantity own = test.apply(groups).statistic();
      Quantity after = test.apply(moved).statistic();
      // Three sixty-fourths now and then are the same: no spread, moved or not.
      assertThat(after.exists()).isEqualTo(own.exists());
      if (own.exists()) {
        assertThat(after.value()).isCloseTo(own.value(), within(1e-7 * (1 + own.value())));
      }
    }
  }

  @Test
  void aGroupWithoutSpreadHasNoBartlettWhereverItStands() {
    double[][] flat = {{9.25, 9.25, 9.25}, {9, 10, 12, 13}};
    double[][] moved = {{127.75, 127.75, 127.75}, {27, 30, 36, 39}};
    for (double[][] groups : List.of(flat, moved)) {
      Quantity statistic = VarianceTests.bartlett(groups, ALIKE).statistic();
      assertThat(statistic.exists()).isFalse();
      assertThat(statistic.why()).isEqualTo(Absence.A_GROUP_HAS_NO_SPREAD);
    }
  }

  /** Levene's and Brown and Forsythe's tests are one-way analyses of distances. */
  @Property(tries = 60)
  void distancesFromTheMedianAreAnalysedOneWay(@ForAll long seed) {
    double[][] groups = Samples.groups(seed, 3);
    double[][] away = new double[3][];
    for (int g = 0; g < 3; g++) {
      double[] sorted = groups[g].clone();
      Arrays.sort(sorted);
      int n = sorted.length;
      double median = (sorted[(n - 1) / 2] + sorted[n / 2]) / 2;
      away[g] = Arrays.stream(groups[g]).map(v -> Math.abs(v - median)).toArray();
    }
    double f = OneWay.fit(Samples.moments(away), 0.05).treatment().f().value();
    assertThat(VarianceTests.brownForsythe(groups, ALIKE).statistic().value())
        .isCloseTo(f, within(1e-9 * (1 + f)));
  }

  @Test
  void theRatioOfTwoVariancesAndItsTurn() {
    double[][] two = {{1, 2, 3, 4, 5}, {1, 3, 5, 7, 9, 11}};
    // 2.5 against 14.
    VarianceTest.VarianceRatio ratio = VarianceTests.varianceRatio(two, ALIKE, 0.05);
    assertThat(ratio.statistic().value()).isCloseTo(2.5 / 14, within(1e-12));
    VarianceTest.VarianceRatio turned =
        VarianceTests.varianceRatio(new double[][] {two[1], two[0]}, ALIKE, 0.05);
    assertThat(turned.p().value()).isCloseTo(ratio.p().value(), within(1e-12));
  }

  @Property(tries = 60)
  void theValueMovedFarOutIsTheSuspect(@ForAll long seed) {
    double[] values = Samples.normal(seed, 12);
    values[4] = 60;
    Grubbs grubbs = Outliers.grubbs(values, ALIKE);
    assertThat(grubbs.p().value()).isLessThan(0.001);
    assertThat(grubbs.suspect().toString()).contains("60");
    assertThat(Outliers.fences(values).extreme().toString()).contains("60");
  }

  /** Powers of the values turn the best power round: of y = e^x it is 0, of y = x^2 a half. */
  @Property(tries = 30)
  void theBestPowerFollowsThePowerOfTheValues(@ForAll long seed) {
    double[][] groups = Samples.groups(seed, 3);
    PowerTransformation plain = PowerTransformation.of(groups, 0.05).orElseThrow();
    PowerTransformation unit =
        PowerTransformation.of(Samples.map(groups, v -> 40 * v), 0.05).orElseThrow();
    assertThat(unit.lambda()).isCloseTo(plain.lambda(), within(1e-4));
    if (Math.abs(plain.lambda()) < 4.9) {
      PowerTransformation squared =
          PowerTransformation.of(Samples.map(groups, v -> v * v), 0.05).orElseThrow();
      assertThat(squared.lambda()).isCloseTo(plain.lambda() / 2, within(1e-4));
    }
    assertThat(PowerTransformation.of(new double[][] {{1, 0}, {2, 3}}, 0.05)).isEmpty();
  }
}
