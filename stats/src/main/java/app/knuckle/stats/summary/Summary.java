package app.knuckle.stats.summary;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import java.util.Arrays;
import org.apache.commons.numbers.core.Sum;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * What one group of values is like. Quantities in the unit of the values, but for those named
 * otherwise.
 *
 * @param n values that are there
 * @param missing values that are not
 * @param sum their sum
 * @param mean arithmetic mean
 * @param variance sum of squares about the mean over n - 1, in squared units
 * @param sd standard deviation
 * @param se standard error of the mean, sd / sqrt n
 * @param cvPercent 100 sd / |mean|, per cent
 * @param min smallest value
 * @param max largest value
 * @param range largest less smallest
 * @param median quantile 1/2
 * @param lowerQuartile quantile 1/4
 * @param upperQuartile quantile 3/4
 * @param skewness G1, no unit, from 3 values
 * @param kurtosis G2, no unit, from 4 values
 * @param meanLow lower end of the interval of the mean by the t distribution
 * @param meanHigh its upper end
 * @see "Quantiles: Hyndman, R. J. and Fan, Y. (1996). The American Statistician 50, 361-365,
 *     definition 7"
 * @see "Skewness, kurtosis: Joanes, D. N. and Gill, C. A. (1998). The Statistician 47, 183-189"
 */
public record Summary(
    long n,
    long missing,
    Quantity sum,
    Quantity mean,
    Quantity variance,
    Quantity sd,
    Quantity se,
    Quantity cvPercent,
    Quantity min,
    Quantity max,
    Quantity range,
    Quantity median,
    Quantity lowerQuartile,
    Quantity upperQuartile,
    Quantity skewness,
    Quantity kurtosis,
    Quantity meanLow,
    Quantity meanHigh) {

  private static final Quantity NO_VALUES = Quantity.absent(Absence.NO_VALUE);
  private static final Quantity ONE_VALUE = Quantity.absent(Absence.ONE_VALUE);

  /**
   * Describes a group.
   *
   * @param values the values, finite, or NaN when missing; not changed
   * @param alpha one less the confidence of the interval of the mean, between 0 and 1
   * @return the summary
   */
  public static Summary of(double[] values, double alpha) {
    double[] all = values.clone();
    Arrays.sort(all);
    return ofRising(all, alpha);
  }

  /**
   * Describes a group whose values are in order already.
   *
   * @param rising the values in rising order, finite, then those that are missing, NaN; not changed
   * @param alpha one less the confidence of the interval of the mean, between 0 and 1
   * @return the summary
   */
  public static Summary ofRising(double[] rising, double alpha) {
    double[] sorted = present(rising);
    int n = sorted.length;
    long missing = (long) rising.length - n;
    if (n == 0) {
      return empty(missing);
    }
    double first = sorted[0];
    double shift = sumFrom(sorted, first) / n;
    double mean = first + shift;
    double ss = 0;
    for (double v : sorted) {
      double d = (v - first) - shift;
      ss += d * d;
    }
    double largest = sorted[n - 1];
    Quantity variance = n < 2 ? ONE_VALUE : Quantity.of(ss / (n - 1));
    Quantity sd = variance.map(Math::sqrt);
    Quantity se = sd.map(s -> s / Math.sqrt(n));
    Quantity cv = sd.percentOf(mean, Absence.MEAN_ZERO);
    Powers powers = Powers.of(sorted, shift, sd);
    return new Summary(
            n,
            missing,
            Quantity.of(Sum.of(sorted).getAsDouble()),
            Quantity.of(mean),
            variance,
            sd,
            se,
            cv,
            Quantity.of(first),
            Quantity.of(largest),
            Quantity.of(largest - first),
            Quantity.of(quantile(sorted, 0.5)),
            Quantity.of(quantile(sorted, 0.25)),
            Quantity.of(quantile(sorted, 0.75)),
            skewness(powers, sd),
            kurtosis(powers, sd),
            ONE_VALUE,
            ONE_VALUE)
        .at(alpha);
  }

  /**
   * The same with another interval of the mean.
   *
   * @param alpha one less its confidence, between 0 and 1
   * @return the summary
   */
  public Summary at(double alpha) {
    if (n < 2) {
      return this;
    }
    double t = TDistribution.of(n - 1.0).inverseSurvivalProbability(alpha / 2);
    return new Summary(
        n,
        missing,
        sum,
        mean,
        variance,
        sd,
        se,
        cvPercent,
        min,
        max,
        range,
        median,
        lowerQuartile,
        upperQuartile,
        skewness,
        kurtosis,
        se.map(s -> mean.value() - t * s),
        se.map(s -> mean.value() + t * s));
  }

  /** Without missing values, which sort last. */
  private static double[] present(double[] rising) {
    int n = rising.length;
    while (n > 0 && Double.isNaN(rising[n - 1])) {
      n--;
    }
    return n == rising.length ? rising : Arrays.copyOf(rising, n);
  }

  private static Summary empty(long missing) {
    Quantity q = NO_VALUES;
    return new Summary(0, missing, q, q, q, q, q, q, q, q, q, q, q, q, q, q, q, q);
  }

  /**
   * A quantile: {@code h = (n - 1) p + 1}, linear between the order statistics on both sides of h.
   *
   * @param sorted values in rising order, at least one
   * @param p from 0 to 1
   * @return the quantile
   */
  public static double quantile(double[] sorted, double p) {
    double h = (sorted.length - 1) * p;
    int below = (int) Math.floor(h);
    int above = Math.min(below + 1, sorted.length - 1);
    return sorted[below] + (h - below) * (sorted[above] - sorted[below]);
  }

  /** The sum of what values exceed the first by; what rounding takes off is kept and added last. */
  private static double sumFrom(double[] rising, double first) {
    double sum = 0;
    double lost = 0;
    for (double v : rising) {
      double d = v - first;
      double next = sum + d;
      lost += sum >= d ? (sum - next) + d : (d - next) + sum;
      sum = next;
    }
    return sum + lost;
  }

  /**
   * Third and fourth powers of standardised values, summed.
   *
   * @param n how many values
   */
  private record Powers(double n, double third, double fourth) {
    static Powers of(double[] sorted, double shift, Quantity sd) {
      double third = 0;
      double fourth = 0;
      if (sd.exists() && sd.value() > 0) {
        double first = sorted[0];
        double one = sd.value();
        for (double v : sorted) {
          double z = ((v - first) - shift) / one;
          double cube = z * z * z;
          third += cube;
          fourth += cube * z;
        }
      }
      return new Powers(sorted.length, third, fourth);
    }
  }

  private static Quantity skewness(Powers powers, Quantity sd) {
    double n = powers.n();
    if (n < 3) {
      return Quantity.absent(Absence.NEEDS_THREE);
    }
    return sd.value() == 0
        ? Quantity.absent(Absence.ALL_EQUAL)
        : Quantity.of(n / ((n - 1) * (n - 2)) * powers.third());
  }

  private static Quantity kurtosis(Powers powers, Quantity sd) {
    double n = powers.n();
    if (n < 4) {
      return Quantity.absent(Absence.NEEDS_FOUR);
    }
    return sd.value() == 0
        ? Quantity.absent(Absence.ALL_EQUAL)
        : Quantity.of(
            n * (n + 1) / ((n - 1) * (n - 2) * (n - 3)) * powers.fourth()
                - 3 * (n - 1) * (n - 1) / ((n - 2) * (n - 3)));
  }
}
