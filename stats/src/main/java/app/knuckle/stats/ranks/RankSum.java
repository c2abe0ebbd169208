package app.knuckle.stats.ranks;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Direction;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.apache.commons.statistics.distribution.TDistribution;

/** Two independent samples by their ranks. */
public final class RankSum {

  /** Up to so many values the distribution is enumerated. */
  private static final int MOST_EXACT = 40;

  static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

  private RankSum() {}

  /** P in the direction asked, from the two tails and both. */
  static double p(Direction direction, double either, double greater, double less) {
    return switch (direction) {
      case EITHER -> either;
      case GREATER -> greater;
      case LESS -> less;
    };
  }

  /** A normal test with a deviation and its standard deviation. */
  static RankTest.Normal normal(
      double deviation, double sd, double correction, Direction direction) {
    double less = NORMAL.cumulativeProbability((deviation + correction) / sd);
    double greater = NORMAL.survivalProbability((deviation - correction) / sd);
    double corrected = Math.signum(deviation) * Math.max(0, Math.abs(deviation) - correction);
    double either = Math.min(1, 2 * NORMAL.survivalProbability(Math.abs(corrected) / sd));
    return new RankTest.Normal(
        corrected / sd, Quantity.of(p(direction, either, greater, less)), either, greater, less);
  }

  /**
   * The rank-sum test with shift and probability of superiority.
   *
   * @param x first sample
   * @param y second sample
   * @param direction greater: the first above the second
   * @param alpha level of significance
   * @return the test
   * @see "Wilcoxon (1945), Biometrics Bulletin 1, 80-83; Mann and Whitney (1947), Annals of
   *     Mathematical Statistics 18, 50-60; Lehmann (1975), Nonparametrics, section 1"
   */
  public static RankTest.MannWhitney mannWhitney(
      double[] x, double[] y, Direction direction, double alpha) {
    int m = x.length;
    int n = y.length;
    double total = m + n;
    Ranks ranks = Ranks.of(DoubleStream.concat(Arrays.stream(x), Arrays.stream(y)).toArray());
    double sum = Arrays.stream(ranks.ranks, 0, m).sum();
    double rest = total * (total + 1) / 2 - sum;
    double u = sum - m * (m + 1) / 2.0;
    double mean = m * (double) n / 2;
    double variance = m * (double) n / 12 * (total + 1 - ranks.tieSum / (total * (total - 1)));
    boolean spread = variance > 0;
    RankTest.ExactSum exact = total <= MOST_EXACT ? exact(ranks.ranks, m, sum, direction) : null;
    RankTest.Normal corrected =
        spread ? normal(u - mean, Math.sqrt(variance), 0.5, direction) : null;
    return new RankTest.MannWhitney(
        List.of((double) m, (double) n),
        List.of(sum, rest),
        List.of(sum / m, rest / n),
        u,
        m * (double) n - u,
        Math.min(u, m * (double) n - u),
        ranks.tieSum,
        mean,
        variance,
        exact != null ? "exact" : "normal",
        exact != null ? exact.p() : spread ? corrected.p() : Quantity.absent(Absence.ALL_EQUAL),
        exact,
        spread ? normal(u - mean, Math.sqrt(variance), 0, direction) : null,
        corrected,
        u / (m * (double) n),
        2 * u / (m * (double) n) - 1,
        shift(x, y, direction, alpha));
  }

  /**
   * All choices of m of the midranks, equally likely; counted on doubled ranks, which are whole.
   */
  private static double[] ways(double[] ranks, int m) {
    int n = ranks.length;
    int largest = (int) Math.round(2 * Arrays.stream(ranks).sum());
    double[][] ways = new double[m + 1][largest + 1];
    ways[0][0] = 1;
    for (int i = 0; i < n; i++) {
      int r = (int) Math.round(2 * ranks[i]);
      for (int chosen = Math.min(i, m - 1); chosen >= 0; chosen--) {
        for (int s = largest - r; s >= 0; s--) {
          if (ways[chosen][s] != 0) {
            ways[chosen + 1][s + r] += ways[chosen][s];
          }
        }
      }
    }
    return ways[m];
  }

  private static RankTest.ExactSum exact(double[] ranks, int m, double sum, Direction direction) {
    int n = ranks.length;
    double[] ways = ways(ranks, m);
    double all = Arrays.stream(ways).sum();
    int observed = (int) Math.round(2 * sum);
    // Twice the mean of the doubled sum, so that it is whole.
    long middle = Math.round(2.0 * m * (n + 1));
    long away = Math.abs(2L * observed - middle);
    double either = 0;
    double greater = 0;
    double less = 0;
    for (int s = 0; s < ways.length; s++) {
      double w = ways[s];
      either += Math.abs(2L * s - middle) >= away ? w : 0;
      greater += s >= observed ? w : 0;
      less += s <= observed ? w : 0;
    }
    either /= all;
    greater /= all;
    less /= all;
    return new RankTest.ExactSum(
        Quantity.of(p(direction, either, greater, less)),
        either,
        greater,
        less,
        Math.min(1, 2 * Math.min(greater, less)),
        all);
  }

  /**
   * The distribution that the exact p of {@link #mannWhitney} is read from.
   *
   * @param x first sample
   * @param y second sample
   * @return the distribution of U; empty where the samples are too large to be counted
   */
  public static Optional<ExactDistribution> counted(double[] x, double[] y) {
    int m = x.length;
    if (m + y.length > MOST_EXACT) {
      return Optional.empty();
    }
    double[] both = DoubleStream.concat(Arrays.stream(x), Arrays.stream(y)).toArray();
    return Optional.of(
        ExactDistribution.ofDoubledSums(ways(Ranks.of(both).ranks, m), -m * (m + 1) / 2.0));
  }

  /** Hodges and Lehmann (1963), Annals of Mathematical Statistics 34, 598-611. */
  private static RankTest.Shift shift(double[] x, double[] y, Direction direction, double alpha) {
    int m = x.length;
    int n = y.length;
    int scale =
        ExactDecimals.scale(DoubleStream.concat(Arrays.stream(x), Arrays.stream(y)).toArray());
    OrderStatistics d =
        OrderStatistics.differences(ExactDecimals.scaled(x, scale), ExactDecimals.scaled(y, scale));
    double level = direction == Direction.EITHER ? alpha / 2 : alpha;
    double sd = Math.sqrt(m * (double) n * (m + n + 1) / 12);
    long normal =
        (long) Math.floor(m * (double) n / 2 - NORMAL.inverseSurvivalProbability(level) * sd);
    RankTest.Limits byNormal = limits(d, scale, normal, direction, Optional.empty());
    RankTest.Limits byExact = null;
    if (m + n <= MOST_EXACT) {
      double[] null0 = nullOfU(m, n);
      int c = rank(null0, level);
      double beyond = 0;
      for (int u = 0; u < c; u++) {
        beyond += null0[u];
      }
      byExact = limits(d, scale, c, direction, Optional.of(1 - sides(direction) * beyond));
    }
    RankTest.Limits used = byExact == null ? byNormal : byExact;
    return new RankTest.Shift(
        ExactDecimals.back(d.median(), scale), byExact, byNormal, used.low(), used.high());
  }

  /** How many limits an interval has. */
  static int sides(Direction direction) {
    return direction == Direction.EITHER ? 2 : 1;
  }

  /** Largest C with P(statistic &lt;= C - 1) at most the level. */
  static int rank(double[] probabilities, double level) {
    double sum = 0;
    for (int c = 0; c < probabilities.length; c++) {
      sum += probabilities[c];
      if (sum > level * (1 + 1e-12)) {
        return c;
      }
    }
    return probabilities.length;
  }

  /** The C-th smallest and largest; the outer one is missing for a direction. */
  static RankTest.Limits limits(
      OrderStatistics sorted, int scale, long c, Direction direction, Optional<Double> confidence) {
    Quantity none = Quantity.absent(Absence.TOO_FEW_FOR_CONFIDENCE);
    Quantity open = Quantity.absent(Absence.ONE_LIMIT);
    boolean found = c >= 1 && c <= sorted.size();
    Quantity low = found ? Quantity.of(ExactDecimals.back(sorted.at(c - 1), scale)) : none;
    Quantity high =
        found ? Quantity.of(ExactDecimals.back(sorted.at(sorted.size() - c), scale)) : none;
    return new RankTest.Limits(
        direction == Direction.LESS ? open : low,
        direction == Direction.GREATER ? open : high,
        Math.max(0, c),
        confidence);
  }

  /** The distribution of U without ties. */
  private static double[] nullOfU(int m, int n) {
    double[][] ways = new double[m + 1][m * n + 1];
    ways[0][0] = 1;
    for (int i = 1; i <= m + n; i++) {
      for (int chosen = Math.min(i, m); chosen >= 1; chosen--) {
        // Rank i chosen as the chosen-th adds i - chosen values of the other sample below it.
        int add = i - chosen;
        if (add > n) {
          continue;
        }
        for (int u = m * n; u >= add; u--) {
          ways[chosen][u] += ways[chosen - 1][u - add];
        }
      }
    }
    double all = Arrays.stream(ways[m]).sum();
    return Arrays.stream(ways[m]).map(w -> w / all).toArray();
  }

  /**
   * The probability that one value of the first sample lies above one of the second, tested against
   * a half without taking spreads to be equal.
   *
   * @param x first sample
   * @param y second sample
   * @param direction greater: the first above the second
   * @param alpha level of significance
   * @return the test
   * @see "Brunner, E. and Munzel, U. (2000). The nonparametric Behrens-Fisher problem. Biometrical
   *     Journal 42, 17-25"
   */
  public static RankTest.BrunnerMunzel brunnerMunzel(
      double[] x, double[] y, Direction direction, double alpha) {
    double m = x.length;
    double n = y.length;
    double[] all = DoubleStream.concat(Arrays.stream(x), Arrays.stream(y)).toArray();
    double[] ranks = Ranks.of(all).ranks;
    double[] first = Arrays.copyOfRange(ranks, 0, x.length);
    double[] second = Arrays.copyOfRange(ranks, x.length, all.length);
    double v1 = spread(first, Ranks.of(x).ranks);
    double v2 = spread(second, Ranks.of(y).ranks);
    double u = Arrays.stream(first).sum() - m * (m + 1) / 2;
    double p = u / (m * n);
    double se = Math.sqrt(m * v1 + n * v2) / (m * n);
    if (!(se > 0)) {
      Quantity none = Quantity.absent(Absence.NOTHING_OVERLAPS);
      return new RankTest.BrunnerMunzel(p, none, none, none, none, none, none, none, none, none);
    }
    double t = (p - 0.5) / se;
    double top = m * v1 + n * v2;
    double df = top * top / (m * v1 * m * v1 / (m - 1) + n * v2 * n * v2 / (n - 1));
    TDistribution distribution = TDistribution.of(df);
    double greater = distribution.survivalProbability(t);
    double less = distribution.cumulativeProbability(t);
    double either = Math.min(1, 2 * Math.min(greater, less));
    double half =
        se
            * distribution.inverseSurvivalProbability(
                direction == Direction.EITHER ? alpha / 2 : alpha);
    Quantity open = Quantity.absent(Absence.ONE_LIMIT);
    return new RankTest.BrunnerMunzel(
        p,
        Quantity.of(se),
        Quantity.of(t),
        Quantity.of(df),
        Quantity.of(p(direction, either, greater, less)),
        Quantity.of(either),
        Quantity.of(greater),
        Quantity.of(less),
        direction == Direction.LESS ? open : Quantity.of(p - half),
        direction == Direction.GREATER ? open : Quantity.of(p + half));
  }

  private static double spread(double[] overall, double[] own) {
    double n = overall.length;
    double mean = Arrays.stream(overall).sum() / n;
    double sum = 0;
    for (int i = 0; i < own.length; i++) {
      double d = overall[i] - own[i] - mean + (n + 1) / 2;
      sum += d * d;
    }
    return sum / (n - 1);
  }

  /**
   * U of two sorted samples with z, tie-corrected and without continuity, and the difference of the
   * mean ranks.
   */
  static double[] pairwise(double[] x, double[] y) {
    double m = x.length;
    double n = y.length;
    double total = m + n;
    double u = 0;
    double ties = 0;
    int i = 0;
    int j = 0;
    while (i < x.length || j < y.length) {
      double value = j == y.length || i < x.length && x[i] <= y[j] ? x[i] : y[j];
      int fromX = i;
      int fromY = j;
      while (i < x.length && x[i] == value) {
        i++;
      }
      while (j < y.length && y[j] == value) {
        j++;
      }
      double tied = i - fromX + j - fromY;
      ties += tied * tied * tied - tied;
      u += (i - fromX) * (fromY + (j - fromY) / 2.0);
    }
    double sum = u + m * (m + 1) / 2;
    double variance = m * n / 12 * (total + 1 - ties / (total * (total - 1)));
    double z = variance > 0 ? (u - m * n / 2) / Math.sqrt(variance) : Double.NaN;
    double difference = sum / m - (total * (total + 1) / 2 - sum) / n;
    return new double[] {u, z, difference};
  }

  /**
   * A statistic of an ordered alternative with its normal distribution; large values speak for a
   * rise.
   */
  static RankTest.Trend trend(double statistic, double mean, double variance, Quantity none) {
    boolean known = variance > 0;
    double z = (statistic - mean) / Math.sqrt(variance);
    double up = NORMAL.survivalProbability(z);
    double down = NORMAL.cumulativeProbability(z);
    return new RankTest.Trend(
        statistic,
        mean,
        variance,
        known ? Quantity.of(z) : none,
        known ? Quantity.of(Math.min(1, 2 * Math.min(up, down))) : none,
        known ? Quantity.of(up) : none,
        known ? Quantity.of(down) : none,
        null);
  }
}
