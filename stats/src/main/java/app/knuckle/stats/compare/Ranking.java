package app.knuckle.stats.compare;

import app.knuckle.stats.means.Estimates;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/** Means from the largest to the smallest. Means that tie stand in the order of their levels. */
public final class Ranking {
  /** Means this close, as a share of the largest difference, tie: what summing them leaves. */
  private static final double OF_DIFFERENCES = 1e-12;

  /** Or this close as a share of the largest mean: 64 units in the last place of the data. */
  private static final double OF_MEANS = 0x1p-47;

  private Ranking() {}

  /**
   * The ranking of estimated means.
   *
   * @param estimates the means
   * @return every index once, the largest mean first
   */
  public static List<Integer> of(Estimates estimates) {
    int k = estimates.size();
    double[] values = new double[k];
    double largest = 0;
    for (int i = 0; i < k; i++) {
      values[i] = estimates.difference(i, 0);
      largest = Math.max(largest, Math.abs(estimates.mean(i)));
    }
    return of(values, OF_MEANS * largest);
  }

  /**
   * The ranking of values.
   *
   * @param values any numbers
   * @return every index once, the largest first
   */
  public static List<Integer> of(double[] values) {
    double largest = 0;
    for (double value : values) {
      largest = Math.max(largest, Math.abs(value));
    }
    return of(values, OF_MEANS * largest);
  }

  private static List<Integer> of(double[] values, double blur) {
    List<Integer> sorted =
        new ArrayList<>(
            IntStream.range(0, values.length)
                .boxed()
                .sorted(Comparator.comparingDouble(i -> -values[i]))
                .toList());
    double range =
        sorted.isEmpty() ? 0 : values[sorted.get(0)] - values[sorted.get(sorted.size() - 1)];
    double tie = Math.max(blur, OF_DIFFERENCES * range);
    int from = 0;
    for (int i = 1; i <= sorted.size(); i++) {
      if (i == sorted.size() || values[sorted.get(i - 1)] - values[sorted.get(i)] > tie) {
        sorted.subList(from, i).sort(Comparator.naturalOrder());
        from = i;
      }
    }
    return List.copyOf(sorted);
  }
}
