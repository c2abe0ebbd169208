package app.knuckle.stats.checks;

import app.knuckle.stats.Outcome;
import app.knuckle.stats.Quantity;
import java.util.List;

/** A test of whether several measurements together could be normal. */
public sealed interface MultivariateNormalityTest extends Outcome {

  /**
   * Mardia's skewness.
   *
   * @param n number of rows
   * @param skewness 0 for a normal distribution
   * @param statistic chi-squared
   * @param df of it
   * @param p upper tail
   * @param smallSample the same with Mardia's factor for few rows
   */
  record Skewness(
      int n, double skewness, double statistic, List<Double> df, Quantity p, Small smallSample)
      implements MultivariateNormalityTest {}

  /**
   * A statistic corrected for few rows.
   *
   * @param statistic chi-squared
   * @param p upper tail
   */
  record Small(double statistic, Quantity p) implements Outcome {}

  /**
   * Mardia's kurtosis.
   *
   * @param n number of rows
   * @param kurtosis p(p + 2) for p normal measurements
   * @param statistic z
   * @param p both tails
   */
  record Kurtosis(int n, double kurtosis, double statistic, Quantity p)
      implements MultivariateNormalityTest {}

  /**
   * Henze and Zirkler's.
   *
   * @param n number of rows
   * @param smoothing beta
   * @param statistic T, at least 0
   * @param mean of T
   * @param variance of T
   * @param p upper tail, from the lognormal distribution
   */
  record HenzeZirkler(
      int n, double smoothing, double statistic, double mean, double variance, Quantity p)
      implements MultivariateNormalityTest {}
}
