package app.knuckle.stats.ranks;

import java.util.Arrays;

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
    return of(values, 0);
  }

  /** The same where values that lie within a distance of the smallest of their set tie. */
  static Ranks of(double[] values, double within) {
    int n = values.length;
    double[] sorted = values.clone();
    // 0 is added because -0 would be sorted apart from 0, to which it is equal.
    for (int i = 0; i < n; i++) {
      sorted[i] += 0.0;
    }
    Arrays.sort(sorted);
    double[] midranks = new double[n];
    double ties = 0;
    double squares = 0;
    for (int i = 0; i < n; ) {
      int j = i;
      while (j < n && sorted[j] - sorted[i] <= within) {
        j++;
      }
      double t = j - i;
      ties += t * t * t - t;
      double midrank = (i + 1 + j) / 2.0;
      squares += t * midrank * midrank;
      Arrays.fill(midranks, i, j, midrank);
      i = j;
    }
    double[] ranks = new double[n];
    for (int i = 0; i < n; i++) {
      ranks[i] = midranks[Arrays.binarySearch(sorted, values[i] + 0.0)];
    }
    return new Ranks(ranks, ties, squares);
  }
}
