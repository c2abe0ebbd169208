package app.knuckle.stats.compare;

/**
 * Orthogonal polynomials over levels that are numbers at any spacing.
 *
 * @see "Fisher, R. A. (1925). Statistical methods for research workers, section 27"
 */
public final class Trend {

  private Trend() {}

  /**
   * Weights of the trends of degree 1 and up, by Gram and Schmidt's way; every level counts once.
   *
   * @param levels rising, all different
   * @param degree the highest, below the number of levels
   * @return one array a degree, of unit length, the weight of the largest level positive
   */
  public static double[][] weights(double[] levels, int degree) {
    int k = levels.length;
    double centre = 0;
    for (double x : levels) {
      centre += x / k;
    }
    double widest = 0;
    for (double x : levels) {
      widest = Math.max(widest, Math.abs(x - centre));
    }
    double[][] basis = new double[degree + 1][k];
    for (int d = 0; d <= degree; d++) {
      for (int i = 0; i < k; i++) {
        // The next power is x times the one before, already free of lower powers.
        basis[d][i] = d == 0 ? 1 : basis[d - 1][i] * (levels[i] - centre) / widest;
      }
      // Twice, since once leaves rounding errors when the levels lie far apart.
      for (int pass = 0; pass < 2; pass++) {
        for (int e = 0; e < d; e++) {
          double dot = 0;
          for (int i = 0; i < k; i++) {
            dot += basis[d][i] * basis[e][i];
          }
          for (int i = 0; i < k; i++) {
            basis[d][i] -= dot * basis[e][i];
          }
        }
      }
      double length = 0;
      for (double x : basis[d]) {
        length += x * x;
      }
      double sign = basis[d][k - 1] < 0 ? -1 : 1;
      for (int i = 0; i < k; i++) {
        basis[d][i] *= sign / Math.sqrt(length);
      }
    }
    double[][] weights = new double[degree][];
    System.arraycopy(basis, 1, weights, 0, degree);
    return weights;
  }
}
