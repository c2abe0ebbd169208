package app.knuckle.stats.distributions;

import java.util.HashMap;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;

/**
 * A tail probability that is asked for many times: its logarithm is interpolated by Chebyshev
 * polynomials on pieces, each made when it is first needed.
 *
 * @see "Trefethen, L. N. (2013). Approximation theory and approximation practice, chapter 5"
 */
public final class TailInterpolation {

  /** Width of a piece near the middle: the logarithm of the tail is nearly a parabola there. */
  private static final double WIDTH = 1;

  /**
   * From here on pieces grow with their distance: the further out, the straighter the logarithm.
   */
  private static final double FAR = 4.5;

  /** What a piece far out begins at, over what the one before it did. */
  private static final double GROWTH = 1.25;

  /** Points of a piece; the error falls by about ten with each, to 1e-12 here. */
  private static final int POINTS = 15;

  /** Below here the probability is near 1 and its logarithm near 0: it is asked for directly. */
  private static final double SMALLEST = 0.5;

  /** Pieces of width 1 before those that grow. */
  private static final int NEAR = (int) ((FAR - SMALLEST) / WIDTH);

  /**
   * Chebyshev points of the first kind on a piece of width 1 that begins at 0, and their weights.
   */
  private static final double[] NODES = new double[POINTS];

  private static final double[] WEIGHTS = new double[POINTS];

  static {
    for (int i = 0; i < POINTS; i++) {
      double angle = (2 * i + 1) * Math.PI / (2 * POINTS);
      NODES[i] = (1 - Math.cos(angle)) / 2;
      WEIGHTS[i] = (i % 2 == 0 ? 1 : -1) * Math.sin(angle);
    }
  }

  private final DoubleUnaryOperator tail;
  private final Map<Integer, double[]> pieces = new HashMap<>();

  /** Where the tail was found to end in no double; it falls, so it is 0 from there on. */
  private double end = Double.POSITIVE_INFINITY;

  /**
   * Interpolates a tail.
   *
   * @param tail a smooth, falling, positive function
   */
  public TailInterpolation(DoubleUnaryOperator tail) {
    this.tail = tail;
  }

  /**
   * The tail at a point.
   *
   * @param x at least 0
   * @return the probability, to about 1e-11 of itself
   */
  public double at(double x) {
    if (x >= end) {
      return 0;
    }
    if (x < SMALLEST) {
      return tail.applyAsDouble(x);
    }
    int piece =
        x < FAR
            ? (int) ((x - SMALLEST) / WIDTH)
            : NEAR + (int) (Math.log(x / FAR) / Math.log(GROWTH));
    double from = piece < NEAR ? SMALLEST + piece * WIDTH : FAR * Math.pow(GROWTH, piece - NEAR);
    double width = piece < NEAR ? WIDTH : from * (GROWTH - 1);
    double[] logs = pieces.computeIfAbsent(piece, p -> values(from, width));
    if (Double.isInfinite(logs[POINTS - 1])) {
      return tail.applyAsDouble(x); // Where the tail ends in no double, nothing is interpolated.
    }
    double above = 0;
    double below = 0;
    for (int i = 0; i < POINTS; i++) {
      double away = x - (from + width * NODES[i]);
      if (away == 0) {
        return Math.exp(logs[i]);
      }
      double weight = WEIGHTS[i] / away;
      above += weight * logs[i];
      below += weight;
    }
    return Math.exp(above / below);
  }

  private double[] values(double from, double width) {
    double[] logs = new double[POINTS];
    for (int i = 0; i < POINTS; i++) {
      double x = from + width * NODES[i];
      double p = x >= end ? 0 : tail.applyAsDouble(x);
      end = p == 0 ? Math.min(end, x) : end;
      logs[i] = Math.log(p);
    }
    return logs;
  }
}
