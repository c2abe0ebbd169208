package app.knuckle.stats.multivariate;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.apache.commons.statistics.distribution.FDistribution;

/**
 * Whether groups have the same covariance matrix.
 *
 * @param m the statistic
 * @param chiSquared the statistic, corrected
 * @param df degrees of freedom of both approximations
 * @param p by chi-squared
 * @param f the F approximation
 * @param fErrorDf its second degrees of freedom
 * @param fP by F
 * @see "Box, G. E. P. (1949). A general distribution theory for a class of likelihood criteria.
 *     Biometrika 36, 317-346"
 */
public record BoxM(
    Quantity m,
    Quantity chiSquared,
    double df,
    Quantity p,
    Quantity f,
    Quantity fErrorDf,
    Quantity fP) {

  /**
   * Tests groups.
   *
   * @param sizes values of each group
   * @param within sums of squares and products of each group about its own means
   * @return the test; absent if a group has no more values than there are responses, or no full
   *     rank
   */
  public static BoxM of(long[] sizes, double[][][] within) {
    int k = sizes.length;
    int p = within[0].length;
    double df = p * (p + 1.0) * (k - 1) / 2;
    double n = 0;
    double[][] pooled = new double[p][p];
    double inverse = 0;
    double inverse2 = 0;
    for (int g = 0; g < k; g++) {
      if (sizes[g] <= p) {
        return none(df, Absence.A_GROUP_TOO_SMALL_FOR_RESPONSES);
      }
      n += sizes[g];
      inverse += 1 / (sizes[g] - 1.0);
      inverse2 += 1 / ((sizes[g] - 1.0) * (sizes[g] - 1.0));
      for (int i = 0; i < p; i++) {
        for (int j = 0; j < p; j++) {
          pooled[i][j] += within[g][i][j];
        }
      }
    }
    Double logPooled = logDeterminant(pooled, n - k);
    double m = logPooled == null ? 0 : (n - k) * logPooled;
    for (int g = 0; g < k; g++) {
      Double own = logDeterminant(within[g], sizes[g] - 1.0);
      if (own == null || logPooled == null) {
        return none(df, Absence.RESPONSES_DEPEND);
      }
      m -= (sizes[g] - 1.0) * own;
    }
    if (k < 2) {
      return none(df, Absence.ONE_GROUP);
    }
    double c1 = (inverse - 1 / (n - k)) * (2.0 * p * p + 3 * p - 1) / (6.0 * (p + 1) * (k - 1));
    double c2 = (inverse2 - 1 / ((n - k) * (n - k))) * (p - 1.0) * (p + 2) / (6.0 * (k - 1));
    double chi = m * (1 - c1);
    double d2 = (df + 2) / Math.abs(c2 - c1 * c1);
    double f;
    if (c2 > c1 * c1) {
      f = m * (1 - c1 - df / d2) / df;
    } else {
      double b = d2 / (1 - c1 + 2 / d2);
      f = d2 * m / (df * (b - m));
    }
    return new BoxM(
        Quantity.of(m),
        Quantity.of(chi),
        df,
        Quantity.of(ChiSquaredDistribution.of(df).survivalProbability(chi)),
        Quantity.of(f),
        Quantity.of(d2),
        Quantity.of(FDistribution.of(df, d2).survivalProbability(f)));
  }

  private static BoxM none(double df, Absence why) {
    Quantity none = Quantity.absent(why);
    return new BoxM(none, none, df, none, none, none, none);
  }

  private static Double logDeterminant(double[][] sums, double divisor) {
    double[][] root = MultivariateTest.cholesky(sums);
    if (root == null) {
      return null;
    }
    double log = 0;
    for (int i = 0; i < root.length; i++) {
      log += 2 * Math.log(root[i][i]) - Math.log(divisor);
    }
    return log;
  }
}
