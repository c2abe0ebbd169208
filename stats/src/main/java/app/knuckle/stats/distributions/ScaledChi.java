package app.knuckle.stats.distributions;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;

/**
 * The average of a function of s = sqrt(chi2(df) / df), the estimated standard deviation of the
 * error whose standard deviation is 1. The integral is taken over u = ln s by the trapezoidal rule,
 * whose error falls exponentially with the step for functions as smooth as these.
 *
 * @see "Trefethen, L. N. and Weideman, J. A. C. (2014). The exponentially convergent trapezoidal
 *     rule. SIAM Review 56, 385-458"
 */
final class ScaledChi {

  /** Largest step in u, as for the studentized range. */
  private static final double LARGEST_STEP = 0.11;

  /** Step in standard deviations of u, which are 1 / sqrt(2 df) for many degrees of freedom. */
  private static final double STEP_IN_DEVIATIONS = 0.4;

  /**
   * Terms are left out on both sides where they are below this share of the largest density, and of
   * the sum: of a small tail most lies where the density is small.
   */
  private static final double NEGLIGIBLE = 1e-22;

  /** Steps within the width of a feature of the function averaged. */
  private static final double STEP_IN_FEATURES = 0.35;

  private final double df;
  private final ScaleDensity density;

  ScaledChi(double df) {
    this.df = df;
    density = new ScaleDensity(df);
  }

  /**
   * The average of a function of s, positive and bounded.
   *
   * @param steepness one over the width, in u, of the narrowest feature of the function: t for a
   *     normal probability of t s
   */
  double average(double steepness, DoubleUnaryOperator function) {
    double step =
        Math.min(
            Math.min(LARGEST_STEP, STEP_IN_FEATURES / (1 + Math.abs(steepness))),
            STEP_IN_DEVIATIONS / Math.sqrt(2 * df));
    if (density.isOne()) {
      return function.applyAsDouble(1);
    }
    double sum = density.at(0) * function.applyAsDouble(1);
    for (int side = -1; side <= 1; side += 2) {
      for (int i = 1; ; i++) {
        double u = side * i * step;
        double term = density.at(u) * function.applyAsDouble(Math.exp(u));
        sum += term;
        if (term <= NEGLIGIBLE * sum && density.fallen(u) < Math.log(NEGLIGIBLE)) {
          break;
        }
      }
    }
    return step * sum;
  }

  /**
   * The average of a function that is smooth but for one steep rise or fall, however narrow: panels
   * of their own take it, so that the work does not grow with the steepness.
   *
   * @param at where it changes, in s; 0 or less if nowhere
   * @param width of the change, in s
   * @param function of s, bounded by 1
   */
  double averageOfStep(double at, double width, DoubleUnaryOperator function) {
    if (density.isOne()) {
      return function.applyAsDouble(1);
    }
    double unit = 1 / Math.sqrt(2 * df);
    double low = -edge(-unit);
    double high = edge(unit);
    List<Double> ends = new ArrayList<>();
    int panels = (int) Math.ceil(PANELS_A_SIDE);
    for (int i = 0; i <= panels; i++) {
      // Quadratic, so that panels are narrow where the density is large.
      double share = (double) i / panels;
      ends.add(low * share * share);
      ends.add(high * share * share);
    }
    double place = at > 0 ? Math.log(at) : Double.NaN;
    double own = width / at;
    for (int i = -STEP_REACH; place > low && place < high && i <= STEP_REACH; i++) {
      ends.add(Math.max(low, Math.min(high, place + i * own)));
      // And wider ones beyond, from the narrow panels to those of the density.
      double far = Math.copySign(own * Math.scalb(1.0, Math.abs(i) * 2), i);
      ends.add(Math.max(low, Math.min(high, place + far)));
    }
    return GaussLegendre.integral(
        ends.stream().mapToDouble(e -> e).toArray(),
        u -> density.at(u) * function.applyAsDouble(Math.exp(u)));
  }

  /** How far from 0, in u, the density falls to nothing on one side. */
  private double edge(double step) {
    double u = step;
    while (density.fallen(u) > Math.log(NEGLIGIBLE) && Math.abs(u) < MOST_LOG) {
      u *= 2;
    }
    return Math.abs(u);
  }

  private static final double PANELS_A_SIDE = 24;
  private static final int STEP_REACH = 9;

  /** e to this is the largest double. */
  private static final double MOST_LOG = 700;
}
