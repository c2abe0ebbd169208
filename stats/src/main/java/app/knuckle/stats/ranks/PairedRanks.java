package app.knuckle.stats.ranks;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Direction;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.DoubleStream;
import org.apache.commons.statistics.distribution.BinomialDistribution;

/** Differences of matched pairs, or of one sample from an expected value, by their ranks. */
public final class PairedRanks {

  /** Up to so many differences the distribution is enumerated. */
  private static final int MOST_EXACT = 60;

  private final double[] differences;
  private final int scale;

  private PairedRanks(double[] differences, int scale) {
    this.differences = differences;
    this.scale = scale;
  }

  /**
   * Differences as exact decimals.
   *
   * @param first first values
   * @param second second values, as many
   * @return the differences first - second
   */
  public static PairedRanks of(double[] first, double[] second) {
    int scale =
        ExactDecimals.scale(
            DoubleStream.concat(Arrays.stream(first), Arrays.stream(second)).toArray());
    double[] a = ExactDecimals.scaled(first, scale);
    double[] b = ExactDecimals.scaled(second, scale);
    double[] d = new double[a.length];
    Arrays.setAll(d, i -> a[i] - b[i]);
    return new PairedRanks(d, scale);
  }

  /** The differences on the scale of the values: one a pair. */
  public double[] differences() {
    return Arrays.stream(differences).map(d -> ExactDecimals.back(d, scale)).toArray();
  }

  /**
   * The signed-rank test.
   *
   * @param direction greater: first above second
   * @param alpha level of significance
   * @param expected added to the centre; NaN for pairs, whose shift is given instead
   * @return the test
   * @see "Wilcoxon, F. (1945). Biometrics Bulletin 1, 80-83; Pratt, J. W. (1959). JASA 54, 655-667"
   */
  public RankTest.SignedRank signedRank(Direction direction, double alpha, double expected) {
    int zeros = (int) Arrays.stream(differences).filter(d -> d == 0).count();
    double[] nonzero = Arrays.stream(differences).filter(d -> d != 0).toArray();
    double[] ranks = Ranks.of(Arrays.stream(nonzero).map(Math::abs).toArray()).ranks;
    // Pratt: zeros are ranked with the others, then dropped.
    double[] all = Ranks.of(Arrays.stream(differences).map(Math::abs).toArray()).ranks;
    double[] kept = new double[nonzero.length];
    int at = 0;
    for (int i = 0; i < differences.length; i++) {
      if (differences[i] != 0) {
        kept[at++] = all[i];
      }
    }
    boolean one = !Double.isNaN(expected);
    RankTest.Shift centre = centre(direction, alpha, one ? expected : 0);
    return new RankTest.SignedRank(
        differences.length,
        zeros,
        test(nonzero, ranks, direction),
        test(nonzero, kept, direction),
        one ? Optional.empty() : Optional.of(centre),
        one ? Optional.of(expected) : Optional.empty(),
        one ? Optional.of(centre) : Optional.empty());
  }

  /**
   * The distribution that the exact p of {@link #signedRank} is read from: the distribution of the
   * sum of positive ranks; empty where there are too many to be counted.
   */
  public Optional<ExactDistribution> counted() {
    double[] nonzero = Arrays.stream(differences).filter(d -> d != 0).toArray();
    return nonzero.length > MOST_EXACT
        ? Optional.empty()
        : Optional.of(
            ExactDistribution.ofDoubledSums(
                ways(Ranks.of(Arrays.stream(nonzero).map(Math::abs).toArray()).ranks), 0));
  }

  private static RankTest.Signs test(double[] d, double[] ranks, Direction direction) {
    double positive = 0;
    double mean = 0;
    double variance = 0;
    for (int i = 0; i < d.length; i++) {
      positive += d[i] > 0 ? ranks[i] : 0;
      mean += ranks[i] / 2;
      variance += ranks[i] * ranks[i] / 4;
    }
    double negative = 2 * mean - positive;
    boolean known = d.length > 0;
    Quantity none = Quantity.absent(Absence.ALL_DIFFERENCES_ZERO);
    RankTest.ExactSigns exact = d.length <= MOST_EXACT ? exact(ranks, positive, direction) : null;
    double sd = Math.sqrt(variance);
    RankTest.Normal corrected = known ? RankSum.normal(positive - mean, sd, 0.5, direction) : null;
    return new RankTest.Signs(
        d.length,
        positive,
        negative,
        mean,
        variance,
        exact != null ? "exact" : "normal",
        exact != null ? exact.p() : corrected.p(),
        exact,
        known ? RankSum.normal(positive - mean, sd, 0, direction) : null,
        corrected,
        known ? Quantity.of((positive - negative) / (positive + negative)) : none);
  }

  /** All choices of signs on the midranks, counted on doubled ranks. */
  private static double[] ways(double[] ranks) {
    int largest = (int) Math.round(2 * Arrays.stream(ranks).sum());
    double[] ways = new double[largest + 1];
    ways[0] = 1;
    for (double rank : ranks) {
      int r = (int) Math.round(2 * rank);
      for (int s = largest; s >= 0; s--) {
        ways[s] = (ways[s] + (s >= r ? ways[s - r] : 0)) / 2;
      }
    }
    return ways;
  }

  private static RankTest.ExactSigns exact(double[] ranks, double positive, Direction direction) {
    double[] ways = ways(ranks);
    int observed = (int) Math.round(2 * positive);
    double greater = 0;
    double less = 0;
    for (int s = 0; s < ways.length; s++) {
      greater += s >= observed ? ways[s] : 0;
      less += s <= observed ? ways[s] : 0;
    }
    double either = Math.min(1, 2 * Math.min(greater, less));
    return new RankTest.ExactSigns(
        Quantity.of(RankSum.p(direction, either, greater, less)), either, greater, less);
  }

  /** The median of the Walsh averages, with its interval. */
  private RankTest.Shift centre(Direction direction, double alpha, double expected) {
    int n = differences.length;
    OrderStatistics walsh = walsh(expected);
    double level = direction == Direction.EITHER ? alpha / 2 : alpha;
    double sd = Math.sqrt(n * (n + 1.0) * (2 * n + 1) / 24);
    long normal =
        (long)
            Math.floor(n * (n + 1.0) / 4 - RankSum.NORMAL.inverseSurvivalProbability(level) * sd);
    RankTest.Limits byNormal = RankSum.limits(walsh, 0, normal, direction, Optional.empty());
    RankTest.Limits byExact = null;
    if (n <= MOST_EXACT) {
      double[] distribution = {1};
      for (int r = 1; r <= n; r++) {
        double[] next = new double[distribution.length + r];
        for (int s = 0; s < distribution.length; s++) {
          next[s] += distribution[s] / 2;
          next[s + r] += distribution[s] / 2;
        }
        distribution = next;
      }
      int c = RankSum.rank(distribution, level);
      double beyond = 0;
      for (int s = 0; s < c; s++) {
        beyond += distribution[s];
      }
      byExact =
          RankSum.limits(
              walsh, 0, c, direction, Optional.of(1 - RankSum.sides(direction) * beyond));
    }
    RankTest.Limits used = byExact == null ? byNormal : byExact;
    return new RankTest.Shift(walsh.median(), byExact, byNormal, used.low(), used.high());
  }

  /** Walsh averages on the scale of the values: a power of ten off, and the expected value on. */
  private OrderStatistics walsh(double expected) {
    OrderStatistics doubled = OrderStatistics.doubledWalshAverages(differences);
    return new OrderStatistics() {
      @Override
      public long size() {
        return doubled.size();
      }

      @Override
      public double at(long place) {
        return back(doubled.at(place) / 2, expected);
      }
    };
  }

  private double back(double scaled, double expected) {
    if (scale < 0) {
      return scaled + expected;
    }
    return new java.math.BigDecimal(scaled)
        .scaleByPowerOfTen(-scale)
        .add(ExactDecimals.decimal(expected))
        .doubleValue();
  }

  /**
   * The sign test.
   *
   * @param direction greater: first above second
   * @param alpha level of significance
   * @param expected added to the centre; NaN for pairs, whose median difference is given instead
   * @return the test
   */
  public RankTest.Sign sign(Direction direction, double alpha, double expected) {
    int positive = (int) Arrays.stream(differences).filter(d -> d > 0).count();
    int negative = (int) Arrays.stream(differences).filter(d -> d < 0).count();
    int used = positive + negative;

    BinomialDistribution signs = BinomialDistribution.of(used, 0.5);
    double greater = signs.survivalProbability(positive - 1);
    double less = signs.cumulativeProbability(positive);
    double either = Math.min(1, 2 * Math.min(greater, less));

    boolean one = !Double.isNaN(expected);
    double[] sorted = differences.clone();
    Arrays.sort(sorted);
    for (int i = 0; i < sorted.length; i++) {
      sorted[i] = back(sorted[i], one ? expected : 0);
    }
    int n = sorted.length;
    double level = direction == Direction.EITHER ? alpha / 2 : alpha;
    BinomialDistribution all = BinomialDistribution.of(n, 0.5);
    double[] distribution = new double[n + 1];
    Arrays.setAll(distribution, all::probability);
    int c = RankSum.rank(distribution, level);
    double beyond = 0;
    for (int i = 0; i < c; i++) {
      beyond += distribution[i];
    }
    RankTest.Middle middle =
        new RankTest.Middle(
            middle(sorted),
            RankSum.limits(
                OrderStatistics.of(sorted),
                0,
                c,
                direction,
                Optional.of(1 - RankSum.sides(direction) * beyond)));
    return new RankTest.Sign(
        positive,
        negative,
        differences.length - used,
        Quantity.of(RankSum.p(direction, either, greater, less)),
        either,
        greater,
        less,
        one ? Optional.of(expected) : Optional.empty(),
        one ? Optional.of(middle) : Optional.empty(),
        one ? Optional.empty() : Optional.of(middle));
  }

  private static double middle(double[] sorted) {
    int n = sorted.length;
    if (n % 2 == 1) {
      return sorted[n / 2];
    }
    return ExactDecimals.decimal(sorted[n / 2 - 1])
        .add(ExactDecimals.decimal(sorted[n / 2]))
        .divide(java.math.BigDecimal.valueOf(2))
        .doubleValue();
  }
}
