package app.knuckle.stats.checks;

import app.knuckle.stats.Outcome;
import app.knuckle.stats.Quantity;

/**
 * Grubbs's test of the value farthest from the mean.
 *
 * @param n number of values
 * @param statistic its distance, in standard deviations
 * @param suspect the value
 * @param p a bound, exact when it is small
 * @param high of the largest value alone
 * @param low of the smallest value alone
 */
public record Grubbs(int n, Quantity statistic, Quantity suspect, Quantity p, Side high, Side low)
    implements Outcome {

  /**
   * One side.
   *
   * @param statistic distance from the mean, in standard deviations
   * @param p a bound
   */
  public record Side(Quantity statistic, Quantity p) implements Outcome {}
}
