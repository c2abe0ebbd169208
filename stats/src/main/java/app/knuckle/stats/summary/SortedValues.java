package app.knuckle.stats.summary;

import java.util.Arrays;
import java.util.List;
import org.apache.commons.numbers.core.Sum;

/**
 * Values in rising order, with the sums that a summary needs of them. Groups that are made of other
 * groups take these sums over: only order statistics look at values again.
 *
 * @see "Pébay, P. (2008). Formulas for robust, one-pass parallel computation of covariances and
 *     arbitrary-order statistical moments. Sandia report SAND2008-6212"
 */
public final class SortedValues {

  /**
   * Groups of fewer values than this are put together by sorting: looking through each costs more.
   */
  private static final int FEW = 256;

  private final double[] sorted;
  private final long missing;

  /** The mean less the first value. */
  private final double shift;

  /** Squares about the mean, summed. */
  private final double squares;

  /** Third and fourth powers of values standardised by their own mean and standard deviation. */
  private final double third;

  private final double fourth;
  private final Sum sum;

  private SortedValues(double[] sorted, long missing) {
    this.sorted = sorted;
    this.missing = missing;
    int n = sorted.length;
    shift = n == 0 ? 0 : sumFromFirst() / n;
    double ss = 0;
    for (double v : sorted) {
      double d = (v - sorted[0]) - shift;
      ss += d * d;
    }
    squares = ss;
    double sd = sd();
    double cubes = 0;
    double fourths = 0;
    if (sd > 0) {
      for (double v : sorted) {
        double z = ((v - sorted[0]) - shift) / sd;
        double cube = z * z * z;
        cubes += cube;
        fourths += cube * z;
      }
    }
    third = cubes;
    fourth = fourths;
    sum = Sum.of(sorted);
  }

  /**
   * Values in order.
   *
   * @param rising finite values in rising order, then those that are missing, NaN; not to be
   *     changed later
   * @return the values
   */
  public static SortedValues of(double[] rising) {
    int n = rising.length;
    while (n > 0 && Double.isNaN(rising[n - 1])) {
      n--;
    }
    return new SortedValues(
        n == rising.length ? rising : Arrays.copyOf(rising, n), (long) rising.length - n);
  }

  /** Groups of few values each, as one. */
  static List<SortedValues> together(List<SortedValues> groups) {
    int n = groups.stream().mapToInt(SortedValues::size).sum();
    if (groups.size() == 1 || n >= (long) FEW * groups.size()) {
      return groups;
    }
    double[] all = new double[n];
    int next = 0;
    for (SortedValues group : groups) {
      System.arraycopy(group.sorted, 0, all, next, group.size());
      next += group.size();
    }
    // A sort of rising stretches merges them.
    Arrays.parallelSort(all);
    return List.of(new SortedValues(all, groups.stream().mapToLong(SortedValues::missing).sum()));
  }

  /** The sum of what values exceed the first by; what rounding takes off is kept and added last. */
  private double sumFromFirst() {
    double first = sorted[0];
    double total = 0;
    double lost = 0;
    for (double v : sorted) {
      double d = v - first;
      double next = total + d;
      lost += total >= d ? (total - next) + d : (d - next) + total;
      total = next;
    }
    return total + lost;
  }

  int size() {
    return sorted.length;
  }

  long missing() {
    return missing;
  }

  double first() {
    return sorted[0];
  }

  double last() {
    return sorted[sorted.length - 1];
  }

  double shift() {
    return shift;
  }

  double squares() {
    return squares;
  }

  double sd() {
    return sorted.length < 2 ? 0 : Math.sqrt(squares / (sorted.length - 1));
  }

  double third() {
    return third;
  }

  double fourth() {
    return fourth;
  }

  Sum sum() {
    return sum;
  }

  /** How many values are not above a limit. */
  private int upTo(double limit) {
    int low = 0;
    int high = sorted.length;
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (Double.compare(sorted[middle], limit) <= 0) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }

  /**
   * An order statistic of several groups together: the smallest value with enough values not above
   * it, found by halving what lies between doubles, which are in order as whole numbers.
   *
   * @param groups none empty
   * @param place from 0
   * @return one of their values
   */
  static double at(List<SortedValues> groups, long place) {
    if (groups.size() == 1) {
      return groups.get(0).sorted[(int) place];
    }
    long low = order(groups.stream().mapToDouble(SortedValues::first).min().orElseThrow());
    long high = order(groups.stream().mapToDouble(SortedValues::last).max().orElseThrow());
    while (low < high) {
      long middle = low + (high - low >>> 1);
      double limit = value(middle);
      long notAbove = 0;
      for (SortedValues group : groups) {
        notAbove += group.upTo(limit);
      }
      if (notAbove > place) {
        high = middle;
      } else {
        low = middle + 1;
      }
    }
    return value(low);
  }

  /** A whole number for each double, in the order of doubles. */
  private static long order(double value) {
    long bits = Double.doubleToLongBits(value);
    return bits < 0 ? Long.MIN_VALUE - bits - 1 : bits;
  }

  private static double value(long order) {
    return Double.longBitsToDouble(order < 0 ? Long.MIN_VALUE - order - 1 : order);
  }
}
