package app.knuckle.stats.distributions;

import java.util.function.DoubleUnaryOperator;

/**
 * The tail of a largest of normal variables, remembered as a function that is smooth; for one
 * question alone.
 */
final class RememberedTail {
  /**
   * From here on the tail changes no faster than a normal one, however narrow its features; below
   * it is smooth in ln x, where a narrow feature is as wide as any other.
   */
  private static final double SMOOTH = 1;

  private final DoubleUnaryOperator tail;
  private final Remembered far;
  private final Remembered near;

  /**
   * Remembers.
   *
   * @param tail above 0 and falling
   */
  RememberedTail(DoubleUnaryOperator tail) {
    this.tail = tail;
    far = Remembered.ofOneQuestion(x -> Math.log(tail.applyAsDouble(x)));
    near = Remembered.ofOneQuestion(v -> Math.log(tail.applyAsDouble(Math.exp(-v))));
  }

  /**
   * The tail.
   *
   * @param x any number; below 0 nothing is remembered
   * @return its value
   */
  double at(double x) {
    double known = x > SMOOTH ? far.at(x) : x > 0 ? near.at(-Math.log(x)) : Double.NaN;
    return Double.isNaN(known) ? tail.applyAsDouble(x) : known;
  }
}
