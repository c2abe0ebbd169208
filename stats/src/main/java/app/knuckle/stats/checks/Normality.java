package app.knuckle.stats.checks;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Alike;
import app.knuckle.stats.Quantity;
import java.util.Arrays;
import org.apache.commons.statistics.distribution.NormalDistribution;

/** Whether values could come from a normal distribution. */
public final class Normality {

  private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);
  private static final int MOST_SHAPIRO = 5000;

  private Normality() {}

  private static double sumOfSquares(double[] x) {
    double origin = x.length == 0 ? 0 : x[0];
    double mean = Arrays.stream(x).map(v -> v - origin).sum() / x.length;
    double sum = 0;
    for (double v : x) {
      double d = v - origin - mean;
      sum += d * d;
    }
    return sum;
  }

  /**
   * The Shapiro-Wilk test.
   *
   * @param values 3 to 5000
   * @param within values no farther apart are alike
   * @return n, statistic, z and p
   * @see "Royston, P. (1995). Remark AS R94. Applied Statistics 44, 547-551"
   */
  public static ShapeTest.ShapiroWilk shapiroWilk(double[] values, double within) {
    int n = values.length;
    if (n < 3 || n > MOST_SHAPIRO) {
      Quantity none = Quantity.absent(n < 3 ? Absence.NEEDS_THREE : Absence.OVER_5000);
      return new ShapeTest.ShapiroWilk(n, none, none, none);
    }
    double[] x = values.clone();
    Arrays.sort(x);
    if (!(x[n - 1] - x[0] > within)) {
      Quantity none = Quantity.absent(Absence.ALL_EQUAL);
      return new ShapeTest.ShapiroWilk(n, none, none, none);
    }
    double ss = sumOfSquares(x);
    Weights weights = Weights.of(n);
    double[] a = weights.a;
    double origin = x[n / 2];
    double top = 0;
    for (int i = 0; i < n; i++) {
      top += a[i] * (x[i] - origin);
    }
    double w = Math.min(1, top * top / (weights.squares * ss));
    Quantity statistic = Quantity.of(w);
    if (n == 3) {
      double p = 6 / Math.PI * (Math.asin(Math.sqrt(w)) - Math.asin(Math.sqrt(0.75)));
      return new ShapeTest.ShapiroWilk(
          n, statistic, Quantity.absent(Absence.THREE_VALUES), Quantity.of(Math.max(0, p)));
    }
    double mu;
    double sigma;
    double y = Math.log1p(-w);
    if (n <= 11) {
      double g = -2.273 + 0.459 * n;
      if (y >= g) {
        return new ShapeTest.ShapiroWilk(
            n, statistic, Quantity.absent(Absence.BEYOND_THE_APPROXIMATION), Quantity.of(1e-99));
      }
      y = -Math.log(g - y);
      mu = 0.5440 + n * (-0.39978 + n * (0.025054 - n * 0.0006714));
      sigma = Math.exp(1.3822 + n * (-0.77857 + n * (0.062767 - n * 0.0020322)));
    } else {
      double l = Math.log(n);
      mu = -1.5861 + l * (-0.31082 + l * (-0.083751 + l * 0.0038915));
      sigma = Math.exp(-0.4803 + l * (-0.082676 + l * 0.0030302));
    }
    double z = (y - mu) / sigma;
    return new ShapeTest.ShapiroWilk(
        n, statistic, Quantity.of(z), Quantity.of(NORMAL.survivalProbability(z)));
  }

  /** Weights of order statistics, which depend on their number alone: groups are often as large. */
  private record Weights(double[] a, double squares) {

    private static volatile Weights last = new Weights(new double[0], 0);

    static Weights of(int n) {
      Weights known = last;
      if (known.a.length == n) {
        return known;
      }
      double[] a = made(n);
      Weights made = new Weights(a, Arrays.stream(a).map(v -> v * v).sum());
      last = made;
      return made;
    }

    private static double[] made(int n) {
      if (n == 3) {
        return new double[] {-Math.sqrt(0.5), 0, Math.sqrt(0.5)};
      }
      double[] m = new double[n];
      double squares = 0;
      for (int i = 0; i < n; i++) {
        m[i] = NORMAL.inverseCumulativeProbability((i + 1 - 0.375) / (n + 0.25));
        squares += m[i] * m[i];
      }
      double u = 1 / Math.sqrt(n);
      double root = Math.sqrt(squares);
      double end =
          m[n - 1] / root
              + u * (0.221157 + u * (-0.147981 + u * (-2.071190 + u * (4.434685 - u * 2.706056))));
      double[] a = new double[n];
      int ends = n > 5 ? 2 : 1;
      double next =
          m[n - 2] / root
              + u * (0.042981 + u * (-0.293762 + u * (-1.752461 + u * (5.682633 - u * 3.582633))));
      double phi =
          ends == 2
              ? (squares - 2 * m[n - 1] * m[n - 1] - 2 * m[n - 2] * m[n - 2])
                  / (1 - 2 * end * end - 2 * next * next)
              : (squares - 2 * m[n - 1] * m[n - 1]) / (1 - 2 * end * end);
      for (int i = 0; i < n; i++) {
        a[i] = m[i] / Math.sqrt(phi);
      }
      a[n - 1] = end;
      a[0] = -end;
      if (ends == 2) {
        a[n - 2] = next;
        a[1] = -next;
      }
      return a;
    }
  }

  private static double[] standardised(double[] values) {
    double[] x = values.clone();
    Arrays.sort(x);
    double origin = x[0];
    double mean = Arrays.stream(x).map(v -> v - origin).sum() / x.length;
    double sd = Math.sqrt(sumOfSquares(x) / (x.length - 1.0));
    return Arrays.stream(x).map(v -> (v - origin - mean) / sd).toArray();
  }

  /**
   * The Anderson-Darling test with estimated mean and standard deviation.
   *
   * @param values two or more; to be trusted from eight on
   * @param within values no farther apart are alike
   * @return n, statistic, adjustedStatistic and p
   * @see "D'Agostino, R. B. and Stephens, M. A. (1986). Goodness-of-fit techniques, table 4.9"
   */
  public static ShapeTest.AndersonDarling andersonDarling(double[] values, double within) {
    int n = values.length;
    if (n < 2 || Alike.are(values, within)) {
      Quantity none = Quantity.absent(n < 2 ? Absence.NEEDS_TWO : Absence.ALL_EQUAL);
      return new ShapeTest.AndersonDarling(n, none, none, none);
    }
    double[] z = standardised(values);
    double sum = 0;
    for (int i = 0; i < n; i++) {
      sum +=
          (2 * i + 1)
              * (Math.log(NORMAL.cumulativeProbability(z[i]))
                  + Math.log(NORMAL.survivalProbability(z[n - 1 - i])));
    }
    double a2 = -n - sum / n;
    double a = a2 * (1 + 0.75 / n + 2.25 / (n * (double) n));
    double p;
    if (a >= 0.6) {
      double c = Math.min(10, a);
      p = Math.exp(1.2937 - 5.709 * c + 0.0186 * c * c);
    } else if (a > 0.34) {
      p = Math.exp(0.9177 - 4.279 * a - 1.38 * a * a);
    } else if (a > 0.2) {
      p = 1 - Math.exp(-8.318 + 42.796 * a - 59.938 * a * a);
    } else {
      p = 1 - Math.exp(-13.436 + 101.14 * a - 223.73 * a * a);
    }
    return new ShapeTest.AndersonDarling(n, Quantity.of(a2), Quantity.of(a), Quantity.of(p));
  }

  /**
   * The Lilliefors test.
   *
   * @param values two or more
   * @param within values no farther apart are alike
   * @return n, statistic, formulaP and p, which is absent above 0.1
   * @see "Lilliefors, H. W. (1967). JASA 62, 399-402; Dallal, G. E. and Wilkinson, L. (1986). The
   *     American Statistician 40, 294-296"
   */
  public static ShapeTest.Lilliefors lilliefors(double[] values, double within) {
    int n = values.length;
    if (n < 2 || Alike.are(values, within)) {
      Quantity none = Quantity.absent(n < 2 ? Absence.NEEDS_TWO : Absence.ALL_EQUAL);
      return new ShapeTest.Lilliefors(n, none, none, none);
    }
    double[] z = standardised(values);
    double d = 0;
    for (int i = 0; i < n; i++) {
      double f = NORMAL.cumulativeProbability(z[i]);
      d = Math.max(d, Math.max((i + 1.0) / n - f, f - (double) i / n));
    }
    double m = n > 100 ? 100 : n;
    double scaled = n > 100 ? d * Math.pow(n / 100.0, 0.49) : d;
    double p =
        Math.exp(
            -7.01256 * scaled * scaled * (m + 2.78019)
                + 2.99587 * scaled * Math.sqrt(m + 2.78019)
                - 0.122119
                + 0.974598 / Math.sqrt(m)
                + 1.67997 / m);
    return new ShapeTest.Lilliefors(
        n,
        Quantity.of(d),
        Quantity.of(p),
        p > 0.1 ? Quantity.absent(Absence.ABOVE_A_TENTH) : Quantity.of(p));
  }
}
