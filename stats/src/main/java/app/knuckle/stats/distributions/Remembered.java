package app.knuckle.stats.distributions;

import java.util.Arrays;
import java.util.concurrent.atomic.AtomicIntegerArray;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.function.DoubleUnaryOperator;

/**
 * A costly smooth function above 0, given by its logarithm and remembered piece by piece as a
 * polynomial: of the function itself where it is nearly level, of its logarithm where it is steep.
 * What serves several questions makes a piece when it is first asked for, so that an answer never
 * depends on what was asked before; what serves one question alone may wait until a piece is worth
 * its cost, since the same question asks for the same in the same order.
 *
 * @see "Trefethen, L. N. (2013). Approximation Theory and Approximation Practice, chapters 3, 8"
 */
final class Remembered {

  /**
   * Pieces are this wide, and series this long at most: the logarithm of the tail of a range is
   * analytic with its nearest singularity more than 1.5 away, so that the series falls by 6 or more
   * a term and ends below 1e-13 relative to the tail.
   */
  static final double WIDTH = 0.5;

  private static final int TERMS = 18;

  /** Further out than any tail that is not 0 as a double. */
  private static final int PIECES = 120;

  /**
   * A piece is level if its logarithm moves by less: what is right beside its largest value is then
   * right, but for one digit, beside its least.
   */
  private static final double LEVEL = 3;

  /** Values are sums of some hundred terms: a smaller share of them is what rounding left. */
  private static final double NOISE = 0x1.0p-47;

  /** Powers are taken so many at a time. */
  private static final int ABREAST = 4;

  private final DoubleUnaryOperator logarithm;
  private final int patience;
  private final AtomicIntegerArray asked = new AtomicIntegerArray(PIECES);
  private final AtomicReferenceArray<Piece> pieces = new AtomicReferenceArray<>(PIECES);

  private Remembered(DoubleUnaryOperator logarithm, int patience) {
    this.logarithm = logarithm;
    this.patience = patience;
  }

  /** What several questions share: a piece is made at once. */
  static Remembered shared(DoubleUnaryOperator logarithm) {
    return new Remembered(logarithm, 0);
  }

  /**
   * What one question has for itself: a piece is made once it was asked for as often as it costs.
   */
  static Remembered ofOneQuestion(DoubleUnaryOperator logarithm) {
    return new Remembered(logarithm, TERMS);
  }

  /**
   * The function from a series.
   *
   * @param w above 0
   * @return NaN where there is no series, or not yet
   */
  double at(double w) {
    int index = (int) (w / WIDTH);
    if (index >= PIECES) {
      return Double.NaN;
    }
    Piece piece = pieces.get(index);
    if (piece == null) {
      if (asked.incrementAndGet(index) <= patience) {
        return Double.NaN;
      }
      piece = fit(index);
      pieces.set(index, piece);
    }
    double value = piece.at(2 * (w / WIDTH - index) - 1);
    return piece.steep ? Math.exp(value) : value;
  }

  /** Powers of t, from -1 to 1 along the piece; NaN where the function is not finite. */
  private record Piece(double[] powers, boolean steep) {

    /** Every fourth power apart, so that the processor takes four chains at once. */
    double at(double t) {
      double square = t * t;
      double fourth = square * square;
      int last = powers.length - ABREAST;
      double a = powers[last];
      double b = powers[last + 1];
      double c = powers[last + 2];
      double d = powers[last + 3];
      for (int k = last - ABREAST; k >= 0; k -= ABREAST) {
        a = a * fourth + powers[k];
        b = b * fourth + powers[k + 1];
        c = c * fourth + powers[k + 2];
        d = d * fourth + powers[k + 3];
      }
      return (a + t * b) + square * (c + t * d);
    }
  }

  private static final Piece NONE = new Piece(new double[] {Double.NaN, 0, 0, 0}, false);

  private Piece fit(int index) {
    double[] values = new double[TERMS];
    double least = Double.POSITIVE_INFINITY;
    double largest = Double.NEGATIVE_INFINITY;
    for (int i = 0; i < TERMS; i++) {
      double t = cosine(2 * i + 1);
      values[i] = logarithm.applyAsDouble(WIDTH * (index + 0.5 * (t + 1)));
      if (!Double.isFinite(values[i])) {
        return NONE;
      }
      least = Math.min(least, values[i]);
      largest = Math.max(largest, values[i]);
    }
    boolean steep = largest - least > LEVEL || Math.exp(least) < Double.MIN_NORMAL;
    if (!steep) {
      for (int i = 0; i < TERMS; i++) {
        values[i] = Math.exp(values[i]);
      }
    }
    // What is small beside a logarithm may be much beside its exponential.
    return new Piece(powers(chebyshev(values, steep ? NOISE : NOISE * Math.exp(largest))), steep);
  }

  /**
   * Coefficients of the polynomial through values at Chebyshev points, down to what is rounding
   * error.
   */
  private static double[] chebyshev(double[] values, double noise) {
    double[] c = new double[TERMS];
    for (int k = 0; k < TERMS; k++) {
      for (int i = 0; i < TERMS; i++) {
        c[k] += values[i] * cosine(k * (2 * i + 1));
      }
      c[k] *= (k == 0 ? 1.0 : 2.0) / TERMS;
    }
    int kept = TERMS;
    while (kept > 1 && Math.abs(c[kept - 1]) <= noise) {
      kept--;
    }
    return Arrays.copyOf(c, kept);
  }

  /**
   * The cosine of so many parts of a right angle, as there are terms; within one turn, so exact.
   */
  private static double cosine(int parts) {
    return Math.cos(Math.PI / 2 * (parts % (4 * TERMS)) / TERMS);
  }

  /**
   * Turned into powers, padded with 0: the series falls faster than the coefficients of its
   * polynomials grow, so that no digit is lost.
   */
  private static double[] powers(double[] chebyshev) {
    int terms = chebyshev.length;
    double[] powers = new double[(terms + ABREAST - 1) / ABREAST * ABREAST];
    double[] before = new double[terms];
    double[] own = new double[terms];
    own[0] = 1;
    for (int k = 0; k < terms; k++) {
      double[] next = new double[terms];
      for (int j = 0; j < terms; j++) {
        powers[j] += chebyshev[k] * own[j];
        // T(k+1) = 2 t T(k) - T(k-1), and T(1) = t.
        next[j] = (j > 0 ? (k == 0 ? 1 : 2) * own[j - 1] : 0) - before[j];
      }
      before = own;
      own = next;
    }
    return powers;
  }
}
