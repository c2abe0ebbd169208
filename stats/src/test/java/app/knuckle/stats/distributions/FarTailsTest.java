package app.knuckle.stats.distributions;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.apache.commons.numbers.gamma.Erfc;
import org.apache.commons.statistics.distribution.TDistribution;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Tails of the largest of several keep their digits however small they are: they lie between the
 * tail of one and the sum of all (Boole's inequality), and far out near the sum.
 */
class FarTailsTest {

  /** What two sums of a hundred terms each may differ by, and a logarithm of 700 in between. */
  private static final double DIGITS = 1e-10;

  /** Smaller ones are no double with all its digits. */
  private static final double SMALLEST = 1e-290;

  private static double one(double t, double df) {
    return Double.isInfinite(df)
        ? 0.5 * Erfc.value(t / Math.sqrt(2))
        : TDistribution.of(df).survivalProbability(t);
  }

  private static void liesBetween(double p, double one, double times) {
    if (one > SMALLEST) {
      assertThat(p).isBetween(one * (1 - DIGITS), Math.min(1, times * one) * (1 + DIGITS));
    }
  }

  /** Few degrees, many, or a spread that is known. */
  private static double df(double exponent) {
    return exponent > 6 ? Double.POSITIVE_INFINITY : Math.pow(10, exponent);
  }

  @Property(tries = 300, seed = "3316624790")
  void theRange(
      @ForAll @IntRange(min = 2, max = 100) int groups,
      @ForAll @DoubleRange(min = 0.5, max = 7) double exponent,
      @ForAll @DoubleRange(min = 0.5, max = 54) double q) {
    double df = df(exponent);
    double p = StudentizedRangeDistribution.of(groups, df).survivalProbability(q);
    liesBetween(p, 2 * one(q / Math.sqrt(2), df), groups * (groups - 1) / 2.0);
  }

  @Property(tries = 200, seed = "3605551275")
  void theLargestAgainstAReference(
      @ForAll @IntRange(min = 1, max = 12) int others,
      @ForAll @DoubleRange(min = -0.9, max = 0.9) double loading,
      @ForAll @DoubleRange(min = 0.5, max = 7) double exponent,
      @ForAll @DoubleRange(min = 0.5, max = 36) double t,
      @ForAll boolean twoSided) {
    double df = df(exponent);
    double[] loadings = new double[others];
    Arrays.fill(loadings, loading);
    double p = DunnettDistribution.of(loadings, df, twoSided).survivalProbability(t);
    liesBetween(p, (twoSided ? 2 : 1) * one(t, df), others);
  }

  /** Two values: their difference has standard deviation root 2. */
  @ParameterizedTest
  @ValueSource(doubles = {1, 5, 20, 26, 30, 40, 50, 53})
  void theRangeOfTwo(double q) {
    double p = StudentizedRangeDistribution.of(2, Double.POSITIVE_INFINITY).survivalProbability(q);
    double exact = Erfc.value(q / 2);
    assertThat(p).isBetween(exact * (1 - 1e-11), exact * (1 + 1e-11));
  }
}
