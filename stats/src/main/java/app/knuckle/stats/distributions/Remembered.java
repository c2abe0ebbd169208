package app.knuckle.stats.distributions;

import java.util.concurrent.atomic.AtomicIntegerArray;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.function.DoubleUnaryOperator;

/**
 * A costly smooth function, remembered piece by piece as a Chebyshev series once it was asked often
 * enough in that piece to pay.
 *
 * @see "Trefethen, L. N. (2013). Approximation Theory and Approximation Practice, chapters 3, 8"
 */
final class Remembered {

  /**
   * Pieces are this wide, and series this long: the logarithm of the tail of a range is analytic
   * with its nearest singularity more than 1.5 away, so that the series falls by 6 or more a term
   * and ends below 1e-13 relative to the tail.
   */
  private static final double WIDTH = 0.5;

  private static final int TERMS = 18;

  /** Further out than any tail that is not 0 as a double. */
  private static final int PIECES = 110;

  /** Values asked for directly before a piece is worth as many as its series takes. */
  private static final int PATIENCE = TERMS;

  private final DoubleUnaryOperator function;
  private final AtomicIntegerArray asked = new AtomicIntegerArray(PIECES);
  private final AtomicReferenceArray<double[]> series = new AtomicReferenceArray<>(PIECES);

  Remembered(DoubleUnaryOperator function) {
    this.function = function;
  }

  /** Whether the value may be had from a series; being asked counts. */
  boolean covers(double w) {
    int piece = (int) (w / WIDTH);
    if (piece >= PIECES) {
      return false;
    }
    if (series.get(piece) != null) {
      return series.get(piece).length > 0;
    }
    if (asked.incrementAndGet(piece) > PATIENCE) {
      series.set(piece, fit(piece));
    }
    return false;
  }

  /** The value, where it is covered, by Clenshaw's sum. */
  double at(double w) {
    int piece = (int) (w / WIDTH);
    double[] c = series.get(piece);
    double t = 2 * (w / WIDTH - piece) - 1;
    double next = 0;
    double afterNext = 0;
    for (int k = TERMS - 1; k > 0; k--) {
      double own = 2 * t * next - afterNext + c[k];
      afterNext = next;
      next = own;
    }
    return t * next - afterNext + 0.5 * c[0];
  }

  /** Interpolation at Chebyshev points; without terms where the function is not finite. */
  private double[] fit(int piece) {
    double[] values = new double[TERMS];
    for (int i = 0; i < TERMS; i++) {
      double t = Math.cos(Math.PI * (i + 0.5) / TERMS);
      values[i] = function.applyAsDouble(WIDTH * (piece + 0.5 * (t + 1)));
      if (!Double.isFinite(values[i])) {
        return new double[0];
      }
    }
    double[] c = new double[TERMS];
    for (int k = 0; k < TERMS; k++) {
      for (int i = 0; i < TERMS; i++) {
        c[k] += values[i] * Math.cos(Math.PI * k * (i + 0.5) / TERMS);
      }
      c[k] *= 2.0 / TERMS;
    }
    return c;
  }
}
