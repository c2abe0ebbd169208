package app.knuckle.stats.families;

import app.knuckle.stats.distributions.DunnettDistribution;
import app.knuckle.stats.distributions.StudentizedRangeDistribution;
import app.knuckle.stats.ranks.ExactDistribution;
import app.knuckle.stats.ranks.PairedRanks;
import app.knuckle.stats.ranks.RankSum;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.BinomialDistribution;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.apache.commons.statistics.distribution.ContinuousDistribution;
import org.apache.commons.statistics.distribution.DiscreteDistribution;
import org.apache.commons.statistics.distribution.FDistribution;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.apache.commons.statistics.distribution.PoissonDistribution;
import org.apache.commons.statistics.distribution.TDistribution;

/** The distributions of which tables are printed. */
public enum DistributionKind {
  /** Standard normal. */
  NORMAL("normal", "z", List.of(), true, true),
  /** Student's t. */
  T("t", "t", List.of("df"), true, true),
  /** Variance ratio. */
  F("F", "F", List.of("df", "error df"), true, false),
  /** Chi-squared. */
  CHI_SQUARED("chi-squared", "\u03c7\u00b2", List.of("df"), true, false),
  /** Range of several means over their standard error. */
  RANGE("studentized range", "q", List.of("means", "error df"), true, false),
  /** Largest of several t against one reference, groups of one size. */
  DUNNETT("against a reference", "t", List.of("comparisons", "error df"), true, true),
  /** Mann and Whitney's U without ties. */
  RANK_SUM("rank sum", "U", List.of("first n", "second n"), false, true),
  /** Wilcoxon's sum of positive ranks without ties. */
  SIGNED_RANK("signed rank", "W", List.of("pairs"), false, true),
  /** Successes out of a number. */
  BINOMIAL("binomial", "count", List.of("out of", "share"), true, false),
  /** Counts about a mean. */
  POISSON("Poisson", "count", List.of("mean"), true, false);

  /** More values than these are not listed. */
  private static final int MOST_VALUES = 20_000;

  /** Values this rare, all together, are not listed. */
  private static final double UNSEEN = 1e-18;

  private static final double LEAST_DF = 0.1;
  private static final double MOST_DF = 1e7;
  private static final double MOST_MEAN = 1e5;
  private static final int BISECTIONS = 200;

  private final String title;
  private final String statistic;
  private final List<String> parameters;
  private final boolean solvable;
  private final boolean twoSided;

  DistributionKind(
      String title, String statistic, List<String> parameters, boolean solvable, boolean twoSided) {
    this.title = title;
    this.statistic = statistic;
    this.parameters = parameters;
    this.solvable = solvable;
    this.twoSided = twoSided;
  }

  /** The name of the distribution, in the words of the trade. */
  public String title() {
    return title;
  }

  /** The letter of the statistic, such as t. */
  public String statistic() {
    return statistic;
  }

  /** Names of what the distribution needs: none for the normal distribution. */
  public List<String> parameters() {
    return parameters;
  }

  /** The tails that are asked for: one or more, the usual one first. */
  public List<Tail> sides() {
    boolean largest = this == RANGE || this == DUNNETT;
    if (twoSided) {
      return largest ? List.of(Tail.BOTH, Tail.ABOVE) : List.of(Tail.BOTH, Tail.ABOVE, Tail.BELOW);
    }
    return largest ? List.of(Tail.ABOVE) : List.of(Tail.ABOVE, Tail.BELOW);
  }

  /**
   * The distribution.
   *
   * @param given one number for each parameter
   * @param side of the largest of several t: whether their sizes or their values count
   * @return empty where there is no such distribution, or it is too large to be counted
   */
  public Optional<Distribution> of(List<Double> given, Tail side) {
    double first = given.isEmpty() ? Double.NaN : given.get(0);
    double second = given.size() < 2 ? Double.NaN : given.get(1);
    boolean counts = first >= 1 && first == Math.rint(first);
    return switch (this) {
      case NORMAL -> Optional.of(smooth(NormalDistribution.of(0, 1), 0));
      case T -> df(first) ? Optional.of(smooth(TDistribution.of(first), 0)) : Optional.empty();
      case F ->
          df(first) && df(second)
              ? Optional.of(smooth(FDistribution.of(first, second), Double.NaN))
              : Optional.empty();
      case CHI_SQUARED ->
          df(first)
              ? Optional.of(smooth(ChiSquaredDistribution.of(first), Double.NaN))
              : Optional.empty();
      case RANGE ->
          counts && first >= 2 && first <= MOST_MEANS && df(second)
              ? Optional.of(range((int) first, second))
              : Optional.empty();
      case DUNNETT ->
          counts && first <= MOST_MEANS && df(second)
              ? Optional.of(largest((int) first, second, side == Tail.BOTH))
              : Optional.empty();
      case RANK_SUM ->
          counts && second >= 1 && second == Math.rint(second) && first + second <= MOST_RANKED
              ? RankSum.counted(
                      IntStream.rangeClosed(1, (int) first).asDoubleStream().toArray(),
                      IntStream.rangeClosed((int) first + 1, (int) (first + second))
                          .asDoubleStream()
                          .toArray())
                  .map(DistributionKind::stepped)
              : Optional.empty();
      case SIGNED_RANK ->
          counts && first <= MOST_RANKED
              ? PairedRanks.of(
                      IntStream.rangeClosed(1, (int) first).asDoubleStream().toArray(),
                      new double[(int) first])
                  .counted()
                  .map(DistributionKind::stepped)
              : Optional.empty();
      case BINOMIAL ->
          counts && first <= MOST_VALUES && second >= 0 && second <= 1
              ? Optional.of(listed(BinomialDistribution.of((int) first, second), 0, (int) first))
              : Optional.empty();
      case POISSON ->
          first > 0 && first <= MOST_MEAN
              ? Optional.of(poisson(PoissonDistribution.of(first)))
              : Optional.empty();
    };
  }

  /** Tables of more means are not made, and their distribution takes long. */
  private static final int MOST_MEANS = 100;

  /** Beyond this the distribution of ranks is normal to all that is read of it. */
  private static final int MOST_RANKED = 60;

  private static boolean df(double df) {
    return df >= LEAST_DF && df <= MOST_DF;
  }

  private static Continuous smooth(ContinuousDistribution distribution, double centre) {
    return new Continuous(
        distribution::survivalProbability,
        distribution::cumulativeProbability,
        distribution::inverseSurvivalProbability,
        distribution::inverseCumulativeProbability,
        centre,
        distribution.getSupportLowerBound());
  }

  private static Continuous range(int means, double df) {
    StudentizedRangeDistribution distribution = StudentizedRangeDistribution.of(means, df);
    return new Continuous(
        distribution::survivalProbability,
        distribution::cumulativeProbability,
        distribution::inverseSurvivalProbability,
        distribution::inverseCumulativeProbability,
        Double.NaN,
        0);
  }

  /** Groups of one size share half of their variance with the reference. */
  private static Continuous largest(int comparisons, double df, boolean twoSided) {
    double[] loadings = new double[comparisons];
    Arrays.fill(loadings, Math.sqrt(0.5));
    DunnettDistribution distribution = DunnettDistribution.of(loadings, df, twoSided);
    DoubleUnaryOperator above = distribution::survivalProbability;
    DoubleUnaryOperator inverse = distribution::inverseSurvivalProbability;
    if (twoSided) {
      // The tail of a size counts both signs: SmoothLaw asks for one of two halves.
      return new Continuous(
          t -> above.applyAsDouble(t) / 2,
          t -> 1 - above.applyAsDouble(t) / 2,
          half -> inverse.applyAsDouble(2 * half),
          half -> -inverse.applyAsDouble(2 * half),
          0,
          Double.NEGATIVE_INFINITY);
    }
    return new Continuous(
        above,
        t -> 1 - above.applyAsDouble(t),
        inverse,
        p -> inverse.applyAsDouble(1 - p),
        Double.NaN,
        Double.NEGATIVE_INFINITY);
  }

  private static Distribution stepped(ExactDistribution distribution) {
    return new Discrete(distribution.values(), distribution.shares(), true);
  }

  private static Discrete poisson(PoissonDistribution distribution) {
    int from = Math.max(0, distribution.inverseCumulativeProbability(UNSEEN) - 1);
    return listed(distribution, from, distribution.inverseSurvivalProbability(UNSEEN) + 1);
  }

  private static Discrete listed(DiscreteDistribution distribution, int from, int to) {
    List<Double> values = new ArrayList<>();
    List<Double> shares = new ArrayList<>();
    for (int x = from; x <= to; x++) {
      values.add((double) x);
      shares.add(distribution.probability(x));
    }
    return new Discrete(values, shares, false);
  }

  /**
   * The last parameter, when value and tail are known: degrees of freedom; of counts the share or
   * mean, which is a limit of an exact interval (Clopper and Pearson 1934; Garwood 1936).
   *
   * @param given the parameters before the last
   * @param value of the statistic
   * @param tail probability
   * @param side which tail
   * @return empty where no such number is found, or the distribution has none to be found
   */
  public OptionalDouble parameter(List<Double> given, double value, double tail, Tail side) {
    if (!solvable || parameters.isEmpty()) {
      return OptionalDouble.empty();
    }
    double low = this == BINOMIAL ? 0 : this == POISSON ? Double.MIN_NORMAL : LEAST_DF;
    double high = this == BINOMIAL ? 1 : this == POISSON ? MOST_MEAN : MOST_DF;
    boolean geometric = this != BINOMIAL;
    double atLow = tailAt(given, low, value, side) - tail;
    double atHigh = tailAt(given, high, value, side) - tail;
    if (!(atLow * atHigh <= 0)) {
      return OptionalDouble.empty();
    }
    for (int i = 0; i < BISECTIONS; i++) {
      double middle = geometric && low > 0 ? Math.sqrt(low) * Math.sqrt(high) : (low + high) / 2;
      if (middle <= low || middle >= high) {
        break;
      }
      if ((tailAt(given, middle, value, side) - tail) * atLow > 0) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return OptionalDouble.of(geometric ? Math.sqrt(low) * Math.sqrt(high) : (low + high) / 2);
  }

  private double tailAt(List<Double> given, double last, double value, Tail side) {
    List<Double> all = new ArrayList<>(given);
    all.add(last);
    return of(all, side).map(distribution -> distribution.tail(value, side)).orElse(Double.NaN);
  }
}
