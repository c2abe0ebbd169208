package app.knuckle.stats.distributions;

import java.util.function.DoubleUnaryOperator;
import org.apache.commons.numbers.rootfinder.BrentSolver;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * The noncentral t distribution: (z + noncentrality) / s with z normal and s the estimated standard
 * deviation. P(T' &lt;= t) is the average of Phi(t s - noncentrality) over s.
 *
 * @see "Johnson, N. L. and Welch, B. L. (1940). Applications of the non-central t-distribution.
 *     Biometrika 31, 362-389"
 */
public final class NoncentralT {

  private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);
  private static final double QUANTILE_TOLERANCE = 0x1.0p-48;

  private final double noncentrality;
  private final ScaledChi chi;

  private NoncentralT(double df, double noncentrality) {
    this.noncentrality = noncentrality;
    chi = new ScaledChi(df);
  }

  /**
   * A distribution.
   *
   * @param df degrees of freedom, above 0
   * @param noncentrality any number
   * @return the distribution
   */
  public static NoncentralT of(double df, double noncentrality) {
    return new NoncentralT(df, noncentrality);
  }

  /**
   * P(T' &gt; t).
   *
   * @param t any number
   * @return the probability
   */
  public double survivalProbability(double t) {
    return Math.min(1, average(t, s -> NORMAL.survivalProbability(t * s - noncentrality)));
  }

  /**
   * P(T' &lt;= t).
   *
   * @param t any number
   * @return the probability
   */
  public double cumulativeProbability(double t) {
    return Math.min(1, average(t, s -> NORMAL.cumulativeProbability(t * s - noncentrality)));
  }

  /** The normal probability changes where t s is about the noncentrality, over 1 / t in s. */
  private double average(double t, DoubleUnaryOperator probability) {
    double steepness = Math.max(Math.abs(t), Math.abs(noncentrality));
    return steepness < STEEP
        ? chi.average(steepness, probability)
        : chi.averageOfStep(noncentrality / t, 1 / Math.abs(t), probability);
  }

  /** From here on panels need fewer evaluations than equal steps. */
  private static final double STEEP = 40;

  /**
   * The noncentrality under which P(T' &lt;= t) is a given probability: a limit for the
   * noncentrality behind an observed t.
   *
   * @param t observed
   * @param df degrees of freedom
   * @param probability between 0 and 1
   * @return the noncentrality; NaN if it is too far out to be found
   * @see "Steiger, J. H. and Fouladi, R. T. (1997). Noncentrality interval estimation. In: What if
   *     there were no significance tests? 221-257"
   */
  public static double noncentralityFor(double t, double df, double probability) {
    // P(T' <= t) falls as the noncentrality grows; its spread is that of t itself.
    double spread = 2 * Math.hypot(1, t / Math.sqrt(2 * df));
    double low = t - spread;
    double high = t + spread;
    for (int i = 0; i < MOST_STEPS && of(df, low).cumulativeProbability(t) < probability; i++) {
      low -= spread * Math.scalb(1.0, i);
    }
    for (int i = 0; i < MOST_STEPS && of(df, high).cumulativeProbability(t) > probability; i++) {
      high += spread * Math.scalb(1.0, i);
    }
    double atLow = probability - of(df, low).cumulativeProbability(t);
    double atHigh = probability - of(df, high).cumulativeProbability(t);
    if (!(atLow <= 0 && atHigh >= 0) || !Double.isFinite(high - low)) {
      return Double.NaN;
    }
    return new BrentSolver(QUANTILE_TOLERANCE, QUANTILE_TOLERANCE * Math.abs(t), 0)
        .findRoot(n -> probability - of(df, n).cumulativeProbability(t), low, high);
  }

  /** After so many doublings a limit lies farther out than any that could be read. */
  private static final int MOST_STEPS = 60;
}
