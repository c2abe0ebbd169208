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

  /** Width of a piece, in units of the statistic: its logarithm is nearly a parabola there. */
  private static final double WIDTH = 1;

  /** Points of a piece; the error falls by about ten with each, to 1e-12 here. */
  private static final int POINTS = 15;

  /** Below here the probability is near 1 and its logarithm near 0: it is asked for directly. */
  private static final double SMALLEST = 0.5;

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
    int piece = (int) Math.floor((x - SMALLEST) / WIDTH);
    double from = SMALLEST + piece * WIDTH;
    double[] logs = pieces.computeIfAbsent(piece, p -> values(from));
    if (Double.isInfinite(logs[POINTS - 1])) {
      return tail.applyAsDouble(x); // Where the tail ends in no double, nothing is interpolated.
    }
    // The barycentric formula for Chebyshev points of the first kind.
    double above = 0;
    double below = 0;
    for (int i = 0; i < POINTS; i++) {
      double away = x - node(from, i);
      if (away == 0) {
        return Math.exp(logs[i]);
      }
      double angle = (2 * i + 1) * Math.PI / (2 * POINTS);
      double weight = (i % 2 == 0 ? 1 : -1) * Math.sin(angle) / away;
      above += weight * logs[i];
      below += weight;
    }
    return Math.exp(above / below);
  }

  private static double node(double from, int i) {
    double angle = (2 * i + 1) * Math.PI / (2 * POINTS);
    return from + WIDTH * (1 - Math.cos(angle)) / 2;
  }

  private double[] values(double from) {
    double[] logs = new double[POINTS];
    for (int i = 0; i < POINTS; i++) {
      double x = node(from, i);
      double p = x >= end ? 0 : tail.applyAsDouble(x);
      end = p == 0 ? Math.min(end, x) : end;
      logs[i] = Math.log(p);
    }
    return logs;
  }
}
