package app.knuckle.stats.distributions;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.commons.numbers.gamma.Erfc;

/**
 * The range (largest minus smallest) of k independent standard normal values.
 *
 * <p>With z the largest value, {@code P(range <= w) = k Int phi(z) [Phi(z) - Phi(z - w)]^(k-1) dz}.
 * The integrand is analytic and falls like a normal density on both sides, so the trapezoidal rule
 * on a uniform grid converges geometrically (Trefethen and Weideman 2014, SIAM Review 56, 385-458).
 * The upper tail is the sum of {@code Phi^(k-1) - [Phi - Phi(z - w)]^(k-1)}, which is positive term
 * by term and loses no digits however small it is.
 */
final class NormalRange {

  /**
   * Grid step in standard deviations. The peak of the integrand narrows to about 0.43 for 100
   * values; halving this step changes no probability by more than 1e-14 there.
   */
  private static final double STEP = 0.125;

  /** The error of steps of this many deviations of a normal density is exp(-2 pi^2 / step^2). */
  private static final double STEP_IN_DEVIATIONS = 0.6;

  /** As fine as 10,000 values need, which no experiment has means. */
  private static final double FINEST = 0.006;

  /** Beyond this the normal density is below 1e-37 of its peak, nothing beside any middling sum. */
  private static final double REACH = 13;

  /**
   * A far tail gathers where the largest is w / 2 and the smallest -w / 2, with a deviation of
   * about 0.7: this far beyond, its terms are below 1e-30 of their peak.
   */
  private static final double BESIDE_PEAK = 8.5;

  /** The largest value, where the farthest tail that is a double gathers, and what lies beside. */
  private static final double FARTHEST = 37;

  /** Terms of the farthest tails are no doubles by themselves. */
  private static final double SCALE = 0x1.0p600;

  private static final int NODES = (int) Math.round((REACH + FARTHEST) / STEP) + 1;

  /** The last node within reach of 0. */
  private static final int WITHIN_REACH = (int) Math.round(2 * REACH / STEP);

  private static final double[] Z = new double[NODES];
  private static final double[] LOWER = new double[NODES];
  private static final double INVERSE_ROOT_TWO_PI = 1 / Math.sqrt(2 * Math.PI);
  private static final double INVERSE_ROOT_TWO = Math.sqrt(0.5);

  /** A term below this share of the sum so far can no longer change its double. */
  private static final double NEGLIGIBLE = 0x1.0p-60;

  static {
    for (int i = 0; i < NODES; i++) {
      Z[i] = -REACH + i * STEP;
      LOWER[i] = lowerTail(Z[i]);
    }
  }

  private final int values;

  /** {@code STEP k phi(z) Phi(z)^(k-1)}: the density of the largest value, times the step. */
  private final double[] largest = new double[NODES];

  private static final Map<Integer, NormalRange> KNOWN = new ConcurrentHashMap<>();

  private final Remembered knownLower;
  private final Remembered knownUpper;
  private final int first;
  private final int last;
  private final int near;

  private NormalRange(int values) {
    this.values = values;
    knownLower = Remembered.shared(w -> Math.log(summedLower(w)) - logNearNothing(w));
    knownUpper = Remembered.shared(this::logSummedUpper);
    int from = NODES;
    int to = 0;
    for (int i = 0; i < NODES; i++) {
      double density = INVERSE_ROOT_TWO_PI * Math.exp(-0.5 * Z[i] * Z[i]);
      largest[i] = STEP * values * density * Math.pow(LOWER[i], values - 1.0);
      if (largest[i] > Double.MIN_NORMAL) {
        from = Math.min(from, i);
        to = i;
      }
    }
    first = from;
    last = to;
    near = Math.min(last, WITHIN_REACH);
  }

  /**
   * The range of so many values.
   *
   * @param values 2 or more
   * @return the same one each time, since it remembers what it was asked
   */
  static NormalRange of(int values) {
    return KNOWN.computeIfAbsent(values, NormalRange::new);
  }

  /**
   * Beyond this the tail is no double: it is less than k^2 / 2 times that of the difference of two
   * values, whose logarithm is below -w^2 / 4 = -900, while k is at most 2^31.
   */
  private static final double NOTHING = 60;

  /** P(range <= w), for w > 0. */
  double lower(double w) {
    if (w > NOTHING) {
      return 1;
    }
    double known = knownLower.at(w);
    if (Double.isNaN(known)) {
      return summedLower(w);
    }
    return Math.min(1, w < Remembered.WIDTH ? known * Math.exp(logNearNothing(w)) : known);
  }

  /** Near 0 the probability goes as w^(k-1), which is left out of what is remembered there. */
  private double logNearNothing(double w) {
    return w < Remembered.WIDTH ? (values - 1) * Math.log(w) : 0;
  }

  /** P(range > w), for w > 0. */
  double upper(double w) {
    if (w > NOTHING) {
      return 0;
    }
    double known = knownUpper.at(w);
    return Math.min(1, Double.isNaN(known) ? Math.exp(logSummedUpper(w)) : known);
  }

  /**
   * Where all values must lie close together they do so about 0, within a deviation of 1 / sqrt(k),
   * which the steps must follow.
   */
  private double summedLower(double w) {
    double step = Math.max(FINEST, Math.min(STEP, STEP_IN_DEVIATIONS / Math.sqrt(values)));
    double sum = 0;
    for (int i = 0; i * step <= 2 * REACH; i++) {
      double z = i * step - REACH;
      sum += Math.exp(-0.5 * z * z) * Math.pow(between(z - w, z), values - 1.0);
    }
    return Math.min(1, step * values * INVERSE_ROOT_TWO_PI * sum);
  }

  /** Normal probability from a to b; from whichever side keeps its digits. */
  private static double between(double a, double b) {
    return a > 0 ? lowerTail(-a) - lowerTail(-b) : lowerTail(b) - lowerTail(a);
  }

  /** The logarithm of what is summed as a tail; finite however small that is. */
  private double logSummedUpper(double w) {
    double sum = 0;
    // From the right, where the terms of a far tail are largest, so that the sum can end early.
    int right = Math.max(near, Math.min(last, node(w / 2 + BESIDE_PEAK)));
    for (int i = right; i >= first; i--) {
      double below = lowerTail(Z[i] - w) / LOWER[i];
      double term = SCALE * largest[i] * -Math.expm1((values - 1) * Math.log1p(-below));
      sum += term;
      if (term < sum * NEGLIGIBLE && Z[i] < Math.max(0, w / 2 - BESIDE_PEAK)) {
        break;
      }
    }
    return Math.log(sum) - Math.log(SCALE);
  }

  private static int node(double z) {
    return (int) Math.ceil((z + REACH) / STEP);
  }

  private static double lowerTail(double z) {
    return 0.5 * Erfc.value(-z * INVERSE_ROOT_TWO);
  }
}
