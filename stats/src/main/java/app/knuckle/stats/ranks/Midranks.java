package app.knuckle.stats.ranks;

import java.util.Arrays;

/** Midranks for tests elsewhere. */
public final class Midranks {

  private Midranks() {}

  /**
   * Midranks of values.
   *
   * @param values any
   * @return one a value, the smallest being 1
   */
  public static double[] of(double[] values) {
    return Ranks.of(values).ranks;
  }

  /**
   * Midranks of the distances from each group's median, over all groups.
   *
   * @param groups none empty
   * @param within distances that differ by no more tie
   * @return one a value, group after group
   */
  public static double[] ofDistancesFromMedian(double[][] groups, double within) {
    double[] distances = new double[Arrays.stream(groups).mapToInt(g -> g.length).sum()];
    int at = 0;
    for (double[] group : groups) {
      double[] sorted = group.clone();
      Arrays.sort(sorted);
      double median = OrderStatistics.of(sorted).median();
      for (double v : group) {
        distances[at++] = Math.abs(v - median);
      }
    }
    return Ranks.of(distances, within).ranks;
  }
}
