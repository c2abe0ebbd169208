package app.knuckle.stats.power;

import app.knuckle.stats.distributions.NoncentralF;
import java.util.OptionalInt;
import org.apache.commons.statistics.distribution.FDistribution;

/**
 * Power of the F test of an effect in a layout of equal cells: the treatment of a one-way layout,
 * or a main effect or an interaction of a factorial.
 *
 * @param df of the effect
 * @param errorDf of the error
 * @param noncentrality cells n f^2
 * @param criticalF at the level of significance
 * @param power chance of a significant F
 * @see "Cohen, J. (1988). Statistical power analysis for the behavioral sciences, 2nd ed., chapter
 *     8"
 */
public record EffectPower(
    double df, double errorDf, double noncentrality, double criticalF, double power) {

  private static final int MOST = 1_000_000;

  /**
   * An effect that is looked for.
   *
   * @param df degrees of freedom, 1 or more: groups less one, or the product of levels less one
   * @param cells combinations of all treatments, more than df
   * @param f Cohen's f, above 0
   * @param alpha level of significance
   */
  public record Sought(int df, int cells, double f, double alpha) {}

  /**
   * The power of a plan.
   *
   * @param sought the effect
   * @param n units in each cell, two or more
   * @return the power
   */
  public static EffectPower of(Sought sought, int n) {
    double errorDf = sought.cells * (n - 1.0);
    double noncentrality = sought.cells * (double) n * sought.f * sought.f;
    double critical = FDistribution.of(sought.df, errorDf).inverseSurvivalProbability(sought.alpha);
    return new EffectPower(
        sought.df,
        errorDf,
        noncentrality,
        critical,
        NoncentralF.of(sought.df, errorDf, noncentrality).survivalProbability(critical));
  }

  /**
   * The smallest n in each cell with a wanted power.
   *
   * @param sought the effect
   * @param power wanted, below 1
   * @return from 2; empty if more than a million would be needed
   */
  public static OptionalInt n(Sought sought, double power) {
    return Smallest.from(2, MOST, n -> of(sought, n).power() >= power);
  }
}
