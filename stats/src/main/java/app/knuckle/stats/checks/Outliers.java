package app.knuckle.stats.checks;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Alike;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.summary.Summary;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.statistics.distribution.TDistribution;

/** Values that lie apart. */
public final class Outliers {

  private Outliers() {}

  /**
   * Grubbs's test of the value farthest from the mean.
   *
   * @param values three or more
   * @param within values no farther apart are alike
   * @return n, statistic, suspect, p, and each side alone; the p is a bound, exact when it is small
   * @see "Grubbs, F. E. (1969). Technometrics 11, 1-21"
   */
  public static Grubbs grubbs(double[] values, double within) {
    int n = values.length;
    double[] x = values.clone();
    Arrays.sort(x);
    double origin = n == 0 ? 0 : x[0];
    double mean = Arrays.stream(x).map(v -> v - origin).sum() / Math.max(1, n);
    double ss = Arrays.stream(x).map(v -> (v - origin - mean) * (v - origin - mean)).sum();
    if (n < 3 || Alike.are(values, within)) {
      Quantity none = Quantity.absent(n < 3 ? Absence.NEEDS_THREE : Absence.ALL_EQUAL);
      Grubbs.Side side = new Grubbs.Side(none, none);
      return new Grubbs(n, none, none, none, side, side);
    }
    double s = Math.sqrt(ss / (n - 1.0));
    double high = (x[n - 1] - origin - mean) / s;
    double low = (mean - (x[0] - origin)) / s;
    boolean above = high >= low * (1 - 1e-12);
    double g = Math.max(high, low);
    double blur = BOUND + BLURRED * within / s;
    return new Grubbs(
        n,
        Quantity.of(g),
        Quantity.of(above ? x[n - 1] : x[0]),
        Quantity.of(Math.min(1, 2 * n * tail(g, n, blur))),
        new Grubbs.Side(Quantity.of(high), Quantity.of(Math.min(1, n * tail(high, n, blur)))),
        new Grubbs.Side(Quantity.of(low), Quantity.of(Math.min(1, n * tail(low, n, blur)))));
  }

  /** A statistic this close to its bound, relative, is at it but for rounding. */
  private static final double BOUND = 1e-12;

  /** The room below the bound is a difference of squares: it feels a blur of both terms twice. */
  private static final double BLURRED = 4;

  private static double tail(double g, int n, double blur) {
    double room = (n - 1.0) * (n - 1.0) - n * g * g;
    if (room <= blur * (n - 1.0) * (n - 1.0)) {
      return 0;
    }
    double t = Math.sqrt(n * (n - 2.0) * g * g / room);
    return TDistribution.of(n - 2).survivalProbability(t);
  }

  /**
   * Fences around the quartiles.
   *
   * @param values one or more
   * @return quartiles, inner and outer fences, values beyond each
   * @see "Tukey, J. W. (1977). Exploratory data analysis, chapter 2"
   */
  public static Fences fences(double[] values) {
    double[] x = values.clone();
    Arrays.sort(x);
    if (x.length == 0) {
      Quantity none = Quantity.absent(Absence.NO_VALUE);
      return new Fences(0, none, none, List.of(), List.of(), List.of(), List.of());
    }
    double q1 = Summary.quantile(x, 0.25);
    double q3 = Summary.quantile(x, 0.75);
    double iqr = q3 - q1;
    double innerLow = q1 - 1.5 * iqr;
    double innerHigh = q3 + 1.5 * iqr;
    double outerLow = q1 - 3 * iqr;
    double outerHigh = q3 + 3 * iqr;
    List<Double> extreme =
        Arrays.stream(x).filter(v -> v < outerLow || v > outerHigh).boxed().toList();
    List<Double> mild =
        Arrays.stream(x)
            .filter(v -> (v < innerLow || v > innerHigh) && v >= outerLow && v <= outerHigh)
            .boxed()
            .toList();
    return new Fences(
        x.length,
        Quantity.of(q1),
        Quantity.of(q3),
        List.of(innerLow, innerHigh),
        List.of(outerLow, outerHigh),
        mild,
        extreme);
  }
}
