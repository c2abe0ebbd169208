package app.knuckle.stats.counts;

import org.apache.commons.numbers.gamma.LogGamma;

/**
 * Deviances and log likelihoods of counts without cancellation.
 *
 * @see "Loader, C. (2000). Fast and accurate computation of binomial probabilities"
 */
final class Deviances {

  /** Departures below this share are summed as a series. */
  private static final double SMALL = 0.1;

  /** From here on the series of {@link #stirling} is right to all digits. */
  private static final double LARGE = 16;

  private Deviances() {}

  /** The log likelihood of a count whose mean it is itself. */
  static double saturated(double y) {
    return y == 0 ? 0 : -stirling(y) - Math.log(2 * Math.PI * y) / 2;
  }

  /** The log likelihood of so many of those tried, where their share is what is expected. */
  static double saturated(double y, double of) {
    return y == 0 || y == of
        ? 0
        : stirling(of)
            - stirling(y)
            - stirling(of - y)
            - Math.log(2 * Math.PI * y * ((of - y) / of)) / 2;
  }

  /** {@code ln n!} less Stirling's formula. */
  private static double stirling(double n) {
    if (n < LARGE) {
      return LogGamma.value(n + 1) - (n + 0.5) * Math.log(n) + n - Math.log(2 * Math.PI) / 2;
    }
    double m = 1 / (n * n);
    return (1 / 12.0 - m * (1 / 360.0 - m * (1 / 1260.0 - m * (1 / 1680.0 - m / 1188)))) / n;
  }

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
