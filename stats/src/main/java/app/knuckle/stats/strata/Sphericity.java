package app.knuckle.stats.strata;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/**
 * Whether differences between occasions have equal variances, and by how much F must be corrected
 * if not.
 *
 * @param w Mauchly's statistic
 * @param chiSquared its approximation
 * @param df degrees of freedom of it
 * @param p its probability
 * @param greenhouseGeisser factor for both degrees of freedom; Greenhouse and Geisser (1959)
 * @param huynhFeldt factor, not cut at 1; Huynh and Feldt (1976)
 * @param lecoutre the same as corrected by Lecoutre (1991), not cut at 1
 * @param lowerBound the smallest it can be
 * @see "Mauchly, J. W. (1940). Annals of Mathematical Statistics 11, 204-209"
 */
public record Sphericity(
    Quantity w,
    Quantity chiSquared,
    int df,
    Quantity p,
    Quantity greenhouseGeisser,
    Quantity huynhFeldt,
    Quantity lecoutre,
    double lowerBound) {

  /** What is left of a whole number after rounding, as a share. */
  private static final double ROUNDING = 1e-9;

  /**
   * From the values of whole units.
   *
   * @param values one row a unit, one column an occasion, two or more
   * @param groups group of each unit
   * @param groupCount how many groups there are
   * @return the tests; absent where there are too few units
   */
  public static Sphericity of(double[][] values, int[] groups, int groupCount) {
    return ofTerm(
        values, new int[] {values[0].length}, new boolean[] {true}, groups, groupCount, 0);
  }

  /**
   * The same for a term of one or more of several occasion factors: its own contrasts, averaged
   * over the other factors.
   *
   * @param values one row a unit, one column a combination, the last factor running fastest
   * @param sizes levels of each factor
   * @param inTerm which factors the term has
   * @param groups group of each unit
   * @param groupCount how many groups there are
   * @param noise how far values may be apart by rounding alone
   * @return the tests; absent where there are too few units
   * @see "Rouanet, H. and Lepine, D. (1970). British Journal of Mathematical and Statistical
   *     Psychology 23, 147-163, on the contrasts of an effect"
   */
  public static Sphericity ofTerm(
      double[][] values,
      int[] sizes,
      boolean[] inTerm,
      int[] groups,
      int groupCount,
      double noise) {
    int n = values.length;
    double[][] contrasts = new double[n][];
    for (int u = 0; u < n; u++) {
      contrasts[u] = contrasts(values[u], sizes, inTerm);
    }
    int d = contrasts[0].length;
    int df = d * (d + 1) / 2 - 1;
    double[][] s = covariance(contrasts, groups, groupCount);
    double trace = 0;
    double squares = 0;
    for (int i = 0; i < d; i++) {
      trace += s[i][i];
      for (int j = 0; j < d; j++) {
        squares += s[i][j] * s[i][j];
      }
    }
    Quantity none = Quantity.absent(Absence.NO_SPREAD_WITHIN_UNITS);
    if (n - groupCount < 1 || !(Math.sqrt(trace) > noise)) {
      return new Sphericity(none, none, df, none, none, none, none, 1.0 / Math.max(1, d));
    }
    double gg = trace * trace / (d * squares);
    // With hardly more units than occasions there is nothing left to divide by.
    double left = n - groupCount - d * gg;
    boolean some = left > ROUNDING * n;
    double hf = some ? (n * d * gg - 2) / (d * left) : Double.NaN;
    double lecoutre = some ? ((n - groupCount + 1.0) * d * gg - 2) / (d * left) : Double.NaN;
    Quantity w = Quantity.absent(Absence.TWO_OCCASIONS);
    Quantity chi = w;
    Quantity p = w;
    if (d > 1) {
      double statistic = determinant(s) / Math.pow(trace / d, d);
      boolean enough = n - groupCount >= d && statistic > 0;
      Quantity few = Quantity.absent(Absence.TOO_FEW_UNITS);
      double v = n - groupCount;
      double chiValue = -v * (1 - (2.0 * d * d + d + 2) / (6 * d * v)) * Math.log(statistic);
      w = enough ? Quantity.of(statistic) : few;
      chi = enough ? Quantity.of(chiValue) : few;
      p =
          enough
              ? Quantity.of(
                  ChiSquaredDistribution.of(df).survivalProbability(Math.max(0, chiValue)))
              : few;
    }
    return new Sphericity(
        w,
        chi,
        df,
        p,
        Quantity.of(gg),
        Quantity.finite(hf, Absence.TOO_FEW_UNITS),
        Quantity.finite(lecoutre, Absence.TOO_FEW_UNITS),
        1.0 / Math.max(1, d));
  }

  /**
   * Orthonormal contrasts of one unit: along factors of the term each level against the mean of
   * those before it, along the others the sum, scaled to length 1.
   */
  private static double[] contrasts(double[] values, int[] sizes, boolean[] inTerm) {
    double[] now = values;
    int before = 1;
    int after = values.length;
    for (int f = 0; f < sizes.length; f++) {
      int size = sizes[f];
      int left = inTerm[f] ? size - 1 : 1;
      after /= size;
      double[] next = new double[before * left * after];
      for (int b = 0; b < before; b++) {
        for (int a = 0; a < after; a++) {
          double sum = 0;
          for (int j = 0; j < size; j++) {
            double value = now[(b * size + j) * after + a];
            if (inTerm[f] && j > 0) {
              next[(b * left + j - 1) * after + a] = (value - sum / j) * Math.sqrt(j / (j + 1.0));
            }
            sum += value;
          }
          if (!inTerm[f]) {
            next[b * after + a] = sum / Math.sqrt(size);
          }
        }
      }
      now = next;
      before *= left;
    }
    return now;
  }

  private static double[][] covariance(double[][] x, int[] groups, int groupCount) {
    int d = x[0].length;
    double[][] means = new double[groupCount][d];
    int[] counts = new int[groupCount];
    for (int u = 0; u < x.length; u++) {
      counts[groups[u]]++;
      for (int i = 0; i < d; i++) {
        means[groups[u]][i] += x[u][i];
      }
    }
    double[][] s = new double[d][d];
    for (int u = 0; u < x.length; u++) {
      double[] mean = means[groups[u]];
      for (int i = 0; i < d; i++) {
        for (int j = 0; j < d; j++) {
          s[i][j] +=
              (x[u][i] - mean[i] / counts[groups[u]])
                  * (x[u][j] - mean[j] / counts[groups[u]])
                  / (x.length - groupCount);
        }
      }
    }
    return s;
  }

  private static double determinant(double[][] matrix) {
    return CommonOps_DDRM.det(new DMatrixRMaj(matrix));
  }
}
