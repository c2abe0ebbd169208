package app.knuckle.cross;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleSupplier;
import java.util.function.DoubleUnaryOperator;

/** Tail probabilities by quadrature of the densities. */
final class Laws {
  private static final Map<List<Double>, Double> KNOWN = new HashMap<>();

  private Laws() {}

  private static double known(DoubleSupplier make, double... key) {
    List<Double> of = Arrays.stream(key).boxed().toList();
    Double value = KNOWN.get(of);
    if (value == null) {
      value = make.getAsDouble();
      KNOWN.put(of, value);
    }
    return value;
  }

  static double density(double z) {
    return Math.exp(-z * z / 2) / Math.sqrt(2 * Math.PI);
  }

  /** P(Z > z): Marsaglia's series near the middle, a continued fraction in the tail. */
  static double normal(double z) {
    if (z < 0) {
      return 1 - normal(-z);
    }
    if (z < 2.5) {
      double term = z;
      double sum = z;
      for (int i = 3; Math.abs(term) > 1e-18 * sum; i += 2) {
        term *= z * z / i;
        sum += term;
      }
      return 0.5 - sum * density(z);
    }
    double fraction = 0;
    for (int i = 120; i >= 1; i--) {
      fraction = i / (z + fraction);
    }
    return density(z) / (z + fraction);
  }

  static double normalQuantile(double upper) {
    return Quadrature.crossing(Laws::normal, upper, -40, 40);
  }

  /** P(T > t), by x = sqrt(df) tan(angle). */
  static double t(double t, double df) {
    if (t < 0) {
      return 1 - t(-t, df);
    }
    DoubleUnaryOperator f = angle -> Math.pow(Math.cos(angle), df - 1);
    // Measured from the far end, so that a small tail keeps its digits.
    DoubleUnaryOperator end = gap -> Math.pow(Math.sin(gap), df - 1);
    double gap = Math.atan2(Math.sqrt(df), t);
    double half = known(() -> Quadrature.of(f, 0, Math.PI / 2), 1, df);
    return 0.5 * Quadrature.of(end, 0, gap) / half;
  }

  static double tQuantile(double upper, double df) {
    double high = 1;
    while (t(high, df) > upper) {
      high *= 2;
    }
    double most = high;
    return known(() -> Quadrature.crossing(x -> t(x, df), upper, 0, most), 2, upper, df);
  }

  /** P(F > f): the share of a beta distribution beyond, by y = sin^2(angle). */
  static double f(double f, double df1, double df2) {
    if (!(f > 0)) {
      return 1;
    }
    double a = df2 / 2;
    double b = df1 / 2;
    DoubleUnaryOperator own =
        angle -> Math.pow(Math.sin(angle), 2 * a - 1) * Math.pow(Math.cos(angle), 2 * b - 1);
    double at = Math.atan2(Math.sqrt(df2), Math.sqrt(df1 * f));
    double below = Quadrature.of(own, 0, at);
    double above = Quadrature.of(own, at, Math.PI / 2);
    return below / (below + above);
  }

  static double fQuantile(double upper, double df1, double df2) {
    double high = 1;
    while (f(high, df1, df2) > upper) {
      high *= 2;
    }
    double most = high;
    return known(
        () -> Quadrature.crossing(x -> f(x, df1, df2), upper, 0, most), 3, upper, df1, df2);
  }

  /** P(chi squared > x), by x = u^2. */
  static double chi2(double x, double df) {
    if (!(x > 0)) {
      return 1;
    }
    double top = Math.sqrt(Math.max(0.25, df - 1));
    DoubleUnaryOperator own =
        u ->
            u == 0 && df > 1 ? 0 : Math.exp((df - 1) * Math.log(u / top) - (u * u - top * top) / 2);
    double at = Math.sqrt(x);
    double below = Quadrature.of(own, 0, at);
    double above = Quadrature.of(own, at, Math.max(at, top) + 40);
    return above / (below + above);
  }

  /** The average over s = sqrt(chi2 / df) of a function of s. */
  private static double overSpread(double df, DoubleUnaryOperator of) {
    if (Double.isInfinite(df)) {
      return of.applyAsDouble(1);
    }
    double wide = 1 / Math.sqrt(2 * df);
    double low = -9 * wide - 18 / df;
    double high = Math.min(8 * wide, 2.5);
    int panels = 14;
    double sum = 0;
    double all = 0;
    for (int p = 0; p < panels; p++) {
      double half = (high - low) / panels / 2;
      double middle = low + (2 * p + 1) * half;
      for (int i = 0; i < Quadrature.POINTS; i += 1) {
        double u = middle + half * Quadrature.NODES[i];
        double weight = Quadrature.WEIGHTS[i] * Math.exp(df * (u - Math.expm1(2 * u) / 2));
        all += weight;
        if (weight > 1e-18) {
          sum += weight * of.applyAsDouble(Math.exp(u));
        }
      }
    }
    return sum / all;
  }

  /** P(studentized range > q), to about 1e-12. */
  static double range(double q, int k, double df) {
    return known(() -> overSpread(df, s -> 1 - rangeBelow(q * s, k)), 4, q, k, df);
  }

  private static double rangeBelow(double w, int k) {
    double sum = 0;
    for (double a = -9; a < 9; a += 1) {
      for (int i = 0; i < Quadrature.POINTS; i++) {
        double z = a + 0.5 + 0.5 * Quadrature.NODES[i];
        double share = normal(z - w) - normal(z);
        sum += 0.5 * Quadrature.WEIGHTS[i] * density(z) * Math.pow(share, k - 1.0);
      }
    }
    return k * sum;
  }

  /**
   * P(any of several t beyond x) with any correlations: Genz's transformation to a cube, by the
   * product of Gauss rules there, and the spread outside.
   */
  static double anyBeyond(double x, double[][] correlations, double df, boolean twoSided) {
    double[][] root = cholesky(correlations);
    return overSpread(df, s -> 1 - inside(x * s, root, 0, new double[root.length], twoSided));
  }

  private static double inside(double x, double[][] root, int i, double[] z, boolean twoSided) {
    double mean = 0;
    for (int j = 0; j < i; j++) {
      mean += root[i][j] * z[j];
    }
    double own = root[i][i];
    if (own < 1e-7) { // What comes before decides.
      boolean in = mean <= x + 1e-12 && (!twoSided || mean >= -x - 1e-12);
      return !in ? 0 : i == root.length - 1 ? 1 : inside(x, root, i + 1, z, twoSided);
    }
    double high = Math.min(7.5, (x - mean) / own);
    double low = twoSided ? Math.max(-7.5, (-x - mean) / own) : -7.5;
    if (high <= low) {
      return 0;
    }
    if (i == root.length - 1) {
      return normal(low) - normal(high);
    }
    double sum = 0;
    int panels = root.length > 3 ? 2 : 3;
    for (int p = 0; p < panels; p++) {
      double half = (high - low) / panels / 2;
      for (int n = 0; n < Quadrature.POINTS; n++) {
        z[i] = low + (2 * p + 1) * half + half * Quadrature.NODES[n];
        sum +=
            half
                * Quadrature.WEIGHTS[n]
                * density(z[i])
                * inside(x, root, i + 1, z.clone(), twoSided);
      }
    }
    return sum;
  }

  /** Whether no difference follows from others. */
  static boolean isRegular(double[][] correlations) {
    double[][] root = cholesky(correlations);
    for (int i = 0; i < root.length; i++) {
      if (root[i][i] < 1e-3) {
        return false;
      }
    }
    return true;
  }

  private static double[][] cholesky(double[][] a) {
    int n = a.length;
    double[][] l = new double[n][n];
    for (int i = 0; i < n; i++) {
      for (int j = 0; j <= i; j++) {
        double sum = a[i][j];
        for (int k = 0; k < j; k++) {
          sum -= l[i][k] * l[j][k];
        }
        l[i][j] = i == j ? Math.sqrt(Math.max(0, sum)) : l[j][j] < 1e-7 ? 0 : sum / l[j][j];
      }
    }
    return l;
  }
}
