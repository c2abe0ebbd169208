package app.knuckle.stats.distributions;

import java.util.function.DoubleUnaryOperator;

/**
 * Averages functions of an estimated standard deviation s over u = ln s by the trapezoidal rule,
 * started at s = 1 and carried both ways until the terms no longer count.
 */
final class ScaleGrid {

  /** Densities kept to each side of s = 1, where nearly every walk ends. */
  private static final int KEPT = 64;

  /** Terms fall faster than geometrically: one below this share of the sum ends it. */
  private static final double NEGLIGIBLE = 0x1.0p-52;

  /** No double differs from 0 beyond it: exp(-746) is 0, and s no longer counts in any q s. */
  private static final double FARTHEST = 746;

  private final ScaleDensity density;
  private final double step;
  private final Side above;
  private final Side below;

  /**
   * A grid.
   *
   * @param density of u
   * @param step between points, in u
   */
  ScaleGrid(ScaleDensity density, double step) {
    this.density = density;
    this.step = step;
    above = new Side(density, step);
    below = new Side(density, -step);
  }

  /** What is known of the first points to one side. */
  private static final class Side {
    private final double step;
    private final double[] densities = new double[KEPT];
    private final double[] scales = new double[KEPT];

    Side(ScaleDensity density, double step) {
      this.step = step;
      for (int i = 0; i < KEPT; i++) {
        double u = (i + 1) * step;
        densities[i] = density.at(u);
        scales[i] = Math.exp(u);
      }
    }
  }

  /**
   * The average of a function.
   *
   * @param function of s, not below 0, such that its product with the density has one peak
   * @return the average
   */
  double average(DoubleUnaryOperator function) {
    double start = density.at(0) * function.applyAsDouble(1);
    return step * walk(below, walk(above, start, start, function), start, function);
  }

  /**
   * Adds the terms to one side to a sum. The terms have one peak, so the walk may climb at first
   * (even from terms too small for a double) and ends once they fall and no longer count.
   */
  private double walk(Side side, double sum, double start, DoubleUnaryOperator function) {
    double total = sum;
    double before = start;
    int last = (int) (FARTHEST / step);
    for (int i = 0; i < last; i++) {
      double u = (i + 1) * side.step;
      double weight = i < KEPT ? side.densities[i] : density.at(u);
      double term = weight * function.applyAsDouble(i < KEPT ? side.scales[i] : Math.exp(u));
      total += term;
      // Where the weight is nothing it only falls from there on.
      if (term <= total * NEGLIGIBLE && (total > 0 && term <= before || weight == 0)) {
        break;
      }
      before = term;
    }
    return total;
  }
}
