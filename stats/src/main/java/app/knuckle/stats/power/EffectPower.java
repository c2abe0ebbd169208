package app.knuckle.stats.power;

import app.knuckle.stats.distributions.NoncentralF;
import java.util.OptionalInt;
import org.apache.commons.statistics.distribution.FDistribution;

/**
 * Power of the F test of an effect: the treatment of a one-way layout, or a main effect or an
 * interaction of a factorial.
 *
 * @param df of the effect
 * @param errorDf of the error
 * @param noncentrality cells n f^2 where cells are equal
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
    return of(
        sought.df,
        sought.cells * (n - 1.0),
        sought.cells * (double) n * sought.f * sought.f,
        sought.alpha);
  }

  /**
   * The power of any F test.
   *
   * @param df of the effect
   * @param errorDf of the error
   * @param noncentrality sum over the effect's cells of rows times squared effect, over the error
   *     mean square
   * @param alpha level of significance
   * @return the power
   */
  public static EffectPower of(double df, double errorDf, double noncentrality, double alpha) {
    double critical = FDistribution.of(df, errorDf).inverseSurvivalProbability(alpha);
    double power = NoncentralF.of(df, errorDf, noncentrality).survivalProbability(critical);
    return new EffectPower(df, errorDf, noncentrality, critical, power);
  }

  /**
   * The smallest n in each cell with a wanted power.
   *
   * @param sought the effect
   * @param power wanted, below 1
   * @return from 2; empty if more than a million would be needed
   */
  public static OptionalInt n(Sought sought, double power) {
    return SmallestNumber.from(2, MOST, n -> of(sought, n).power() >= power);
  }
}
