package app.knuckle.stats.distributions;

import java.util.concurrent.atomic.AtomicIntegerArray;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.function.DoubleUnaryOperator;

/**
 * A costly smooth function, remembered piece by piece as a polynomial. What serves several
 * questions makes a piece when it is first asked for, so that an answer never depends on what was
 * asked before; what serves one question alone may wait until a piece is worth its cost, since the
 * same question asks for the same in the same order.
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
  private static final int PIECES = 120;

  private final DoubleUnaryOperator function;
  private final int patience;
  private final AtomicIntegerArray asked = new AtomicIntegerArray(PIECES);
  private final AtomicReferenceArray<double[]> series = new AtomicReferenceArray<>(PIECES);

  private Remembered(DoubleUnaryOperator function, int patience) {
    this.function = function;
    this.patience = patience;
  }

  /** What several questions share: a piece is made at once. */
  static Remembered shared(DoubleUnaryOperator function) {
    return new Remembered(function, 0);
  }

  /**
   * What one question has for itself: a piece is made once it was asked for as often as it costs.
   */
  static Remembered ofOneQuestion(DoubleUnaryOperator function) {
    return new Remembered(function, TERMS);
  }

  /**
   * The value from a series.
   *
   * @param w above 0
   * @return NaN where there is no series, or not yet
   */
  double at(double w) {
    int piece = (int) (w / WIDTH);
    if (piece >= PIECES) {
      return Double.NaN;
    }
    double[] c = series.get(piece);
    if (c == null) {
      if (asked.incrementAndGet(piece) <= patience) {
        return Double.NaN;
      }
      c = fit(piece);
      series.set(piece, c);
    }
    if (c.length == 0) {
      return Double.NaN;
    }
    // Even and odd powers apart, so that the processor takes both chains at once.
    double t = 2 * (w / WIDTH - piece) - 1;
    double square = t * t;
    double even = c[TERMS - 2];
    double odd = c[TERMS - 1];
    for (int k = TERMS - 4; k >= 0; k -= 2) {
      even = even * square + c[k];
      odd = odd * square + c[k + 1];
    }
    return even + t * odd;
  }

  /**
   * Interpolation at Chebyshev points, turned into powers: the series falls faster than the
   * coefficients of its polynomials grow, so that no digit is lost. Without terms where the
   * function is not finite.
   */
  private double[] fit(int piece) {
    double[] values = new double[TERMS];
    for (int i = 0; i < TERMS; i++) {
      double t = Math.cos(Math.PI * (i + 0.5) / TERMS);
      values[i] = function.applyAsDouble(WIDTH * (piece + 0.5 * (t + 1)));
      if (!Double.isFinite(values[i])) {
        return new double[0];
      }
    }
    double[] powers = new double[TERMS];
    double[] before = new double[TERMS];
    double[] own = new double[TERMS];
    own[0] = 1;
    for (int k = 0; k < TERMS; k++) {
      double c = 0;
      for (int i = 0; i < TERMS; i++) {
        c += values[i] * Math.cos(Math.PI * k * (i + 0.5) / TERMS);
      }
      c *= (k == 0 ? 1.0 : 2.0) / TERMS;
      double[] next = new double[TERMS];
      for (int j = 0; j < TERMS; j++) {
        powers[j] += c * own[j];
        // T(k+1) = 2 t T(k) - T(k-1), and T(1) = t.
        next[j] = (j > 0 ? (k == 0 ? 1 : 2) * own[j - 1] : 0) - before[j];
      }
      before = own;
      own = next;
    }
    return powers;
  }
}
