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
        count == 0 ? 0 : quantile(GammaDistribution.of(count, 1), alpha / 2),
        upper(GammaDistribution.of(count + 1, 1), alpha / 2));
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
        count == 0 ? 0 : quantile(BetaDistribution.of(count, of - count + 1), alpha / 2),
        count == of ? 1 : upper(BetaDistribution.of(count + 1, of - count), alpha / 2));
  }

  /**
   * The score interval of a proportion.
   *
   * @param count from 0 to {@code of}
   * @param of how many were tried, above 0
   * @param alpha one less the confidence
   * @return exactly 0 and 1 at the ends
   * @see "Wilson, E. B. (1927). Probable inference, the law of succession, and statistical
   *     inference. J. Am. Stat. Assoc. 22, 209-212"
   */
  public static CountIntervals wilson(double count, double of, double alpha) {
    double z = NormalDistribution.of(0, 1).inverseSurvivalProbability(alpha / 2);
    double middle = count + z * z / 2;
    double half = z * Math.sqrt(count * (of - count) / of + z * z / 4);
    double whole = of + z * z;
    return new CountIntervals(
        count == 0 ? 0 : (middle - half) / whole, count == of ? 1 : (middle + half) / whole);
  }

  private static double quantile(ContinuousDistribution law, double p) {
    double x = law.inverseCumulativeProbability(p);
    for (int i = 0; i < POLISH; i++) {
      double step = (law.cumulativeProbability(x) - p) / law.density(x);
      x = Double.isFinite(step) && x - step > 0 ? x - step : x;
    }
    return x;
  }

  private static double upper(ContinuousDistribution law, double p) {
    double x = law.inverseSurvivalProbability(p);
    for (int i = 0; i < POLISH; i++) {
      double step = (law.survivalProbability(x) - p) / law.density(x);
      x = Double.isFinite(step) && x + step > 0 ? x + step : x;
    }
    return x;
  }
}
