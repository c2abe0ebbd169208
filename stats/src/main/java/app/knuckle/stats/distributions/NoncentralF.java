package app.knuckle.stats.distributions;

import org.apache.commons.numbers.gamma.LogGamma;
import org.apache.commons.numbers.gamma.RegularizedBeta;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;

/**
 * The noncentral F distribution, which tells the power of an F test.
 *
 * <p>{@code P(F' > x) = Sum_j Poisson(j; ncp/2) P(Beta(df1/2 + j, df2/2) > y)} with {@code y = df1
 * x / (df1 x + df2)}. Terms are added from the most likely j outward. With a very large
 * noncentrality the numerator is taken as constant.
 *
 * @see "Johnson, N. L., Kotz, S. and Balakrishnan, N. (1995). Continuous Univariate Distributions
 *     2, chapter 30"
 */
public final class NoncentralF {

  /** A term below this share of the sum can no longer change its double. */
  private static final double NEGLIGIBLE = 0x1.0p-56;

  /** Beyond this the series has millions of terms, and the numerator varies by 1 in 1,000 only. */
  private static final double LARGE = 1e6;

  private final double df1;
  private final double df2;
  private final double halfNoncentrality;

  private NoncentralF(double df1, double df2, double noncentrality) {
    this.df1 = df1;
    this.df2 = df2;
    halfNoncentrality = 0.5 * noncentrality;
  }

  /**
   * The distribution.
   *
   * @param df1 numerator degrees of freedom, above 0
   * @param df2 denominator degrees of freedom, above 0
   * @param noncentrality sum of squared standardised effects, at least 0
   * @return the distribution
   * @throws IllegalArgumentException if an argument is outside its range
   */
  public static NoncentralF of(double df1, double df2, double noncentrality) {
    if (!(df1 > 0 && df2 > 0 && noncentrality >= 0)) {
      throw new IllegalArgumentException(df1 + ", " + df2 + ", " + noncentrality);
    }
    return new NoncentralF(df1, df2, noncentrality);
  }

  /**
   * P(F' &gt; x).
   *
   * @param x the value to exceed
   * @return the probability, from 0 to 1
   */
  public double survivalProbability(double x) {
    if (x <= 0) {
      return 1;
    }
    if (halfNoncentrality > LARGE) {
      // The numerator hardly varies any more: only the error's chi-squared is left.
      double numerator = (df1 + 2 * halfNoncentrality) / df1;
      return ChiSquaredDistribution.of(df2).cumulativeProbability(df2 * numerator / x);
    }
    double y = 1 / (1 + df2 / df1 / x);
    int middle = (int) halfNoncentrality;
    double sum = 0;
    for (int j = middle; j >= 0; j--) {
      double weight = poisson(j);
      sum += weight * RegularizedBeta.complement(y, 0.5 * df1 + j, 0.5 * df2);
      if (weight < NEGLIGIBLE * sum || weight < Double.MIN_NORMAL) {
        break;
      }
    }
    for (int j = middle + 1; ; j++) {
      double weight = poisson(j);
      sum += weight * RegularizedBeta.complement(y, 0.5 * df1 + j, 0.5 * df2);
      if (weight < NEGLIGIBLE * sum || weight < Double.MIN_NORMAL) {
        break;
      }
    }
    return Math.min(1, sum);
  }

  private double poisson(int j) {
    if (halfNoncentrality == 0) {
      return j == 0 ? 1 : 0;
    }
    return Math.exp(j * Math.log(halfNoncentrality) - halfNoncentrality - LogGamma.value(j + 1.0));
  }
}
