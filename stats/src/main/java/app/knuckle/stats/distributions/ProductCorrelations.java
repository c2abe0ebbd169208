package app.knuckle.stats.distributions;

/** Correlations that are products of one number a variable. */
final class ProductCorrelations {
  /** Products that meet the correlations this closely are them; a p then errs by less. */
  private static final double SAME = 1e-10;

  /** Correlations below this are none. */
  private static final double NOTHING = 1e-13;

  /** Squares of loadings are held below 1, so that each variable keeps some variance of its own. */
  private static final double MOST = 1 - 1e-12;

  private ProductCorrelations() {}

  /**
   * Loadings l with r_ij = l_i l_j.
   *
   * @param r a correlation matrix
   * @return null if there are none
   */
  static double[] of(double[][] r) {
    int n = r.length;
    double[] l = new double[n];
    if (n == 2) {
      l[0] = Math.sqrt(Math.min(MOST, Math.abs(r[0][1])));
      l[1] = Math.copySign(l[0], r[0][1]);
    } else if (n > 2) {
      for (int i = 0; i < n; i++) {
        double square = square(r, i);
        if (square < -SAME || square > 1 + SAME) {
          return null;
        }
        l[i] = Math.sqrt(Math.max(0, Math.min(MOST, square)));
      }
      sign(l, r);
    }
    for (int i = 0; i < n; i++) {
      for (int j = 0; j < i; j++) {
        if (!(Math.abs(l[i] * l[j] - r[i][j]) <= SAME)) {
          return null;
        }
      }
    }
    return l;
  }

  /** The square of a loading from the two others that tell it best. */
  private static double square(double[][] r, int i) {
    double best = NOTHING;
    double square = 0;
    for (int j = 0; j < r.length; j++) {
      for (int k = 0; k < j; k++) {
        if (j != i && k != i && Math.abs(r[j][k]) > best) {
          best = Math.abs(r[j][k]);
          square = r[i][j] * r[i][k] / r[j][k];
        }
      }
    }
    // Where the others share nothing, at most one of them shares something with this one.
    double most = 0;
    for (int j = 0; j < r.length && best == NOTHING; j++) {
      most = j == i ? most : Math.max(most, Math.abs(r[i][j]));
    }
    return best == NOTHING ? most : square;
  }

  private static void sign(double[] l, double[][] r) {
    int top = 0;
    for (int i = 1; i < l.length; i++) {
      top = l[i] > l[top] ? i : top;
    }
    for (int i = 0; i < l.length; i++) {
      l[i] = i != top && r[i][top] < 0 ? -l[i] : l[i];
    }
  }
}
