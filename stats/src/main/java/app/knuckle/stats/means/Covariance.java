package app.knuckle.stats.means;

/** Variances of estimates and the covariances between them, in squared units of the response. */
public interface Covariance {

  /**
   * Variance of one estimate.
   *
   * @param i from 0
   * @return at least 0, or NaN when there is none
   */
  double variance(int i);

  /**
   * Covariance of two estimates.
   *
   * @param i from 0
   * @param j from 0, another one
   * @return the covariance
   */
  double between(int i, int j);

  /**
   * Variance of a difference, which summing the above would give with less digits.
   *
   * @param i one mean
   * @param j another
   * @return at least 0
   */
  default double ofDifference(int i, int j) {
    return variance(i) + variance(j) - 2 * between(i, j);
  }

  /**
   * Estimates that vary independently, as means of separate groups do.
   *
   * @param variances of each estimate
   * @return their covariance
   */
  static Covariance independent(double[] variances) {
    double[] own = variances.clone();
    return new Covariance() {
      @Override
      public double variance(int i) {
        return own[i];
      }

      @Override
      public double between(int i, int j) {
        return 0;
      }
    };
  }
}
