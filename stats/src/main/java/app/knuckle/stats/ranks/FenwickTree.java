package app.knuckle.stats.ranks;

import java.util.Arrays;

/**
 * Counts values below any bound while they come in one by one, each in a number of steps that grows
 * with the logarithm of how many differ.
 *
 * @see "Fenwick, P. M. (1994). A new data structure for cumulative frequency tables. Software:
 *     Practice and Experience 24, 327-336"
 */
public final class FenwickTree {

  private final double[] levels;
  private final int[] tree;

  /**
   * An empty tree.
   *
   * @param values all that will ever be added or asked about, in any order; none is NaN
   */
  public FenwickTree(double[] values) {
    // Zero is one value, whatever its sign.
    levels = Arrays.stream(values).map(v -> v + 0.0).distinct().sorted().toArray();
    tree = new int[levels.length + 1];
  }

  /**
   * Counts one more.
   *
   * @param value one of those it was made for
   */
  public void add(double value) {
    for (int node = place(value) + 1; node < tree.length; node += node & -node) {
      tree[node]++;
    }
  }

  /**
   * How many of those added are smaller.
   *
   * @param value one of those it was made for
   * @return 0 or more
   */
  public int below(double value) {
    return upTo(place(value));
  }

  /**
   * How many of those added are equal.
   *
   * @param value one of those it was made for
   * @return 0 or more
   */
  public int equal(double value) {
    int place = place(value);
    return upTo(place + 1) - upTo(place);
  }

  private int place(double value) {
    return Arrays.binarySearch(levels, value + 0.0);
  }

  private int upTo(int places) {
    int count = 0;
    for (int node = places; node > 0; node -= node & -node) {
      count += tree[node];
    }
    return count;
  }
}
