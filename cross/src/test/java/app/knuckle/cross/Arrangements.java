package app.knuckle.cross;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** All ways of arranging values among groups. */
final class Arrangements {
  /** So many ways are gone through one by one. */
  static final int FEW = 100_000;

  private Arrangements() {}

  /** All choices of m of n things. */
  static List<int[]> choices(int n, int m) {
    List<int[]> all = new ArrayList<>();
    int[] at = IntStream.range(0, m).toArray();
    while (true) {
      all.add(at.clone());
      int i = m - 1;
      while (i >= 0 && at[i] == n - m + i) {
        i--;
      }
      if (i < 0) {
        return all;
      }
      at[i]++;
      for (int j = i + 1; j < m; j++) {
        at[j] = at[j - 1] + 1;
      }
    }
  }

  static double ways(int... sizes) {
    double ways = 1;
    int placed = 0;
    for (int size : sizes) {
      for (int i = 1; i <= size; i++) {
        ways = ways * ++placed / i;
      }
    }
    return Math.rint(ways);
  }

  static void place(
      double[] all,
      int at,
      int[] left,
      int[] sizes,
      double[] sums,
      double observed,
      double[] count) {
    if (at == all.length) {
      double own = 0;
      for (int g = 0; g < sums.length; g++) {
        own += sums[g] * sums[g] / sizes[g];
      }
      count[0] += own >= observed * (1 - 1e-12) - 1e-12 ? 1 : 0;
      count[1]++;
      return;
    }
    for (int g = 0; g < left.length; g++) {
      if (left[g] > 0) {
        left[g]--;
        sums[g] += all[at];
        place(all, at + 1, left, sizes, sums, observed, count);
        sums[g] -= all[at];
        left[g]++;
      }
    }
  }
}
