package app.knuckle.stats.power;

import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.distributions.NoncentralT;
import java.util.OptionalInt;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * Power of a t-test.
 *
 * @param df degrees of freedom
 * @param noncentrality d over the root of the summed inverse sizes
 * @param criticalT at the level of significance
 * @param power chance of a significant t
 */
public record TPower(double df, double noncentrality, double criticalT, double power) {

  private static final int MOST = 10_000_000;

  /**
   * The power of a plan of two groups.
   *
   * @param n1 units in the first group
   * @param n2 units in the second
   * @param d Cohen's d, first less second
   * @param direction in which it is looked for
   * @param alpha level of significance
   * @return the power
   */
  public static TPower of(int n1, int n2, double d, Direction direction, double alpha) {
    return of(n1 + n2 - 2.0, d * Math.sqrt((double) n1 * n2 / (n1 + n2)), direction, alpha);
  }

  /**
   * The power of a plan of one sample, or of matched pairs.
   *
   * @param n units, or pairs
   * @param d mean, or mean difference, in standard deviations of a unit or of a difference
   * @param direction in which it is looked for
   * @param alpha level of significance
   * @return the power
   */
  public static TPower ofOne(int n, double d, Direction direction, double alpha) {
    return of(n - 1.0, d * Math.sqrt(n), direction, alpha);
  }

  private static TPower of(double df, double noncentrality, Direction direction, double alpha) {
    boolean either = direction == Direction.EITHER;
    double critical = TDistribution.of(df).inverseSurvivalProbability(either ? alpha / 2 : alpha);
    NoncentralT distribution = NoncentralT.of(df, noncentrality);
    double power =
        switch (direction) {
          case EITHER ->
              distribution.survivalProbability(critical)
                  + distribution.cumulativeProbability(-critical);
          case GREATER -> distribution.survivalProbability(critical);
          case LESS -> distribution.cumulativeProbability(-critical);
        };
    return new TPower(df, noncentrality, critical, power);
  }

  /**
   * The smallest n in each of two equal groups with a wanted power.
   *
   * @param d Cohen's d
   * @param direction in which it is looked for
   * @param alpha level of significance
   * @param power wanted, below 1
   * @return from 2; empty if more than ten million would be needed
   */
  public static OptionalInt n(double d, Direction direction, double alpha, double power) {
    return SmallestNumber.from(2, MOST, n -> of(n, n, d, direction, alpha).power() >= power);
  }

  /**
   * The smallest n of one sample, or number of pairs, with a wanted power.
   *
   * @param d as for one sample
   * @param direction in which it is looked for
   * @param alpha level of significance
   * @param power wanted, below 1
   * @return from 2; empty if more than ten million would be needed
   */
  public static OptionalInt nOfOne(double d, Direction direction, double alpha, double power) {
    return SmallestNumber.from(2, MOST, n -> ofOne(n, d, direction, alpha).power() >= power);
  }
}
