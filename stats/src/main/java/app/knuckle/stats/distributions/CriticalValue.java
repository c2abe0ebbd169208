package app.knuckle.stats.distributions;

import java.util.function.DoubleUnaryOperator;
import org.apache.commons.numbers.rootfinder.BrentSolver;

/** Finds where the tail of a largest t is a given probability. */
final class CriticalValue {
  private static final double FIRST = 4;

  /** Strides are squared each time, up to this, so that no tail takes many of them. */
  private static final double LONGEST_STRIDE = 1e30;

  private CriticalValue() {}

  /**
   * The value. Far out the logarithm of a tail is nearly straight in the logarithm of t.
   *
   * @param p between 0 and 1
   * @param lowest where the tail is at least p; below 0 it is looked for farther out
   * @param tolerance relative
   * @param tail P(largest &gt; t), falling
   * @return the value; infinite if it is beyond every double
   */
  static double of(double p, double lowest, double tolerance, DoubleUnaryOperator tail) {
    double low = lowest;
    while (low < 0 && tail.applyAsDouble(low) < p) {
      low *= 2; // With few degrees of freedom the lower end reaches farther than the normal one.
    }
    double high = FIRST;
    double stride = 2;
    while (tail.applyAsDouble(high) > p) {
      low = high;
      high *= stride;
      stride = Math.min(LONGEST_STRIDE, stride * stride);
      if (Double.isInfinite(high)) {
        return Double.POSITIVE_INFINITY;
      }
    }
    BrentSolver solver = new BrentSolver(tolerance, tolerance, 0);
    double target = Math.log(p);
    return low < FIRST
        ? solver.findRoot(t -> target - Math.log(tail.applyAsDouble(t)), low, high)
        : Math.exp(
            solver.findRoot(
                v -> target - Math.log(tail.applyAsDouble(Math.exp(v))),
                Math.log(low),
                Math.log(high)));
  }
}
