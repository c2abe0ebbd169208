package app.knuckle.stats.unequal;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.means.Covariance;
import app.knuckle.stats.means.DegreesOfFreedom;
import app.knuckle.stats.means.Estimates;
import app.knuckle.stats.summary.GroupMoments;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.FDistribution;

/** One-way tests that take a separate variance for each group. */
public final class UnequalSpread {

  private UnequalSpread() {}

  /**
   * A test with two degrees of freedom.
   *
   * @param df of the groups
   * @param f the statistic
   * @param errorDf not rounded
   * @param p its probability
   * @param criticalF at the level of significance
   */
  public record FTest(double df, Quantity f, Quantity errorDf, Quantity p, Quantity criticalF) {

    static FTest of(double df, double f, double errorDf, double alpha) {
      FDistribution distribution = FDistribution.of(df, errorDf);
      return new FTest(
          df,
          Quantity.of(f),
          Quantity.of(errorDf),
          Quantity.of(distribution.survivalProbability(f)),
          Quantity.of(distribution.inverseSurvivalProbability(alpha)));
    }

    static FTest none(double df, Absence why) {
      Quantity none = Quantity.absent(why);
      return new FTest(df, none, none, none, none);
    }
  }

  private static boolean hasLone(GroupMoments moments) {
    return IntStream.range(0, moments.groups()).anyMatch(g -> moments.count(g) < 2);
  }

  private static double variance(GroupMoments moments, int g) {
    return moments.sumOfSquares(g) / (moments.count(g) - 1.0);
  }

  /**
   * Welch's test.
   *
   * @param moments of two groups or more, none empty
   * @param alpha level of significance
   * @return the test; absent with a lone group or one without spread
   * @see "Welch, B. L. (1951). On the comparison of several mean values. Biometrika 38, 330-336"
   */
  public static FTest welch(GroupMoments moments, double alpha) {
    int k = moments.groups();
    if (hasLone(moments)) {
      return FTest.none(k - 1.0, Absence.A_GROUP_OF_ONE);
    }
    double sumW = 0;
    double mean = 0;
    for (int g = 0; g < k; g++) {
      double v = variance(moments, g);
      if (v == 0) {
        return FTest.none(k - 1.0, Absence.A_GROUP_HAS_NO_SPREAD);
      }
      double w = moments.count(g) / v;
      sumW += w;
      mean += w * moments.deviation(g);
    }
    mean /= sumW;
    double between = 0;
    double a = 0;
    for (int g = 0; g < k; g++) {
      double w = moments.count(g) / variance(moments, g);
      double d = moments.deviation(g) - mean;
      between += w * d * d;
      double rest = 1 - w / sumW;
      a += rest * rest / (moments.count(g) - 1.0);
    }
    double f = between / (k - 1.0) / (1 + 2 * (k - 2.0) * a / (k * (double) k - 1));
    return FTest.of(k - 1.0, f, (k * (double) k - 1) / (3 * a), alpha);
  }

  /**
   * Brown and Forsythe's test.
   *
   * @param moments of two groups or more, none empty
   * @param alpha level of significance
   * @return the test; absent with a lone group or without any spread
   * @see "Brown, M. B. and Forsythe, A. B. (1974). The small sample behavior of some statistics
   *     which test the equality of several means. Technometrics 16, 129-132"
   */
  public static FTest brownForsythe(GroupMoments moments, double alpha) {
    int k = moments.groups();
    if (hasLone(moments)) {
      return FTest.none(k - 1.0, Absence.A_GROUP_OF_ONE);
    }
    double n = moments.total();
    double grand = 0;
    for (int g = 0; g < k; g++) {
      grand += moments.count(g) * moments.deviation(g) / n;
    }
    double between = 0;
    double d = 0;
    for (int g = 0; g < k; g++) {
      double away = moments.deviation(g) - grand;
      between += moments.count(g) * away * away;
      d += (1 - moments.count(g) / n) * variance(moments, g);
    }
    if (d == 0) {
      return FTest.none(k - 1.0, Absence.A_GROUP_HAS_NO_SPREAD);
    }
    double inverse = 0;
    for (int g = 0; g < k; g++) {
      double c = (1 - moments.count(g) / n) * variance(moments, g) / d;
      inverse += c * c / (moments.count(g) - 1.0);
    }
    return FTest.of(k - 1.0, between / d, 1 / inverse, alpha);
  }

  /**
   * Means with separate variances and degrees of freedom; differences with Welch's.
   *
   * @param moments of the groups
   * @return the estimates
   */
  public static Estimates estimates(GroupMoments moments) {
    int k = moments.groups();
    double[] deviations = new double[k];
    long[] counts = new long[k];
    double[] variances = new double[k];
    for (int g = 0; g < k; g++) {
      deviations[g] = moments.deviation(g);
      counts[g] = moments.count(g);
      variances[g] = counts[g] < 2 ? Double.NaN : variance(moments, g) / counts[g];
    }
    return new Estimates(
        moments.origin(),
        deviations,
        counts,
        Covariance.independent(variances),
        new DegreesOfFreedom() {
          @Override
          public double of(int i) {
            return counts[i] - 1.0;
          }

          @Override
          public double ofDifference(int i, int j) {
            double u = variances[i];
            double v = variances[j];
            return (u + v) * (u + v) / (u * u / (counts[i] - 1.0) + v * v / (counts[j] - 1.0));
          }
        });
  }
}
