package app.knuckle.stats.compare;

import app.knuckle.stats.Quantity;

/**
 * Two means and whether they differ.
 *
 * @param left index of the earlier mean
 * @param right index of the later mean
 * @param difference left less right, in units of the response
 * @param se standard error of the difference
 * @param df degrees of freedom of that standard error
 * @param statistic difference over its standard error (a t)
 * @param p adjusted as the procedure does
 * @param low lower end of the simultaneous interval
 * @param high its upper end
 * @param critical size of the statistic from which on the pair differs; absent if the procedure has
 *     none of its own
 * @param differs whether p is at most alpha; false without a p
 */
public record Pair(
    int left,
    int right,
    double difference,
    Quantity se,
    Quantity df,
    Quantity statistic,
    Quantity p,
    Quantity low,
    Quantity high,
    Quantity critical,
    boolean differs) {

  /**
   * Whether there is a p to judge by: false if the pair is absent: it neither differs nor is it
   * alike.
   */
  public boolean isJudged() {
    return p.exists();
  }
}
