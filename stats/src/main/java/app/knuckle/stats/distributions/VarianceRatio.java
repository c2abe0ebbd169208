package app.knuckle.stats.distributions;

import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.apache.commons.statistics.distribution.ContinuousDistribution;
import org.apache.commons.statistics.distribution.FDistribution;

/**
 * The F distribution, also where the error is known: with infinitely many degrees of freedom of the
 * error it is chi-squared over its own.
 */
public final class VarianceRatio {

  private final ContinuousDistribution distribution;
  private final double scale;

  private VarianceRatio(ContinuousDistribution distribution, double scale) {
    this.distribution = distribution;
    this.scale = scale;
  }

  /**
   * The distribution of a ratio.
   *
   * @param df degrees of freedom of the effect, above 0
   * @param errorDf of the error, above 0; may be infinite
   * @return the distribution
   */
  public static VarianceRatio of(double df, double errorDf) {
    return Double.isInfinite(errorDf)
        ? new VarianceRatio(ChiSquaredDistribution.of(df), df)
        : new VarianceRatio(FDistribution.of(df, errorDf), 1);
  }

  /**
   * The upper tail.
   *
   * @param f a value
   * @return from 0 to 1
   */
  public double survivalProbability(double f) {
    return distribution.survivalProbability(f * scale);
  }

  /**
   * The value with an upper tail.
   *
   * @param p from 0 to 1
   * @return at least 0
   */
  public double inverseSurvivalProbability(double p) {
    return distribution.inverseSurvivalProbability(p) / scale;
  }
}
