package app.knuckle.stats.counts;

import org.apache.commons.statistics.distribution.BetaDistribution;
import org.apache.commons.statistics.distribution.ContinuousDistribution;
import org.apache.commons.statistics.distribution.GammaDistribution;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * Intervals of a rate and of a proportion from the distribution alone.
 *
 * @param low lower limit
 * @param high upper limit
 */
public record CountIntervals(double low, double high) {

  /** Newton's steps that take the library's quantiles to the last digits. */
  private static final int POLISH = 4;

  /** Beyond this a quantile of the gamma distribution is right to all digits by its expansion. */
  private static final double LARGE = 1e8;

  /** Beyond this the library's continued fraction for the beta distribution ends too late. */
  private static final double LARGEST_OF_LIBRARY = 1e10;

  /** Where one parameter is larger still, the expansion is right to 12 digits from here on. */
  private static final double LARGE_IN_BETA = 1e6;

  /**
   * The exact interval of a count's expectation.
   *
   * @param count at least 0
   * @param alpha one less the confidence
   * @return low is 0 for a count of 0
   * @see "Garwood, F. (1936). Fiducial limits for the Poisson distribution. Biometrika 28, 437-442"
   */
  public static CountIntervals garwood(double count, double alpha) {
    return new CountIntervals(
        count == 0
            ? 0
            : count > LARGE ? expanded(count, -z(alpha)) : quantile(gamma(count), alpha / 2),
        count > LARGE ? expanded(count + 1, z(alpha)) : upper(gamma(count + 1), alpha / 2));
  }

  private static GammaDistribution gamma(double shape) {
    return GammaDistribution.of(shape, 1);
  }

  private static double z(double alpha) {
    return NormalDistribution.of(0, 1).inverseSurvivalProbability(alpha / 2);
  }

  /**
   * A quantile of a gamma distribution of large shape; the first term left out is of the order of 1
   * / shape.
   *
   * @see "Cornish, E. A. and Fisher, R. A. (1938). Moments and cumulants in the specification of
   *     distributions. Revue de l'Institut International de Statistique 5, 307-320"
   */
  private static double expanded(double shape, double z) {
    double root = Math.sqrt(shape);
    return shape + z * root + (z * z - 1) / 3 + z * (z * z - 7) / (36 * root);
  }

  /**
   * The exact interval of a proportion.
   *
   * @param count from 0 to {@code of}
   * @param of how many were tried, above 0
   * @param alpha one less the confidence
   * @return 0 and 1 at the ends
   * @see "Clopper, C. J. and Pearson, E. S. (1934). The use of confidence or fiducial limits
   *     illustrated in the case of the binomial. Biometrika 26, 404-413"
   */
  public static CountIntervals exact(double count, double of, double alpha) {
    return new CountIntervals(
        count == 0 ? 0 : beta(count, of - count + 1, alpha, false),
        count == of ? 1 : beta(count + 1, of - count, alpha, true));
  }

  private static double beta(double a, double b, double alpha, boolean upper) {
    if (Math.max(a, b) <= LARGEST_OF_LIBRARY) {
      BetaDistribution distribution = BetaDistribution.of(a, b);
      return upper ? upper(distribution, alpha / 2) : quantile(distribution, alpha / 2);
    }
    if (Math.min(a, b) > LARGE_IN_BETA) {
      return expanded(a, b, upper ? z(alpha) : -z(alpha));
    }
    return a < b ? ofGamma(a, b, alpha, upper) : 1 - ofGamma(b, a, alpha, !upper);
  }

  /** A quantile of a beta distribution, both of whose parameters are large; as of gamma. */
  private static double expanded(double a, double b, double z) {
    double n = a + b;
    double root = Math.sqrt(a) * Math.sqrt(b);
    double skewness = 2 * ((b - a) / root) * (Math.sqrt(n + 1) / (n + 2));
    double off = (a - b) / (n + 2);
    double kurtosis = 6 * (off * off * (n + 1) / root * ((n + 2) / root) - 1) / (n + 3);
    double w =
        z
            + skewness * (z * z - 1) / 6
            + kurtosis * (z * z * z - 3 * z) / 24
            - skewness * skewness * (2 * z * z * z - 5 * z) / 36;
    return a / n + root / n / Math.sqrt(n + 1) * w;
  }

  /**
   * A quantile of a beta distribution whose second parameter is by far the larger.
   *
   * @see "Wise, M. E. (1950). The incomplete beta function as a contour integral and a quickly
   *     converging series for its inverse. Biometrika 37, 208-218"
   */
  private static double ofGamma(double a, double b, double alpha, boolean upper) {
    double x = upper ? upper(gamma(a), alpha / 2) : quantile(gamma(a), alpha / 2);
    return -Math.expm1(-x / (b + (a - 1) / 2));
  }

  /**
   * The score interval of a proportion.
   *
   * @param count from 0 to {@code of}
   * @param of how many were tried, above 0
   * @param alpha one less the confidence
   * @return exactly 0 and 1 at the ends
   * @see "Wilson, E. B. (1927). Probable inference, the distribution of succession, and statistical
   *     inference. J. Am. Stat. Assoc. 22, 209-212"
   */
  public static CountIntervals wilson(double count, double of, double alpha) {
    double z = z(alpha);
    double middle = count + z * z / 2;
    double half = z * Math.sqrt(count * (of - count) / of + z * z / 4);
    double whole = of + z * z;
    return new CountIntervals(
        count == 0 ? 0 : (middle - half) / whole, count == of ? 1 : (middle + half) / whole);
  }

  private static double quantile(ContinuousDistribution distribution, double p) {
    double x = distribution.inverseCumulativeProbability(p);
    for (int i = 0; i < POLISH; i++) {
      double step = (distribution.cumulativeProbability(x) - p) / distribution.density(x);
      x = Double.isFinite(step) && x - step > 0 ? x - step : x;
    }
    return x;
  }

  private static double upper(ContinuousDistribution distribution, double p) {
    double x = distribution.inverseSurvivalProbability(p);
    for (int i = 0; i < POLISH; i++) {
      double step = (distribution.survivalProbability(x) - p) / distribution.density(x);
      x = Double.isFinite(step) && x + step > 0 ? x + step : x;
    }
    return x;
  }
}
