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
   * Midranks of the distances from each group's median, as exact decimals, over all groups.
   *
   * @param groups none empty
   * @return one a value, group after group
   */
  public static double[] ofDistancesFromMedian(double[][] groups) {
    double[] all = Arrays.stream(groups).flatMapToDouble(Arrays::stream).toArray();
    int scale = Exact.scale(all);
    double[] distances = new double[all.length];
    int at = 0;
    for (double[] group : groups) {
      double[] x = Exact.scaled(group, scale);
      double[] sorted = x.clone();
      Arrays.sort(sorted);
      double median = Ordered.of(sorted).median();
      for (double v : x) {
        distances[at++] = Math.abs(v - median);
      }
    }
    return Ranks.of(distances).ranks;
  }
}
