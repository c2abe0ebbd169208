package app.knuckle.stats.counts;

/**
 * Deviance terms without cancellation.
 *
 * @see "Loader, C. (2000). Fast and accurate computation of binomial probabilities"
 */
final class Deviations {

  /** Departures below this share are summed as a series. */
  private static final double SMALL = 0.1;

  private Deviations() {}

  /** {@code y ln(y/mu) - (y - mu)}, with 0 ln 0 = 0. */
  static double term(double y, double mu) {
    if (y == 0) {
      return mu;
    }
    if (mu == 0) {
      return Double.POSITIVE_INFINITY;
    }
    double e = (y - mu) / mu;
    return mu * (Math.abs(e) < SMALL ? series(e) : y / mu * Math.log(y / mu) - e);
  }

  /** {@code (1 + e) ln(1 + e) - e = e^2/2 - e^3/6 + e^4/12 - ...}. */
  private static double series(double e) {
    double power = e * e;
    double sum = 0;
    for (int k = 2; ; k++) {
      double term = power / (k * (k - 1.0));
      double next = sum + (k % 2 == 0 ? term : -term);
      if (next == sum) {
        return sum;
      }
      sum = next;
      power *= e;
    }
  }
}
