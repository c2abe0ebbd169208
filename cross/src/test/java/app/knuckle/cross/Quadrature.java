package app.knuckle.cross;

import java.util.function.DoubleUnaryOperator;

/** Integrals by Gauss and Legendre's rule, halved until halves agree with the whole. */
final class Quadrature {
  static final int POINTS = 16;
  static final double[] NODES = new double[POINTS];
  static final double[] WEIGHTS = new double[POINTS];
  private static final int DEEPEST = 40;

  static {
    for (int i = 0; i < POINTS; i++) {
      double x = Math.cos(Math.PI * (i + 0.75) / (POINTS + 0.5));
      double slope = 1;
      for (int turn = 0; turn < 20; turn++) {
        double before = 1;
        double value = x;
        for (int n = 2; n <= POINTS; n++) {
          double next = ((2 * n - 1) * x * value - (n - 1) * before) / n;
          before = value;
          value = next;
        }
        slope = POINTS * (x * value - before) / (x * x - 1);
        x -= value / slope;
      }
      NODES[i] = x;
      WEIGHTS[i] = 2 / ((1 - x * x) * slope * slope);
    }
  }

  private Quadrature() {}

  private static double rule(DoubleUnaryOperator f, double a, double b) {
    double sum = 0;
    for (int i = 0; i < POINTS; i++) {
      sum += WEIGHTS[i] * f.applyAsDouble((a + b) / 2 + (b - a) / 2 * NODES[i]);
    }
    return sum * (b - a) / 2;
  }

  /** The integral of a positive function from a to b, to about 1e-13 of itself. */
  static double of(DoubleUnaryOperator f, double a, double b) {
    double rough = 0;
    int panels = 32;
    for (int i = 0; i < panels; i++) {
      rough += rule(f, a + (b - a) * i / panels, a + (b - a) * (i + 1) / panels);
    }
    double sum = 0;
    for (int i = 0; i < panels; i++) {
      double from = a + (b - a) * i / panels;
      double to = a + (b - a) * (i + 1) / panels;
      sum += halved(f, from, to, rule(f, from, to), rough * 1e-15, 0);
    }
    return sum;
  }

  private static double halved(
      DoubleUnaryOperator f, double a, double b, double whole, double enough, int depth) {
    double middle = (a + b) / 2;
    double left = rule(f, a, middle);
    double right = rule(f, middle, b);
    double halves = left + right;
    boolean done = Math.abs(halves - whole) <= Math.max(enough, 1e-14 * Math.abs(halves));
    return done || depth == DEEPEST
        ? halves
        : halved(f, a, middle, left, enough, depth + 1)
            + halved(f, middle, b, right, enough, depth + 1);
  }

  /** The x in which a falling function passes a value, by halving. */
  static double crossing(DoubleUnaryOperator falling, double value, double low, double high) {
    double a = low;
    double b = high;
    for (int i = 0; i < 200 && b - a > 1e-15 * Math.abs(b); i++) {
      double x = (a + b) / 2;
      if (falling.applyAsDouble(x) > value) {
        a = x;
      } else {
        b = x;
      }
    }
    return (a + b) / 2;
  }
}
