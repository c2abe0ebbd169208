package app.knuckle.stats.distributions;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.function.DoubleUnaryOperator;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * The range of few and of many values, against plain sums over steps far finer than any feature.
 */
class NormalRangeTest {

  private static final double PERCENT = 1e-9;

  private static double integral(double from, double to, DoubleUnaryOperator density) {
    int steps = 40_000;
    double sum = 0;
    for (int i = 1; i < steps; i++) {
      sum += density.applyAsDouble(from + (to - from) * i / steps);
    }
    return sum * (to - from) / steps;
  }

  /** The least of all values is z, the others lie above it within w. */
  private static double lower(int k, double w) {
    NormalDistribution normal = NormalDistribution.of(0, 1);
    return integral(
        -12, 12, z -> k * normal.density(z) * Math.pow(normal.probability(z, z + w), k - 1.0));
  }

  @ParameterizedTest
  @CsvSource({"2, 0.01", "2, 3", "7, 0.4", "50, 1", "200, 0.7", "200, 4", "1000, 2", "1000, 6"})
  void allValuesWithinSoNarrowARange(int k, double w) {
    double expected = lower(k, w);
    assertThat(expected).isBetween(1e-300, 1.0);
    assertThat(NormalRange.of(k).lower(w)).isCloseTo(expected, withinPercentage(PERCENT));
  }

  @ParameterizedTest
  @CsvSource({"5, 20, 0.3", "100, 2, 0.5", "100, 10, 2", "500, 0.5, 1", "500, 40, 4.5"})
  void theSameOverAnEstimatedDeviation(int k, double df, double q) {
    ChiSquaredDistribution chi = ChiSquaredDistribution.of(df);
    double expected =
        integral(
            Math.log(1e-4),
            Math.log(60),
            u -> {
              double s = Math.exp(u);
              // chi2 = df s^2, and its change with u is twice itself.
              double square = df * s * s;
              return 2 * square * chi.density(square) * NormalRange.of(k).lower(q * s);
            });
    assertThat(expected).isBetween(1e-300, 1.0);
    assertThat(StudentizedRangeDistribution.of(k, df).cumulativeProbability(q))
        .isCloseTo(expected, withinPercentage(PERCENT));
  }
}
