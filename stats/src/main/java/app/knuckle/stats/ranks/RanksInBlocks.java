package app.knuckle.stats.ranks;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.distributions.StudentizedRangeDistribution;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.apache.commons.statistics.distribution.FDistribution;

/** Treatments ranked within blocks, or occasions within units. */
public final class RanksInBlocks {

  /** Blocks up to which all permutations are enumerated, by number of treatments. */
  private static final int[] MOST_EXACT = {0, 0, 40, 15, 8, 4};

  private static final int MOST_PAGE_TREATMENTS = 6;
  private static final int MOST_PAGE_BLOCKS = 20;

  /**
   * Nobody writes more decimals than this: they come from averaging, and the last ones are
   * rounding, which must not tell equal ranges apart.
   */
  private static final int WRITTEN = 11;

  private final double[][] values;
  private final double[][] ranks;
  private final int b;
  private final int k;
  private final double[] sums;
  private double squares;

  /**
   * Ranks within complete blocks.
   *
   * @param values one row a block, one column a treatment, none missing
   */
  public RanksInBlocks(double[][] values) {
    this.values = values;
    b = values.length;
    k = values[0].length;
    ranks = new double[b][];
    sums = new double[k];
    for (int i = 0; i < b; i++) {
      Ranks own = Ranks.of(values[i]);
      ranks[i] = own.ranks;
      squares += own.squares;
      for (int j = 0; j < k; j++) {
        sums[j] += own.ranks[j];
      }
    }
  }

  /** Rank sums: one a treatment. */
  public double[] rankSums() {
    return sums.clone();
  }

  private double[] means() {
    return Arrays.stream(sums).map(s -> s / b).toArray();
  }

  private double base() {
    return b * k * (k + 1.0) * (k + 1.0) / 4;
  }

  private double deviations() {
    double sum = 0;
    for (double r : sums) {
      double d = r - b * (k + 1) / 2.0;
      sum += d * d;
    }
    return sum;
  }

  /**
   * The Friedman test with its F form, Kendall's W and, for few blocks, the exact p.
   *
   * @return the test
   * @see "Friedman, M. (1937). JASA 32, 675-701; Iman, R. L. and Davenport, J. M. (1980).
   *     Communications in Statistics A9, 571-595"
   */
  public RankTest.Friedman friedman() {
    double spread = squares - base();
    Quantity none = Quantity.absent(Absence.EQUAL_WITHIN_BLOCKS);
    boolean known = spread > 0;
    double chi = (k - 1) * deviations() / spread;
    double left = b * (k - 1.0) - chi;
    // All blocks alike in order leave nothing, but for rounding.
    boolean alike = known && left <= 1e-9 * b * k;
    Quantity onlyOrder = Quantity.absent(Absence.ALL_IN_THE_SAME_ORDER);
    double f = (b - 1) * chi / left;
    boolean exact = k < MOST_EXACT.length && b <= MOST_EXACT[k];
    List<Double> fDf = List.of(k - 1.0, (b - 1.0) * (k - 1));
    return new RankTest.Friedman(
        k - 1,
        known ? Quantity.of(chi) : none,
        12.0 / (b * k * (k + 1.0)) * deviations(),
        known ? Quantity.of(ChiSquaredDistribution.of(k - 1).survivalProbability(chi)) : none,
        exact ? Quantity.of(known ? exactP() : 1) : Quantity.absent(Absence.TOO_MANY_BLOCKS),
        !known ? none : alike ? onlyOrder : Quantity.of(f),
        fDf,
        !known
            ? none
            : alike
                ? Quantity.of(Math.pow(1 / factorial(k), b - 1))
                : fP(f, fDf.get(0), fDf.get(1)),
        known ? Quantity.of(chi / (b * (k - 1.0))) : none);
  }

  private static Quantity fP(double f, double d1, double d2) {
    return d2 > 0
        ? Quantity.of(FDistribution.of(d1, d2).survivalProbability(Math.max(0, f)))
        : Quantity.absent(Absence.ONE_BLOCK);
  }

  private static double factorial(int k) {
    double f = 1;
    for (int i = 2; i <= k; i++) {
      f *= i;
    }
    return f;
  }

  /** Every permutation within blocks: sums of doubled ranks with their number of ways. */
  private Map<List<Integer>, Double> distributions() {
    Map<List<Integer>, Double> distribution = new HashMap<>();
    distribution.put(new ArrayList<>(java.util.Collections.nCopies(k, 0)), 1.0);
    for (double[] block : ranks) {
      List<int[]> permutations = new ArrayList<>();
      int[] doubled = Arrays.stream(block).mapToInt(r -> (int) Math.round(2 * r)).toArray();
      permute(doubled, 0, permutations);
      Map<List<Integer>, Double> next = new HashMap<>();
      distribution.forEach(
          (sum, ways) -> {
            for (int[] p : permutations) {
              List<Integer> more = new ArrayList<>(k);
              for (int j = 0; j < k; j++) {
                more.add(sum.get(j) + p[j]);
              }
              // Only the set of sums matters to the statistic, so their order is dropped.
              more.sort(null);
              next.merge(more, ways / permutations.size(), Double::sum);
            }
          });
      distribution = next;
    }
    return distribution;
  }

  private static void permute(int[] values, int at, List<int[]> all) {
    if (at == values.length) {
      all.add(values.clone());
      return;
    }
    for (int i = at; i < values.length; i++) {
      swap(values, at, i);
      permute(values, at + 1, all);
      swap(values, at, i);
    }
  }

  private static void swap(int[] values, int i, int j) {
    int kept = values[i];
    values[i] = values[j];
    values[j] = kept;
  }

  private double exactP() {
    double observed = 0;
    for (double s : sums) {
      double d = Math.round(2 * s);
      observed += d * d;
    }
    double p = 0;
    for (Map.Entry<List<Integer>, Double> e : distributions().entrySet()) {
      double total = 0;
      for (int s : e.getKey()) {
        total += (double) s * s;
      }
      p += total >= observed ? e.getValue() : 0;
    }
    return Math.min(1, p);
  }

  /**
   * Quade's test, which weighs blocks by their range.
   *
   * @return the test
   * @see "Quade, D. (1979). JASA 74, 680-683"
   */
  public RankTest.Quade quade() {
    double[] ranges = new double[b];
    int scale =
        ExactDecimals.scale(Arrays.stream(values).flatMapToDouble(Arrays::stream).toArray());
    for (int i = 0; i < b; i++) {
      double[] own = ExactDecimals.scaled(values[i], scale);
      ranges[i] = Arrays.stream(own).max().orElse(0) - Arrays.stream(own).min().orElse(0);
      ranges[i] =
          scale > WRITTEN ? Math.rint(ranges[i] / Math.pow(10, scale - WRITTEN)) : ranges[i];
    }
    double[] q = Ranks.of(ranges).ranks;
    double[] scores = new double[k];
    double total = 0;
    for (int i = 0; i < b; i++) {
      for (int j = 0; j < k; j++) {
        double s = q[i] * (ranks[i][j] - (k + 1) / 2.0);
        scores[j] += s;
        total += s * s;
      }
    }
    double treatment = Arrays.stream(scores).map(s -> s * s).sum() / b;
    double f = (b - 1) * treatment / (total - treatment);
    boolean alike = total - treatment <= 1e-12 * total;
    double d2 = (b - 1.0) * (k - 1);
    Quantity none =
        Quantity.absent(total > 0 ? Absence.ALL_IN_THE_SAME_ORDER : Absence.NOTHING_VARIES);
    return new RankTest.Quade(
        Arrays.stream(q).boxed().toList(),
        Arrays.stream(scores).boxed().toList(),
        total,
        treatment,
        alike ? none : Quantity.of(f),
        List.of(k - 1.0, d2),
        !(total > 0)
            ? none
            : alike ? Quantity.of(Math.pow(1 / factorial(k), b - 1)) : fP(f, k - 1, d2));
  }

  /**
   * Page's test of treatments that rise in their order.
   *
   * @return the test
   * @see "Page, E. B. (1963). JASA 58, 216-230"
   */
  public RankTest.Trend page() {
    double l = 0;
    double variance = 0;
    for (int j = 0; j < k; j++) {
      l += (j + 1) * sums[j];
    }
    for (double[] block : ranks) {
      double spread = 0;
      for (double r : block) {
        double d = r - (k + 1) / 2.0;
        spread += d * d;
      }
      variance += spread * k * (k * (double) k - 1) / (12 * (k - 1.0));
    }
    double mean = b * k * (k + 1.0) * (k + 1.0) / 4;
    Quantity none = Quantity.absent(Absence.EQUAL_WITHIN_BLOCKS);
    boolean exact = k <= MOST_PAGE_TREATMENTS && b <= MOST_PAGE_BLOCKS && variance > 0;
    return RankSum.trend(l, mean, variance, none).with(exact ? exactPage(l) : null);
  }

  private RankTest.ExactTrend exactPage(double l) {
    double[] distribution = {1};
    int shift = 0;
    for (double[] block : ranks) {
      int[] doubled = Arrays.stream(block).mapToInt(r -> (int) Math.round(2 * r)).toArray();
      List<int[]> permutations = new ArrayList<>();
      permute(doubled, 0, permutations);
      int[] own =
          permutations.stream()
              .mapToInt(
                  p -> {
                    int sum = 0;
                    for (int j = 0; j < k; j++) {
                      sum += (j + 1) * p[j];
                    }
                    return sum;
                  })
              .toArray();
      int low = Arrays.stream(own).min().orElse(0);
      int high = Arrays.stream(own).max().orElse(0);
      double[] next = new double[distribution.length + high - low];
      for (int s = 0; s < distribution.length; s++) {
        for (int x : own) {
          next[s + x - low] += distribution[s] / own.length;
        }
      }
      distribution = next;
      shift += low;
    }
    int observed = (int) Math.round(2 * l) - shift;
    double up = 0;
    double down = 0;
    for (int s = 0; s < distribution.length; s++) {
      up += s >= observed ? distribution[s] : 0;
      down += s <= observed ? distribution[s] : 0;
    }
    return new RankTest.ExactTrend(Quantity.of(Math.min(1, 2 * Math.min(up, down))), up, down);
  }

  /**
   * Pairs of treatments within blocks.
   *
   * @param procedure one that fits ranks in blocks
   * @param alpha level of significance
   * @return the pairs
   */
  public RankPairs pairs(Procedure procedure, double alpha) {
    double[] means = means();
    if (!procedure.fits(Procedure.Setting.RANKS_IN_BLOCKS)) {
      throw new IllegalArgumentException(procedure.key() + " does not compare within blocks");
    }
    if (procedure == Procedure.NEMENYI) {
      return nemenyi(means, alpha);
    }
    if (procedure == Procedure.CONOVER_HOLM) {
      double sumR = Arrays.stream(sums).map(s -> s * s).sum();
      double df = (b - 1.0) * (k - 1);
      double se = Math.sqrt(2 * (b * squares - sumR) / df) / b;
      return RankPairs.plain(procedure, means, (i, j) -> se, Quantity.of(df), true, alpha);
    }
    double se = Math.sqrt(k * (k + 1.0) / (6.0 * b));
    RankPairs dunn =
        RankPairs.plain(
            procedure, means, (i, j) -> se, Quantity.absent(Absence.NORMAL_THEORY), false, alpha);
    return dunn;
  }

  /** Nemenyi, P. (1963). Distribution-free multiple comparisons. Princeton University. */
  private RankPairs nemenyi(double[] means, double alpha) {
    StudentizedRangeDistribution range =
        StudentizedRangeDistribution.of(k, Double.POSITIVE_INFINITY);
    double se = Math.sqrt(k * (k + 1.0) / (12.0 * b));
    double tied = Math.sqrt((squares - base()) / (b * (k - 1.0)) / b);
    List<Pair> pairs = new ArrayList<>();
    List<RankPairs.More> more = new ArrayList<>();
    Quantity noDf = Quantity.absent(Absence.NORMAL_THEORY);
    for (int i = 0; i < k; i++) {
      for (int j = i + 1; j < k; j++) {
        double d = means[i] - means[j];
        double s = d / se;
        pairs.add(
            RankPairs.pair(
                i,
                j,
                d,
                Quantity.of(se),
                noDf,
                Quantity.of(s),
                Quantity.of(range.survivalProbability(Math.abs(s))),
                alpha));
        Quantity ties = Quantity.finite(Math.abs(d) / tied, Absence.RANKS_DO_NOT_VARY);
        more.add(new RankPairs.More.Ties(ties, ties.map(range::survivalProbability)));
      }
    }
    return new RankPairs(
        Procedure.NEMENYI,
        pairs,
        more,
        RankPairs.letters(means, pairs),
        Quantity.of(range.inverseSurvivalProbability(alpha) * se));
  }

  /**
   * The test for blocks that miss treatments.
   *
   * @param values one row a block, one column a treatment; NaN where missing
   * @return the test
   * @see "Skillings, J. H. and Mack, G. A. (1981). Technometrics 23, 171-177"
   */
  public static RankTest.SkillingsMack skillingsMack(double[][] values) {
    int k = values[0].length;
    double[] a = new double[k];
    double[][] sigma = new double[k][k];
    int used = 0;
    for (double[] block : values) {
      int[] held =
          java.util.stream.IntStream.range(0, k).filter(j -> !Double.isNaN(block[j])).toArray();
      int own = held.length;
      if (own < 2) {
        continue;
      }
      used++;
      double[] ranks = Ranks.of(Arrays.stream(held).mapToDouble(j -> block[j]).toArray()).ranks;
      for (int x = 0; x < own; x++) {
        a[held[x]] += Math.sqrt(12.0 / (own + 1)) * (ranks[x] - (own + 1) / 2.0);
        for (int y = 0; y < own; y++) {
          if (x != y) {
            sigma[held[x]][held[x]]++;
            sigma[held[x]][held[y]]--;
          }
        }
      }
    }
    double[] solved = solve(sigma, a, k - 1);
    Quantity none = Quantity.absent(Absence.BLOCKS_DO_NOT_JOIN);
    double statistic = 0;
    for (int j = 0; solved != null && j < k - 1; j++) {
      statistic += a[j] * solved[j];
    }
    return new RankTest.SkillingsMack(
        used,
        Arrays.stream(a).boxed().toList(),
        solved == null ? none : Quantity.of(statistic),
        k - 1,
        solved == null
            ? none
            : Quantity.of(ChiSquaredDistribution.of(k - 1).survivalProbability(statistic)));
  }

  /** Solves the first n equations by elimination; null if they do not determine the answer. */
  private static double[] solve(double[][] matrix, double[] right, int n) {
    double[][] m = new double[n][n + 1];
    for (int i = 0; i < n; i++) {
      System.arraycopy(matrix[i], 0, m[i], 0, n);
      m[i][n] = right[i];
    }
    for (int c = 0; c < n; c++) {
      int best = c;
      for (int r = c + 1; r < n; r++) {
        best = Math.abs(m[r][c]) > Math.abs(m[best][c]) ? r : best;
      }
      if (Math.abs(m[best][c]) < 1e-9) {
        return null;
      }
      double[] kept = m[c];
      m[c] = m[best];
      m[best] = kept;
      for (int r = 0; r < n; r++) {
        if (r != c) {
          double factor = m[r][c] / m[c][c];
          for (int x = c; x <= n; x++) {
            m[r][x] -= factor * m[c][x];
          }
        }
      }
    }
    double[] x = new double[n];
    Arrays.setAll(x, i -> m[i][n] / m[i][i]);
    return x;
  }
}
