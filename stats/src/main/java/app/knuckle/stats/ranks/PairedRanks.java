package app.knuckle.stats.ranks;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Facts;
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
        Exact.scale(DoubleStream.concat(Arrays.stream(first), Arrays.stream(second)).toArray());
    double[] a = Exact.scaled(first, scale);
    double[] b = Exact.scaled(second, scale);
    double[] d = new double[a.length];
    Arrays.setAll(d, i -> a[i] - b[i]);
    return new PairedRanks(d, scale);
  }

  /**
   * The differences on the scale of the values.
   *
   * @return one a pair
   */
  public double[] differences() {
    return Arrays.stream(differences).map(d -> Exact.back(d, scale)).toArray();
  }

  /**
   * The signed-rank test.
   *
   * @param direction greater: first above second
   * @param alpha level of significance
   * @param expected added to the centre; NaN for pairs, whose shift is given instead
   * @return facts of kind signed-rank
   * @see "Wilcoxon, F. (1945). Biometrics Bulletin 1, 80-83; Pratt, J. W. (1959). JASA 54, 655-667"
   */
  public Facts signedRank(Direction direction, double alpha, double expected) {
    int zeros = (int) Arrays.stream(differences).filter(d -> d == 0).count();
    Facts facts = new Facts().put("pairs", differences.length).put("zeros", zeros);
    double[] nonzero = Arrays.stream(differences).filter(d -> d != 0).toArray();
    double[] ranks = Ranks.of(Arrays.stream(nonzero).map(Math::abs).toArray()).ranks;
    facts.putAll(test(nonzero, ranks, direction));
    // Pratt: zeros are ranked with the others, then dropped.
    double[] all = Ranks.of(Arrays.stream(differences).map(Math::abs).toArray()).ranks;
    double[] kept = new double[nonzero.length];
    int at = 0;
    for (int i = 0; i < differences.length; i++) {
      if (differences[i] != 0) {
        kept[at++] = all[i];
      }
    }
    facts.put("pratt", test(nonzero, kept, direction));
    if (Double.isNaN(expected)) {
      facts.put("shift", centre(direction, alpha, 0));
    } else {
      facts.put("expected", expected).put("centre", centre(direction, alpha, expected));
    }
    return facts;
  }

  /**
   * The law that the exact p of {@link #signedRank} is read from.
   *
   * @return the law of the sum of positive ranks; empty where there are too many to be counted
   */
  public Optional<CountedLaw> counted() {
    double[] nonzero = Arrays.stream(differences).filter(d -> d != 0).toArray();
    return nonzero.length > MOST_EXACT
        ? Optional.empty()
        : Optional.of(
            CountedLaw.ofDoubledSums(
                ways(Ranks.of(Arrays.stream(nonzero).map(Math::abs).toArray()).ranks), 0));
  }

  private static Facts test(double[] d, double[] ranks, Direction direction) {
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
    Facts exact = d.length <= MOST_EXACT ? exact(ranks, positive, direction) : null;
    double sd = Math.sqrt(variance);
    Facts corrected = known ? RankSum.normal(positive - mean, sd, 0.5, direction) : null;
    return new Facts()
        .put("nUsed", d.length)
        .put("rankSumPositive", positive)
        .put("rankSumNegative", negative)
        .put("mean", mean)
        .put("variance", variance)
        .put("pFrom", exact != null ? "exact" : "normal")
        .put("p", (exact != null ? exact : corrected).all().get("p"))
        .put("exact", exact)
        .put("normal", known ? RankSum.normal(positive - mean, sd, 0, direction) : null)
        .put("normalCorrected", corrected)
        .put(
            "rankBiserial",
            known ? (Object) ((positive - negative) / (positive + negative)) : none);
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

  private static Facts exact(double[] ranks, double positive, Direction direction) {
    double[] ways = ways(ranks);
    int observed = (int) Math.round(2 * positive);
    double greater = 0;
    double less = 0;
    for (int s = 0; s < ways.length; s++) {
      greater += s >= observed ? ways[s] : 0;
      less += s <= observed ? ways[s] : 0;
    }
    double either = Math.min(1, 2 * Math.min(greater, less));
    return new Facts()
        .put("p", RankSum.p(direction, either, greater, less))
        .put("pEither", either)
        .put("pGreater", greater)
        .put("pLess", less);
  }

  /** The median of the Walsh averages, with its interval. */
  private Facts centre(Direction direction, double alpha, double expected) {
    int n = differences.length;
    Ordered walsh = walsh(expected);
    double level = direction == Direction.EITHER ? alpha / 2 : alpha;
    double sd = Math.sqrt(n * (n + 1.0) * (2 * n + 1) / 24);
    long normal =
        (long)
            Math.floor(n * (n + 1.0) / 4 - RankSum.NORMAL.inverseSurvivalProbability(level) * sd);
    Facts byNormal = RankSum.limits(walsh, 0, normal, direction);
    Facts byExact = null;
    if (n <= MOST_EXACT) {
      double[] law = {1};
      for (int r = 1; r <= n; r++) {
        double[] next = new double[law.length + r];
        for (int s = 0; s < law.length; s++) {
          next[s] += law[s] / 2;
          next[s + r] += law[s] / 2;
        }
        law = next;
      }
      int c = RankSum.rank(law, level);
      double beyond = 0;
      for (int s = 0; s < c; s++) {
        beyond += law[s];
      }
      byExact = RankSum.limits(walsh, 0, c, direction);
      byExact.put("confidence", 1 - RankSum.sides(direction) * beyond);
    }
    Facts used = byExact == null ? byNormal : byExact;
    return new Facts()
        .put("estimate", walsh.median())
        .put("exact", byExact)
        .put("normal", byNormal)
        .put("low", used.all().get("low"))
        .put("high", used.all().get("high"));
  }

  /** Walsh averages on the scale of the values: a power of ten off, and the expected value on. */
  private Ordered walsh(double expected) {
    Ordered doubled = Ordered.doubledWalshAverages(differences);
    return new Ordered() {
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
        .add(Exact.decimal(expected))
        .doubleValue();
  }

  /**
   * The sign test.
   *
   * @param direction greater: first above second
   * @param alpha level of significance
   * @param expected added to the centre; NaN for pairs, whose median difference is given instead
   * @return facts of kind sign
   */
  public Facts sign(Direction direction, double alpha, double expected) {
    int positive = (int) Arrays.stream(differences).filter(d -> d > 0).count();
    int negative = (int) Arrays.stream(differences).filter(d -> d < 0).count();
    int used = positive + negative;
    Facts facts =
        new Facts()
            .put("positive", positive)
            .put("negative", negative)
            .put("zeros", differences.length - used);
    BinomialDistribution signs = BinomialDistribution.of(used, 0.5);
    double greater = signs.survivalProbability(positive - 1);
    double less = signs.cumulativeProbability(positive);
    double either = Math.min(1, 2 * Math.min(greater, less));
    facts
        .put("p", RankSum.p(direction, either, greater, less))
        .put("pEither", either)
        .put("pGreater", greater)
        .put("pLess", less);
    boolean one = !Double.isNaN(expected);
    double[] sorted = differences.clone();
    Arrays.sort(sorted);
    for (int i = 0; i < sorted.length; i++) {
      sorted[i] = back(sorted[i], one ? expected : 0);
    }
    int n = sorted.length;
    double level = direction == Direction.EITHER ? alpha / 2 : alpha;
    BinomialDistribution all = BinomialDistribution.of(n, 0.5);
    double[] law = new double[n + 1];
    Arrays.setAll(law, all::probability);
    int c = RankSum.rank(law, level);
    Facts median = new Facts().put("estimate", middle(sorted));
    median.putAll(RankSum.limits(Ordered.of(sorted), 0, c, direction));
    double beyond = 0;
    for (int i = 0; i < c; i++) {
      beyond += law[i];
    }
    median.put("confidence", 1 - RankSum.sides(direction) * beyond);
    if (one) {
      facts.put("expected", expected).put("centre", median);
    } else {
      facts.put("median", median);
    }
    return facts;
  }

  private static double middle(double[] sorted) {
    int n = sorted.length;
    if (n % 2 == 1) {
      return sorted[n / 2];
    }
    return Exact.decimal(sorted[n / 2 - 1])
        .add(Exact.decimal(sorted[n / 2]))
        .divide(java.math.BigDecimal.valueOf(2))
        .doubleValue();
  }
}
