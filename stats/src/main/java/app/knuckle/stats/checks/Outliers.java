package app.knuckle.stats.checks;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Alike;
import app.knuckle.stats.Facts;
import app.knuckle.stats.Quantity;
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
  public static Facts grubbs(double[] values, double within) {
    int n = values.length;
    double[] x = values.clone();
    Arrays.sort(x);
    double origin = n == 0 ? 0 : x[0];
    double mean = Arrays.stream(x).map(v -> v - origin).sum() / Math.max(1, n);
    double ss = Arrays.stream(x).map(v -> (v - origin - mean) * (v - origin - mean)).sum();
    Facts facts = new Facts().put("n", n);
    if (n < 3 || Alike.are(values, within)) {
      Quantity none = Quantity.absent(n < 3 ? Absence.NEEDS_THREE : Absence.ALL_EQUAL);
      return facts
          .put("statistic", none)
          .put("suspect", none)
          .put("p", none)
          .put("high", new Facts().put("statistic", none).put("p", none))
          .put("low", new Facts().put("statistic", none).put("p", none));
    }
    double s = Math.sqrt(ss / (n - 1.0));
    double high = (x[n - 1] - origin - mean) / s;
    double low = (mean - (x[0] - origin)) / s;
    boolean above = high >= low * (1 - 1e-12);
    double g = Math.max(high, low);
    double blur = BOUND + BLURRED * within / s;
    return facts
        .put("statistic", g)
        .put("suspect", above ? x[n - 1] : x[0])
        .put("p", Math.min(1, 2 * n * tail(g, n, blur)))
        .put(
            "high",
            new Facts().put("statistic", high).put("p", Math.min(1, n * tail(high, n, blur))))
        .put(
            "low", new Facts().put("statistic", low).put("p", Math.min(1, n * tail(low, n, blur))));
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
  public static Facts fences(double[] values) {
    double[] x = values.clone();
    Arrays.sort(x);
    Facts facts = new Facts().put("n", x.length);
    if (x.length == 0) {
      return facts.put("lowerQuartile", Quantity.absent(Absence.NO_VALUE));
    }
    double q1 = quantile(x, 0.25);
    double q3 = quantile(x, 0.75);
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
    return facts
        .put("lowerQuartile", q1)
        .put("upperQuartile", q3)
        .put("inner", Facts.list(innerLow, innerHigh))
        .put("outer", Facts.list(outerLow, outerHigh))
        .put("mild", mild)
        .put("extreme", extreme);
  }

  private static double quantile(double[] sorted, double p) {
    double h = (sorted.length - 1) * p;
    int i = (int) Math.floor(h);
    double above = i + 1 < sorted.length ? sorted[i + 1] : sorted[i];
    return sorted[i] + (h - i) * (above - sorted[i]);
  }
}
