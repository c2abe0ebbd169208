package app.knuckle.stats.ranks;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.resampling.AllPermutations;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.core.ArithmeticUtils;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;

/** Several independent groups by their ranks. */
public final class RanksOfGroups {

  /** Up to so many arrangements are enumerated. */
  private static final double MOST_ARRANGEMENTS = 60_000;

  /** Up to so many values the ordered alternative is counted exactly. */
  private static final int MOST_ORDERED = 60;

  private final double[][] groups;
  private final int n;
  private final Ranks ranks;
  private final double[] rankSums;
  private Integer scale;

  /**
   * Ranks the groups together.
   *
   * @param groups values of each, none empty, in level order
   */
  public RanksOfGroups(double[][] groups) {
    this.groups = groups;
    double[] all = Arrays.stream(groups).flatMapToDouble(Arrays::stream).toArray();
    n = all.length;
    ranks = Ranks.of(all);
    rankSums = new double[groups.length];
    int at = 0;
    for (int g = 0; g < groups.length; g++) {
      for (int i = 0; i < groups[g].length; i++) {
        rankSums[g] += ranks.ranks[at++];
      }
    }
  }

  /** Mean ranks: one a group. */
  public double[] meanRanks() {
    double[] means = new double[groups.length];
    Arrays.setAll(means, g -> rankSums[g] / groups[g].length);
    return means;
  }

  /** Rank sums: one a group. */
  public double[] rankSums() {
    return rankSums.clone();
  }

  double size() {
    return n;
  }

  double tieSum() {
    return ranks.tieSum;
  }

  /** What is left of the squared ranks within the groups: exactly 0 where each has one rank. */
  double squaresWithin() {
    double sum = 0;
    int at = 0;
    for (int g = 0; g < groups.length; g++) {
      double mean = rankSums[g] / groups[g].length;
      for (int i = 0; i < groups[g].length; i++) {
        double d = ranks.ranks[at++] - mean;
        sum += d * d;
      }
    }
    return sum;
  }

  /** Whether every group is one value, so that nothing tells the error. */
  public boolean isSingle() {
    return n == groups.length;
  }

  double count(int g) {
    return groups[g].length;
  }

  /** Each group's values, sorted, on a scale on which their differences are exact. */
  double[][] sorted() {
    return Arrays.stream(groups)
        .map(g -> Arrays.stream(ExactDecimals.scaled(g, scale())).sorted().toArray())
        .toArray(double[][]::new);
  }

  /** The decimals of that scale. */
  int scale() {
    if (scale == null) {
      scale = ExactDecimals.scale(Arrays.stream(groups).flatMapToDouble(Arrays::stream).toArray());
    }
    return scale;
  }

  int groupCount() {
    return groups.length;
  }

  /** H with ties corrected; NaN when all values are equal. */
  double h() {
    double c = 1 - ranks.tieSum / (Math.pow(n, 3) - n);
    return uncorrected() / (c > 0 ? c : Double.NaN);
  }

  private double uncorrected() {
    double sum = 0;
    for (int g = 0; g < groups.length; g++) {
      sum += rankSums[g] * rankSums[g] / groups[g].length;
    }
    return 12.0 / (n * (n + 1.0)) * sum - 3 * (n + 1.0);
  }

  /**
   * The Kruskal-Wallis test.
   *
   * @return the test
   * @see "Kruskal, W. H. and Wallis, W. A. (1952). Journal of the American Statistical Association
   *     47, 583-621"
   */
  public RankTest.KruskalWallis kruskalWallis() {
    int k = groups.length;
    Quantity equal = Quantity.absent(Absence.ALL_EQUAL);
    double h = h();
    boolean known = Double.isFinite(h);
    return new RankTest.KruskalWallis(
        k - 1,
        known ? Quantity.of(h) : equal,
        uncorrected(),
        1 - ranks.tieSum / (Math.pow(n, 3) - n),
        known
            ? Quantity.of(ChiSquaredDistribution.of(k - 1).survivalProbability(Math.max(0, h)))
            : equal,
        arrangements().isPresent()
            ? Quantity.of(exactP())
            : Quantity.absent(Absence.OVER_60000_ARRANGEMENTS),
        known ? Quantity.of(h / (n - 1.0)) : equal,
        known && n > k ? Quantity.of((h - k + 1) / (n - k)) : equal);
  }

  /**
   * How many arrangements an exact p is counted over: empty where there are too many to be counted.
   */
  public Optional<Double> arrangements() {
    double arrangements = AllPermutations.count(sizes());
    return arrangements <= MOST_ARRANGEMENTS ? Optional.of(arrangements) : Optional.empty();
  }

  private int[] sizes() {
    return Arrays.stream(groups).mapToInt(g -> g.length).toArray();
  }

  /** Share of arrangements whose sum of R^2 / n is at least the observed, on doubled ranks. */
  private double exactP() {
    double[] doubled = Arrays.stream(ranks.ranks).map(r -> 2 * r).toArray();
    long common = 1;
    for (double[] group : groups) {
      common = common / ArithmeticUtils.gcd(common, (long) group.length) * group.length;
    }
    long[] weights = new long[groups.length];
    for (int g = 0; g < groups.length; g++) {
      weights[g] = common / groups[g].length;
    }
    long observed = weighed(Arrays.stream(rankSums).map(r -> 2 * r).toArray(), weights);
    long[] count = new long[2];
    AllPermutations.each(
        doubled,
        sizes(),
        Progress.NONE,
        sums -> {
          count[0] += weighed(sums, weights) >= observed ? 1 : 0;
          count[1]++;
        });
    return count[0] / (double) count[1];
  }

  private static long weighed(double[] sums, long[] weights) {
    long total = 0;
    for (int g = 0; g < sums.length; g++) {
      long r = Math.round(sums[g]);
      total += weights[g] * r * r;
    }
    return total;
  }

  /**
   * Mood's median test.
   *
   * @return counts above the pooled median in each group, and the test
   * @see "Mood, A. M. (1950). Introduction to the theory of statistics, 394-398"
   */
  public MedianCounts moodMedian() {
    double[] all = Arrays.stream(groups).flatMapToDouble(Arrays::stream).sorted().toArray();
    int scale = ExactDecimals.scale(all);
    double median =
        ExactDecimals.back(OrderStatistics.of(ExactDecimals.scaled(all, scale)).median(), scale);
    int k = groups.length;
    double[] above =
        Arrays.stream(groups)
            .mapToDouble(own -> Arrays.stream(own).filter(v -> v > median).count())
            .toArray();
    double total = Arrays.stream(above).sum();
    double rest = n - total;
    Quantity none = Quantity.absent(Absence.NONE_ABOVE_THE_MEDIAN);
    boolean known = total > 0 && rest > 0;
    double chi = 0;
    double corrected = 0;
    for (int g = 0; g < k; g++) {
      double e1 = groups[g].length * total / n;
      double e2 = groups[g].length * rest / n;
      double d = Math.abs(above[g] - e1);
      chi += d * d / e1 + d * d / e2;
      double y = Math.max(0, d - 0.5);
      corrected += y * y / e1 + y * y / e2;
    }
    ChiSquaredDistribution distribution = ChiSquaredDistribution.of(k - 1);
    Quantity p = known ? Quantity.of(distribution.survivalProbability(chi)) : none;
    Optional<Double> two = k == 2 ? Optional.of(corrected) : Optional.empty();
    return new MedianCounts(
        median,
        Arrays.stream(above).boxed().toList(),
        new RankTest.Median(
            known ? Quantity.of(chi) : none,
            k - 1,
            p,
            two.map(c -> known ? Quantity.of(c) : none),
            two.map(c -> known ? Quantity.of(distribution.survivalProbability(c)) : none),
            two.map(c -> fisher(groups[0].length, groups[1].length, (int) above[0], (int) total))));
  }

  /**
   * Values above the median of all.
   *
   * @param median of all
   * @param above how many lie above it, group by group
   * @param test of these counts
   */
  public record MedianCounts(double median, List<Double> above, RankTest.Median test) {}

  /** Fisher's exact p: the tables not more likely than the observed. */
  private static double fisher(int m, int n, int a, int total) {
    int low = Math.max(0, total - n);
    int high = Math.min(m, total);
    double[] logs = new double[high - low + 1];
    for (int i = low; i < high; i++) {
      double odds = (m - i) * (double) (total - i) / ((i + 1.0) * (n - total + i + 1));
      logs[i + 1 - low] = logs[i - low] + Math.log(odds);
    }
    double top = Arrays.stream(logs).max().orElse(0);
    double own = logs[a - low];
    double sum = 0;
    double all = 0;
    for (double log : logs) {
      double weight = Math.exp(log - top);
      all += weight;
      // Tables as likely as the observed count, whatever rounding makes of their logarithms.
      sum += log <= own + 1e-9 ? weight : 0;
    }
    return Math.min(1, sum / all);
  }

  /**
   * The ordered alternative: the groups rise in their order.
   *
   * @return the test
   * @see "Terpstra, T. J. (1952). Indagationes Mathematicae 14, 327-333; Jonckheere, A. R. (1954).
   *     Biometrika 41, 133-145"
   */
  public RankTest.Trend jonckheere() {
    double j = 0;
    double sizes2 = 0;
    double s5 = 0;
    double s3 = 0;
    double s2 = 0;
    for (int a = 0; a < groups.length; a++) {
      double own = groups[a].length;
      sizes2 += own * own;
      s5 += own * (own - 1) * (2 * own + 5);
      s3 += own * (own - 1) * (own - 2);
      s2 += own * (own - 1);
    }
    j = rises();
    double t5 = 0;
    double t3 = 0;
    double t2 = 0;
    double[] sorted = Arrays.stream(groups).flatMapToDouble(Arrays::stream).sorted().toArray();
    for (int i = 0; i < n; ) {
      int e = i;
      while (e < n && sorted[e] == sorted[i]) {
        e++;
      }
      double t = e - i;
      t5 += t * (t - 1) * (2 * t + 5);
      t3 += t * (t - 1) * (t - 2);
      t2 += t * (t - 1);
      i = e;
    }
    double big = n;
    double mean = (big * big - sizes2) / 4;
    double variance =
        (big * (big - 1) * (2 * big + 5) - s5 - t5) / 72
            + (n > 2 ? s3 * t3 / (36 * big * (big - 1) * (big - 2)) : 0)
            + s2 * t2 / (8 * big * (big - 1));
    Quantity none = Quantity.absent(Absence.ALL_EQUAL);
    return RankSum.trend(j, mean, variance, none)
        .with(t2 == 0 && n <= MOST_ORDERED ? exactOrdered((int) j) : null);
  }

  /** Pairs of which the later group has the larger value, ties half. */
  private double rises() {
    FenwickTree earlier =
        new FenwickTree(Arrays.stream(groups).flatMapToDouble(Arrays::stream).toArray());
    double sum = 0;
    for (double[] group : groups) {
      for (double value : group) {
        sum += earlier.below(value) + earlier.equal(value) / 2.0;
      }
      for (double value : group) {
        earlier.add(value);
      }
    }
    return sum;
  }

  /** The distribution of J is that of a sum of independent U statistics of growing pools. */
  private RankTest.ExactTrend exactOrdered(int j) {
    double[] distribution = {1};
    int pool = groups[0].length;
    for (int g = 1; g < groups.length; g++) {
      distribution = convolved(distribution, countsOfU(groups[g].length, pool));
      pool += groups[g].length;
    }
    double all = Arrays.stream(distribution).sum();
    double up = 0;
    double down = 0;
    for (int i = 0; i < distribution.length; i++) {
      up += i >= j ? distribution[i] / all : 0;
      down += i <= j ? distribution[i] / all : 0;
    }
    return new RankTest.ExactTrend(Quantity.of(Math.min(1, 2 * Math.min(up, down))), up, down);
  }

  private static double[] countsOfU(int m, int n) {
    double[][] ways = new double[m + 1][m * n + 1];
    ways[0][0] = 1;
    for (int i = 1; i <= m + n; i++) {
      for (int chosen = Math.min(i, m); chosen >= 1; chosen--) {
        int add = i - chosen;
        if (add <= n) {
          for (int u = m * n; u >= add; u--) {
            ways[chosen][u] += ways[chosen - 1][u - add];
          }
        }
      }
    }
    double all = Arrays.stream(ways[m]).sum();
    return Arrays.stream(ways[m]).map(w -> w / all).toArray();
  }

  private static double[] convolved(double[] a, double[] b) {
    double[] c = new double[a.length + b.length - 1];
    for (int i = 0; i < a.length; i++) {
      for (int j = 0; j < b.length; j++) {
        c[i + j] += a[i] * b[j];
      }
    }
    return c;
  }
}
