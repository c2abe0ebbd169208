package app.knuckle.stats.ranks;

import java.util.Arrays;

/** Numbers in rising order, of which a few are wanted. */
interface OrderStatistics {

  /** How many there are. */
  long size();

  /** The number at a place from 0, in rising order. */
  double at(long place);

  /** The middle one, or the mean of the two in the middle. */
  default double median() {
    long n = size();
    return n % 2 == 1 ? at(n / 2) : (at(n / 2 - 1) + at(n / 2)) / 2;
  }

  /** Numbers that are sorted already. */
  static OrderStatistics of(double[] sorted) {
    return new OrderStatistics() {
      @Override
      public long size() {
        return sorted.length;
      }

      @Override
      public double at(long place) {
        return sorted[(int) place];
      }
    };
  }

  /** All differences of a value of one sample and a value of another. */
  static OrderStatistics differences(double[] x, double[] y) {
    double[] first = x.clone();
    Arrays.sort(first);
    double[] second = Arrays.stream(y).map(v -> -v).sorted().toArray();
    return new PairSums(first, second, false);
  }

  /** Half sums of each two values, and each value itself: Walsh averages, twice as large. */
  static OrderStatistics doubledWalshAverages(double[] values) {
    double[] sorted = values.clone();
    Arrays.sort(sorted);
    return new PairSums(sorted, sorted, true);
  }
}
