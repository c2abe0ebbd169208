package app.knuckle.stats.power;

import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.distributions.NoncentralT;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * Power of a t-test of two groups.
 *
 * @param df degrees of freedom
 * @param noncentrality d over the root of the summed inverse sizes
 * @param criticalT at the level of significance
 * @param power chance of a significant t
 */
public record TwoGroupPower(double df, double noncentrality, double criticalT, double power) {

  private static final int MOST = 10_000_000;

  /**
   * The power of a plan.
   *
   * @param n1 units in the first group
   * @param n2 units in the second
   * @param d Cohen's d, first less second
   * @param direction in which it is looked for
   * @param alpha level of significance
   * @return the power
   */
  public static TwoGroupPower of(int n1, int n2, double d, Direction direction, double alpha) {
    double df = n1 + n2 - 2.0;
    double noncentrality = d * Math.sqrt((double) n1 * n2 / (n1 + n2));
    boolean either = direction == Direction.EITHER;
    double critical = TDistribution.of(df).inverseSurvivalProbability(either ? alpha / 2 : alpha);
    NoncentralT law = NoncentralT.of(df, noncentrality);
    double power =
        switch (direction) {
          case EITHER -> law.survivalProbability(critical) + law.cumulativeProbability(-critical);
          case GREATER -> law.survivalProbability(critical);
          case LESS -> law.cumulativeProbability(-critical);
        };
    return new TwoGroupPower(df, noncentrality, critical, power);
  }

  /**
   * The smallest n in each of two equal groups with a wanted power.
   *
   * @param d Cohen's d
   * @param direction in which it is looked for
   * @param alpha level of significance
   * @param power wanted, below 1
   * @return from 2
   */
  public static int n(double d, Direction direction, double alpha, double power) {
    return Smallest.from(2, MOST, n -> of(n, n, d, direction, alpha).power() >= power);
  }
}
