package app.knuckle.stats.power;

import app.knuckle.stats.distributions.NoncentralF;
import org.apache.commons.statistics.distribution.FDistribution;

/**
 * Power of a one-way analysis of variance with equal groups.
 *
 * @param df of the groups
 * @param errorDf of the error
 * @param noncentrality k n f^2
 * @param criticalF at the level of significance
 * @param power chance of a significant F
 * @see "Cohen, J. (1988). Statistical power analysis for the behavioral sciences, 2nd ed., chapter
 *     8"
 */
public record OneWayPower(
    double df, double errorDf, double noncentrality, double criticalF, double power) {

  private static final int MOST = 1_000_000;

  /**
   * The power of a plan.
   *
   * @param groups two or more
   * @param n units in each, two or more
   * @param f Cohen's f, above 0
   * @param alpha level of significance
   * @return the power
   */
  public static OneWayPower of(int groups, int n, double f, double alpha) {
    double df = groups - 1.0;
    double errorDf = groups * (n - 1.0);
    double noncentrality = groups * (double) n * f * f;
    double critical = FDistribution.of(df, errorDf).inverseSurvivalProbability(alpha);
    return new OneWayPower(
        df,
        errorDf,
        noncentrality,
        critical,
        NoncentralF.of(df, errorDf, noncentrality).survivalProbability(critical));
  }

  /**
   * The smallest n in each group with a wanted power.
   *
   * @param groups two or more
   * @param f Cohen's f, above 0
   * @param alpha level of significance
   * @param power wanted, below 1
   * @return from 2
   */
  public static int n(int groups, double f, double alpha, double power) {
    return Smallest.from(2, MOST, n -> of(groups, n, f, alpha).power() >= power);
  }
}
