package app.knuckle.stats.resampling;

import app.knuckle.stats.Progress;
import java.util.Arrays;
import java.util.function.Consumer;
import java.util.stream.IntStream;

/**
 * Every way to deal values out to groups of given sizes. The largest group takes what the others
 * leave, so that few choices are made however many values there are.
 */
public final class AllPermutations {
  private final double[] values;
  private final int[] sizes;
  private final int[] chosen;
  private final double[] sums;
  private final boolean[] used;
  private final int rest;
  private final double total;
  private final Progress progress;
  private final Consumer<double[]> judge;

  private AllPermutations(
      double[] values, int[] sizes, Progress progress, Consumer<double[]> judge) {
    this.values = values;
    this.sizes = sizes;
    this.progress = progress;
    this.judge = judge;
    int largest = 0;
    for (int g = 1; g < sizes.length; g++) {
      largest = sizes[g] > sizes[largest] ? g : largest;
    }
    rest = largest;
    chosen = IntStream.range(0, sizes.length).filter(g -> g != rest).toArray();
    sums = new double[sizes.length];
    used = new boolean[values.length];
    total = Arrays.stream(values).sum();
  }

  /**
   * How many there are.
   *
   * @param sizes of the groups
   * @return a whole number, exact up to 2^53
   */
  public static double count(int[] sizes) {
    double ways = 1;
    int placed = 0;
    for (int size : sizes) {
      for (int i = 1; i <= size; i++) {
        ways = ways * ++placed / i;
      }
    }
    return Math.rint(ways);
  }

  /**
   * Shows each.
   *
   * @param values to deal out
   * @param sizes of the groups, which sum to their number
   * @param progress asked on the way
   * @param judge takes the sum of each group; the array is used again
   * @throws java.util.concurrent.CancellationException if stopped
   */
  public static void each(
      double[] values, int[] sizes, Progress progress, Consumer<double[]> judge) {
    AllPermutations all = new AllPermutations(values, sizes, progress, judge);
    all.group(0, all.total);
  }

  private void group(int at, double left) {
    if (at == chosen.length) {
      sums[rest] = left;
      judge.accept(sums);
      return;
    }
    choose(at, 0, sizes[chosen[at]], 0, left);
  }

  private void choose(int at, int from, int need, double sum, double left) {
    if (need == 0) {
      sums[chosen[at]] = sum;
      group(at + 1, left);
      return;
    }
    for (int i = from; i < values.length; i++) {
      if (!used[i]) {
        if (at == 0) {
          progress.check();
        }
        used[i] = true;
        choose(at, i + 1, need - 1, sum + values[i], left - values[i]);
        used[i] = false;
      }
    }
  }
}
