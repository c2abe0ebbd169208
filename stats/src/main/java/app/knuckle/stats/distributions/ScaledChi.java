package app.knuckle.stats.distributions;

import java.util.function.DoubleUnaryOperator;
import org.apache.commons.numbers.gamma.LogGamma;

/**
 * The average of a function of s = sqrt(chi2(df) / df), the estimated standard deviation of noise
 * whose standard deviation is 1. The integral is taken over u = ln s by the trapezoidal rule, whose
 * error falls exponentially with the step for functions as smooth as these.
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

  /** From here on the estimate counts as the standard deviation itself. */
  private static final double INFINITE_DF = 1e12;

  /** Steps within the width of a feature of the function averaged. */
  private static final double STEP_IN_FEATURES = 0.35;

  private final double df;

  ScaledChi(double df) {
    this.df = df;
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
    if (df >= INFINITE_DF) {
      return function.applyAsDouble(1);
    }
    double x = 0.5 * df;
    double constant =
        df > 1000
            ? Math.log(2) + 0.5 * Math.log(x / (2 * Math.PI)) - 1 / (12 * x) + 1 / (360 * x * x * x)
            : Math.log(2) + x * Math.log(x) - x - LogGamma.value(x);
    double sum = Math.exp(constant) * function.applyAsDouble(1);
    for (int side = -1; side <= 1; side += 2) {
      for (int i = 1; ; i++) {
        double u = side * i * step;
        double exponent = df * (u - 0.5 * Math.expm1(2 * u));
        double term = Math.exp(constant + exponent) * function.applyAsDouble(Math.exp(u));
        sum += term;
        if (exponent < Math.log(NEGLIGIBLE) && term <= NEGLIGIBLE * sum) {
          break;
        }
      }
    }
    return step * sum;
  }
}
