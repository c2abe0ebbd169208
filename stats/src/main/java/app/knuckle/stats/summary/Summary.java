package app.knuckle.stats.summary;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import java.util.Arrays;
import java.util.List;
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
    return of(List.of(SortedValues.of(all)), alpha);
  }

  /**
   * Describes a group that is made of others.
   *
   * @param parts its parts, some of which may be empty
   * @param alpha one less the confidence of the interval of the mean, between 0 and 1
   * @return the summary of all of their values together
   */
  public static Summary of(List<SortedValues> parts, double alpha) {
    long missing = parts.stream().mapToLong(SortedValues::missing).sum();
    List<SortedValues> some =
        SortedValues.together(parts).stream().filter(part -> part.size() > 0).toList();
    if (some.isEmpty()) {
      return empty(missing);
    }
    int n = some.stream().mapToInt(SortedValues::size).sum();
    double first = some.stream().mapToDouble(SortedValues::first).min().orElseThrow();
    double shift = some.stream().mapToDouble(p -> p.size() * from(first, p)).sum() / n;
    double mean = first + shift;
    double ss =
        some.stream()
            .mapToDouble(
                p -> p.squares() + p.size() * (from(first, p) - shift) * (from(first, p) - shift))
            .sum();
    double largest = some.stream().mapToDouble(SortedValues::last).max().orElseThrow();
    Quantity variance = n < 2 ? ONE_VALUE : Quantity.of(ss / (n - 1));
    Quantity sd = variance.map(Math::sqrt);
    Quantity se = sd.map(s -> s / Math.sqrt(n));
    Quantity cv = sd.percentOf(mean, Absence.MEAN_ZERO);
    Sum sum = Sum.create();
    some.forEach(p -> sum.add(p.sum()));
    Powers powers = Powers.of(some, n, first, shift, sd);
    return new Summary(
            n,
            missing,
            Quantity.of(sum.getAsDouble()),
            Quantity.of(mean),
            variance,
            sd,
            se,
            cv,
            Quantity.of(first),
            Quantity.of(largest),
            Quantity.of(largest - first),
            Quantity.of(quantile(some, n, 0.5)),
            Quantity.of(quantile(some, n, 0.25)),
            Quantity.of(quantile(some, n, 0.75)),
            skewness(powers, sd),
            kurtosis(powers, sd),
            ONE_VALUE,
            ONE_VALUE)
        .at(alpha);
  }

  /** The mean of a part less the first value of all. */
  private static double from(double first, SortedValues part) {
    return (part.first() - first) + part.shift();
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

  private static double quantile(List<SortedValues> parts, int n, double p) {
    double h = (n - 1) * p;
    long below = (long) Math.floor(h);
    double low = SortedValues.at(parts, below);
    double high = h == below ? low : SortedValues.at(parts, Math.min(below + 1, n - 1L));
    return low + (h - below) * (high - low);
  }

  /**
   * Third and fourth powers of standardised values, summed.
   *
   * @param n how many values
   */
  private record Powers(double n, double third, double fourth) {
    static Powers of(List<SortedValues> parts, int n, double first, double shift, Quantity sd) {
      double third = 0;
      double fourth = 0;
      if (sd.exists() && sd.value() > 0) {
        for (SortedValues part : parts) {
          double away = (from(first, part) - shift) / sd.value();
          double ratio = part.sd() / sd.value();
          double squares = ratio * ratio * (part.size() - 1);
          double cubes = ratio * ratio * ratio * part.third();
          double fourths = ratio * ratio * ratio * ratio * part.fourth();
          third += cubes + 3 * away * squares + part.size() * away * away * away;
          fourth +=
              fourths
                  + 4 * away * cubes
                  + 6 * away * away * squares
                  + part.size() * away * away * away * away;
        }
      }
      return new Powers(n, third, fourth);
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
