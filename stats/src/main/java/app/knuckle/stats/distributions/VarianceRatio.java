package app.knuckle.stats.distributions;

import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.apache.commons.statistics.distribution.ContinuousDistribution;
import org.apache.commons.statistics.distribution.FDistribution;

/**
 * The F distribution, also where the noise is known: with infinitely many degrees of freedom of
 * noise it is chi-squared over its own.
 */
public final class VarianceRatio {

  private final ContinuousDistribution law;
  private final double scale;

  private VarianceRatio(ContinuousDistribution law, double scale) {
    this.law = law;
    this.scale = scale;
  }

  /**
   * The law of a ratio.
   *
   * @param df degrees of freedom of the effect, above 0
   * @param errorDf of the noise, above 0; may be infinite
   * @return the law
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
    return law.survivalProbability(f * scale);
  }

  /**
   * The value with an upper tail.
   *
   * @param p from 0 to 1
   * @return at least 0
   */
  public double inverseSurvivalProbability(double p) {
    return law.inverseSurvivalProbability(p) / scale;
  }
}
