package app.knuckle.stats.checks;

import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.apache.commons.statistics.distribution.NormalDistribution;

/** Whether several measurements together could come from a multivariate normal distribution. */
public final class MultivariateNormality {

  private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

  private final double[][] standardised;
  private final int n;
  private final int p;

  private MultivariateNormality(double[][] standardised, int n, int p) {
    this.standardised = standardised;
    this.n = n;
    this.p = p;
  }

  /**
   * Standardises rows by their covariance matrix with divisor n.
   *
   * @param columns complete, of one length
   * @return null if one column depends on the others, or there are too few rows
   */
  public static MultivariateNormality of(double[][] columns) {
    int p = columns.length;
    int n = columns[0].length;
    if (n <= p) {
      return null;
    }
    double[][] x = new double[p][];
    for (int i = 0; i < p; i++) {
      double[] own = columns[i];
      double mean = own[0] + Arrays.stream(own).map(v -> v - own[0]).sum() / n;
      x[i] = Arrays.stream(own).map(v -> v - mean).toArray();
    }
    double[][] l = new double[p][p];
    for (int j = 0; j < p; j++) {
      for (int i = j; i < p; i++) {
        double sum = 0;
        for (int r = 0; r < n; r++) {
          sum += x[i][r] * x[j][r] / n;
        }
        double own = sum;
        for (int k = 0; k < j; k++) {
          sum -= l[i][k] * l[j][k];
        }
        if (i == j) {
          if (!(sum > own * 1e-12)) {
            return null;
          }
          l[j][j] = Math.sqrt(sum);
        } else {
          l[i][j] = sum / l[j][j];
        }
      }
    }
    double[][] z = new double[n][p];
    for (int r = 0; r < n; r++) {
      for (int i = 0; i < p; i++) {
        double sum = x[i][r];
        for (int k = 0; k < i; k++) {
          sum -= l[i][k] * z[r][k];
        }
        z[r][i] = sum / l[i][i];
      }
    }
    return new MultivariateNormality(z, n, p);
  }

  private double dot(int a, int b) {
    double sum = 0;
    for (int i = 0; i < p; i++) {
      sum += standardised[a][i] * standardised[b][i];
    }
    return sum;
  }

  /**
   * Mardia's skewness.
   *
   * @return n, skewness, statistic, df, p, smallSample
   * @see "Mardia, K. V. (1970). Biometrika 57, 519-530; (1974). Sankhya B 36, 115-128"
   */
  public MultivariateNormalityTest.Skewness skewness() {
    // The mean cube of all inner products is the sum of squared third moments: linear in rows.
    double b = 0;
    for (int i = 0; i < p; i++) {
      for (int j = 0; j < p; j++) {
        for (int k = 0; k < p; k++) {
          double moment = 0;
          for (double[] z : standardised) {
            moment += z[i] * z[j] * z[k];
          }
          b += moment / n * (moment / n);
        }
      }
    }
    double df = p * (p + 1.0) * (p + 2) / 6;
    double statistic = n * b / 6;
    double factor = (p + 1.0) * (n + 1.0) * (n + 3) / (n * ((n + 1.0) * (p + 1) - 6));
    ChiSquaredDistribution distribution = ChiSquaredDistribution.of(df);
    return new MultivariateNormalityTest.Skewness(
        n,
        b,
        statistic,
        List.of(df),
        Quantity.of(distribution.survivalProbability(statistic)),
        new MultivariateNormalityTest.Small(
            statistic * factor, Quantity.of(distribution.survivalProbability(statistic * factor))));
  }

  /** Mardia's kurtosis: n, kurtosis, statistic, p. */
  public MultivariateNormalityTest.Kurtosis kurtosis() {
    double b = 0;
    for (int i = 0; i < n; i++) {
      double d = dot(i, i);
      b += d * d / n;
    }
    double z = (b - p * (p + 2.0)) / Math.sqrt(8.0 * p * (p + 2) / n);
    return new MultivariateNormalityTest.Kurtosis(
        n, b, z, Quantity.of(Math.min(1, 2 * NORMAL.survivalProbability(Math.abs(z)))));
  }

  /**
   * The squared distance of each row from the mean, in the metric of the covariance matrix with
   * divisor n - 1.
   *
   * @return one a row, at least 0
   * @see "Mahalanobis, P. C. (1936). Proceedings of the National Institute of Sciences of India 2,
   *     49-55"
   */
  public double[] distances() {
    double share = (n - 1.0) / n;
    return IntStream.range(0, n).mapToDouble(i -> share * dot(i, i)).toArray();
  }

  /**
   * The Henze-Zirkler test. Its time grows with the square of the rows.
   *
   * @param progress asked on the way
   * @return n, smoothing, statistic, mean, variance, p
   * @see "Henze, N. and Zirkler, B. (1990). Communications in Statistics: Theory and Methods 19,
   *     3595-3617"
   */
  public MultivariateNormalityTest.HenzeZirkler henzeZirkler(Progress progress) {
    double beta = Math.pow((2 * p + 1.0) * n / 4, 1.0 / (p + 4)) / Math.sqrt(2);
    double c = beta * beta;
    double[] own = IntStream.range(0, n).mapToDouble(i -> dot(i, i)).toArray();
    double singles = Arrays.stream(own).map(d -> Math.exp(-c * d / (2 * (1 + c))) / n).sum();
    // Side by side, each row with those before it; summed in the order of the rows.
    double[] before =
        IntStream.range(0, n)
            .parallel()
            .mapToDouble(
                i -> {
                  progress.check();
                  double sum = 0;
                  for (int j = 0; j < i; j++) {
                    sum += Math.exp(-c * (own[i] + own[j] - 2 * dot(i, j)) / 2);
                  }
                  return sum;
                })
            .toArray();
    double pairs = (n + 2 * Arrays.stream(before).sum()) / n / n;
    double t =
        n * (pairs - 2 * Math.pow(1 + c, -p / 2.0) * singles + Math.pow(1 + 2 * c, -p / 2.0));
    double a = 1 + 2 * c;
    double w = (1 + c) * (1 + 3 * c);
    double c2 = c * c;
    double c4 = c2 * c2;
    double mean = 1 - Math.pow(a, -p / 2.0) * (1 + p * c / a + p * (p + 2) * c2 / (2 * a * a));
    double variance =
        2 * Math.pow(1 + 4 * c, -p / 2.0)
            + 2
                * Math.pow(a, -p)
                * (1 + 2 * p * c2 / (a * a) + 3 * p * (p + 2) * c4 / (4 * Math.pow(a, 4)))
            - 4
                * Math.pow(w, -p / 2.0)
                * (1 + 3 * p * c2 / (2 * w) + p * (p + 2) * c4 / (2 * w * w));
    double s2 = Math.log1p(variance / (mean * mean));
    double z = (Math.log(t) - Math.log(mean) + s2 / 2) / Math.sqrt(s2);
    return new MultivariateNormalityTest.HenzeZirkler(
        n, beta, t, mean, variance, Quantity.of(t > 0 ? NORMAL.survivalProbability(z) : 1));
  }
}
