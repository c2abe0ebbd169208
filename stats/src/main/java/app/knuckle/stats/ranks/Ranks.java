package app.knuckle.stats.ranks;

import java.util.Arrays;
import java.util.Comparator;
import java.util.stream.IntStream;

/** Midranks of a pool of values. */
final class Ranks {

  final double[] ranks;
  final double tieSum;
  final double squares;

  private Ranks(double[] ranks, double tieSum, double squares) {
    this.ranks = ranks;
    this.tieSum = tieSum;
    this.squares = squares;
  }

  /** Ranks values, the smallest being 1; tieSum is the sum of t^3 - t over tied sets. */
  static Ranks of(double[] values) {
    int n = values.length;
    Integer[] order = IntStream.range(0, n).boxed().toArray(Integer[]::new);
    Arrays.sort(order, Comparator.comparingDouble(i -> values[i]));
    double[] ranks = new double[n];
    double ties = 0;
    double squares = 0;
    for (int i = 0; i < n; ) {
      int j = i;
      while (j < n && values[order[j]] == values[order[i]]) {
        j++;
      }
      double t = j - i;
      ties += t * t * t - t;
      for (int k = i; k < j; k++) {
        ranks[order[k]] = (i + 1 + j) / 2.0;
        squares += ranks[order[k]] * ranks[order[k]];
      }
      i = j;
    }
    return new Ranks(ranks, ties, squares);
  }
}
