package app.knuckle.stats.compare;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.distributions.StudentizedRangeDistribution;
import app.knuckle.stats.distributions.TailInterpolation;
import app.knuckle.stats.distributions.VarianceRatio;
import app.knuckle.stats.means.DegreesOfFreedom;
import app.knuckle.stats.means.Estimates;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.function.DoubleBinaryOperator;
import java.util.function.DoubleSupplier;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * Compares every mean with every other.
 *
 * <p>{@code t = difference / SE} and {@code q = |t| sqrt 2} for every pair; the procedure turns
 * them into adjusted p values; a pair differs when its p is at most alpha. With unequal standard
 * errors the range procedures use each pair's own (Kramer 1956).
 */
public final class AllPairs {

  /**
   * Standard errors that agree to this share count as one, so that a balanced layout has one
   * critical difference in spite of rounding.
   */
  private static final double SAME_ERROR = 1e-12;

  /** Levels nearer to 1 are 1 but for rounding, and no range is reached so often. */
  private static final double HIGHEST = 1 - 0x1p-40;

  private final Procedure procedure;
  private final double alpha;
  private final Quantity overallP;

  private AllPairs(Procedure procedure, double alpha, Quantity overallP) {
    this.procedure = procedure;
    this.alpha = alpha;
    this.overallP = overallP;
  }

  /** Tukey at 0.05: the comparison to make. */
  public static AllPairs withDefaults() {
    return new AllPairs(Procedure.TUKEY, 0.05, Quantity.absent(Absence.NO_OVERALL_TEST));
  }

  /**
   * The same under another procedure.
   *
   * @param other the procedure
   * @return the comparison to make
   */
  public AllPairs with(Procedure other) {
    return new AllPairs(other, alpha, overallP);
  }

  /**
   * The same at another level of significance.
   *
   * @param level between 0 and 1
   * @return the comparison to make
   */
  public AllPairs withAlpha(double level) {
    return new AllPairs(procedure, level, overallP);
  }

  /**
   * The same, with the overall test that guards the least significant difference.
   *
   * @param p of the F test of these very means
   * @return the comparison to make
   */
  public AllPairs withOverallTest(Quantity p) {
    return new AllPairs(procedure, alpha, p);
  }

  /**
   * Compares all pairs.
   *
   * @param estimates two means or more
   * @param progress asked between pairs
   * @return the pairs with their letters
   * @throws IllegalArgumentException if the procedure compares ranks, or with a reference
   */
  public Comparison compare(Estimates estimates, Progress progress) {
    if (procedure.isOnRanks() || !procedure.isFor(Procedure.Use.ALL_PAIRS)) {
      throw notOfMeans();
    }
    int k = estimates.size();
    List<Pair> plain = plainPairs(estimates);
    List<Pair> known = plain.stream().filter(AllPairs::isPossible).toList();
    boolean possible = !known.isEmpty();
    boolean sameError = possible && sameErrors(known);
    boolean sameDf = possible && sameDf(known);
    List<Pair> pairs = plain;
    Laws distributions = new Laws();
    if (possible) {
      double[] p = adjusted(estimates, plain, distributions, progress);
      pairs =
          IntStream.range(0, p.length)
              .mapToObj(
                  i -> {
                    Pair pair = plain.get(i);
                    return isPossible(pair)
                        ? judged(pair, p[i], criticalValue(k, pair, distributions))
                        : pair;
                  })
              .toList();
    }
    Quantity none =
        plain.isEmpty()
            ? Quantity.absent(Absence.ONE_MEAN)
            : plain.get(0).statistic().exists()
                ? Quantity.absent(Absence.OWN_ERRORS)
                : plain.get(0).p();
    Quantity critical =
        !possible
            ? none
            : sameDf
                ? criticalValue(k, known.get(0), distributions)
                : Quantity.absent(Absence.OWN_ERRORS);
    Quantity criticalRange =
        !possible
            ? none
            : procedure.distribution() != Procedure.Law.RANGE
                ? Quantity.absent(Absence.NO_STUDENTIZED_RANGE)
                : sameDf
                    ? critical.map(c -> c * Math.sqrt(2))
                    : Quantity.absent(Absence.OWN_ERRORS);
    Quantity difference =
        !possible
            ? none
            : critical.exists() && !sameError
                ? Quantity.absent(Absence.OWN_ERRORS)
                : critical.map(c -> c * known.get(0).se().value());
    List<CriticalRange> ranges =
        sameDf && procedure.distribution() == Procedure.Law.STEPPED_RANGE
            ? ranges(k, distributions, sameError, known.get(0))
            : List.of();
    return new Comparison(
        procedure,
        alpha,
        pairs,
        critical,
        criticalRange,
        difference,
        ranges,
        Letters.of(Ranking.of(estimates), pairs));
  }

  /** A pair is tested by itself: others may lack their spread. */
  private static boolean isPossible(Pair pair) {
    return pair.df().exists() && pair.statistic().exists();
  }

  /** From so many pairs on an interpolated tail costs less than one probability a pair. */
  private static final int MANY = 200;

  /** Distributions already made, by span and degrees of freedom. */
  private static final class Laws {
    private final Map<List<Double>, StudentizedRangeDistribution> ranges = new HashMap<>();
    private final Map<List<Double>, Double> critical = new HashMap<>();
    private final Map<List<Double>, TailInterpolation> tails = new HashMap<>();
    private final Map<Integer, NavigableMap<Double, Double>> quantiles = new HashMap<>();

    StudentizedRangeDistribution range(int span, double df) {
      return ranges.computeIfAbsent(
          List.of((double) span, df),
          key -> StudentizedRangeDistribution.of(span, DegreesOfFreedom.orInfinity(df)));
    }

    /** The tail of a range; interpolated when it is asked for very often. */
    DoubleUnaryOperator tail(int span, double df, int times) {
      StudentizedRangeDistribution distribution = range(span, df);
      if (times < MANY) {
        return distribution::survivalProbability;
      }
      return tails.computeIfAbsent(
              List.of((double) span, df),
              key -> new TailInterpolation(distribution::survivalProbability))
          ::at;
    }

    /**
     * The range that is passed with one probability; looked for between those of like
     * distributions.
     */
    double quantile(int span, double df, double p) {
      NavigableMap<Double, Double> known = quantiles.computeIfAbsent(span, key -> new TreeMap<>());
      StudentizedRangeDistribution distribution = range(span, df);
      Map.Entry<Double, Double> fewer = known.floorEntry(df);
      Map.Entry<Double, Double> more = known.ceilingEntry(df);
      double found;
      if (fewer == null && more == null) {
        found = distribution.inverseSurvivalProbability(p);
      } else if (fewer == null || more == null) {
        found =
            distribution.inverseSurvivalProbability(p, (fewer == null ? more : fewer).getValue());
      } else {
        // Quantiles are nearly straight in one over the degrees of freedom.
        double width = 1 / fewer.getKey() - 1 / more.getKey();
        double share = width > 0 ? (1 / fewer.getKey() - 1 / df) / width : 0;
        double near = fewer.getValue() + share * (more.getValue() - fewer.getValue());
        found = distribution.inverseSurvivalProbability(p, near);
      }
      known.put(df, found);
      return found;
    }

    double critical(int span, double df, DoubleSupplier make) {
      List<Double> key = List.of((double) span, df);
      Double known = critical.get(key);
      if (known == null) {
        known = make.getAsDouble();
        critical.put(key, known);
      }
      return known;
    }
  }

  private static boolean sameDf(List<Pair> pairs) {
    double first = pairs.get(0).df().value();
    return pairs.stream().allMatch(p -> Math.abs(p.df().value() - first) <= SAME_ERROR * first);
  }

  private static List<Pair> plainPairs(Estimates means) {
    List<Pair> pairs = new ArrayList<>();
    for (int i = 0; i < means.size(); i++) {
      for (int j = i + 1; j < means.size(); j++) {
        double d = means.difference(i, j);
        Quantity se = means.seOfDifference(i, j);
        boolean spreadless = se.value() == 0;
        Quantity known = means.dfOfDifference(i, j);
        Quantity df =
            spreadless && !known.exists() ? Quantity.absent(Absence.EQUAL_WITHIN_THE_TWO) : known;
        Quantity t =
            spreadless ? Quantity.absent(Absence.EQUAL_WITHIN_THE_TWO) : se.map(s -> d / s);
        Quantity none =
            t.exists() && df.exists()
                ? Quantity.absent(Absence.NO_INTERVAL_DEFINED)
                : t.exists() ? df : t;
        pairs.add(new Pair(i, j, d, se, df, t, none, none, none, none, false));
      }
    }
    return pairs;
  }

  private static boolean sameErrors(List<Pair> pairs) {
    double first = pairs.get(0).se().value();
    return pairs.stream().allMatch(p -> Math.abs(p.se().value() - first) <= SAME_ERROR * first);
  }

  private Pair judged(Pair pair, double p, Quantity critical) {
    boolean interval = procedure.hasInterval() && critical.exists();
    double half = critical.value() * pair.se().value();
    Quantity none = Quantity.absent(Absence.NO_INTERVAL_DEFINED);
    boolean guarded =
        procedure == Procedure.LEAST_SIGNIFICANT_DIFFERENCE
            && overallP.exists()
            && !Significance.reached(overallP, alpha);
    return new Pair(
        pair.left(),
        pair.right(),
        pair.difference(),
        pair.se(),
        pair.df(),
        pair.statistic(),
        Quantity.of(p),
        interval ? Quantity.of(pair.difference() - half) : none,
        interval ? Quantity.of(pair.difference() + half) : none,
        critical,
        Significance.reached(p, alpha) && !guarded);
  }

  private Quantity criticalValue(int k, Pair pair, Laws distributions) {
    double df = pair.df().value();
    int m = k * (k - 1) / 2;
    return switch (procedure.distribution()) {
      case HOLM, HOCHBERG, FALSE_DISCOVERIES, STEPPED_RANGE ->
          Quantity.absent(Absence.NO_SINGLE_CRITICAL_VALUE);
      case SINGLE, BONFERRONI, SIDAK, RANGE, ALL_CONTRASTS, OWN ->
          Quantity.of(distributions.critical(k, df, () -> criticalValue(k, df, m, distributions)));
    };
  }

  private double criticalValue(int k, double df, int m, Laws distributions) {
    TDistribution t = TDistribution.of(df);
    return switch (procedure.distribution()) {
      case SINGLE -> t.inverseSurvivalProbability(alpha / 2);
      case BONFERRONI -> t.inverseSurvivalProbability(alpha / (2.0 * m));
      case SIDAK -> t.inverseSurvivalProbability(-Math.expm1(Math.log1p(-alpha) / m) / 2);
      case ALL_CONTRASTS -> Math.sqrt((k - 1) * contrasts(k, df).inverseSurvivalProbability(alpha));
      case RANGE -> distributions.quantile(k, df, alpha) / Math.sqrt(2);
      case HOLM, HOCHBERG, FALSE_DISCOVERIES, STEPPED_RANGE, OWN -> throw notOfMeans();
    };
  }

  private static VarianceRatio contrasts(int k, double df) {
    return VarianceRatio.of(k - 1.0, DegreesOfFreedom.orInfinity(df));
  }

  private IllegalArgumentException notOfMeans() {
    return new IllegalArgumentException(procedure.key() + " does not compare all pairs of means");
  }

  private double[] adjusted(
      Estimates means, List<Pair> pairs, Laws distributions, Progress progress) {
    int k = means.size();
    int m = pairs.size();
    return switch (procedure.distribution()) {
      case SINGLE, BONFERRONI, SIDAK, HOLM, HOCHBERG, FALSE_DISCOVERIES ->
          // A pair without a p stays in the family, as one that shows nothing.
          procedure.adjust(
              pairs.stream().mapToDouble(p -> isPossible(p) ? plainP(p) : 1).toArray());
      case STEPPED_RANGE -> stepwise(means, pairs, distributions, progress);
      case ALL_CONTRASTS ->
          each(pairs, progress, (t, df) -> contrasts(k, df).survivalProbability(t * t / (k - 1)));
      case RANGE ->
          each(
              pairs,
              progress,
              (t, df) -> distributions.tail(k, df, m).applyAsDouble(t * Math.sqrt(2)));
      case OWN -> throw notOfMeans();
    };
  }

  private static double plainP(Pair pair) {
    TDistribution distribution = TDistribution.of(pair.df().value());
    return Math.min(1, 2 * distribution.survivalProbability(Math.abs(pair.statistic().value())));
  }

  private static double[] each(List<Pair> pairs, Progress progress, DoubleBinaryOperator tail) {
    double[] p = new double[pairs.size()];
    for (int i = 0; i < p.length; i++) {
      progress.check();
      Pair pair = pairs.get(i);
      p[i] =
          isPossible(pair)
              ? tail.applyAsDouble(Math.abs(pair.statistic().value()), pair.df().value())
              : 1;
      progress.done((i + 1.0) / p.length);
    }
    return p;
  }

  /**
   * Newman-Keuls and Duncan: the p of a range of ranked means is that of its two ends for its span;
   * a pair's p is the largest of all ranges that contain it, so that no difference is found inside
   * a range that shows none.
   */
  private double[] stepwise(
      Estimates means, List<Pair> pairs, Laws distributions, Progress progress) {
    int k = means.size();
    List<Integer> ranking = Ranking.of(means);
    double[][] t = new double[k][k];
    double[][] df = new double[k][k];
    for (Pair pair : pairs) {
      df[pair.left()][pair.right()] = pair.df().value();
      df[pair.right()][pair.left()] = pair.df().value();
      t[pair.left()][pair.right()] = Math.abs(pair.statistic().value());
      t[pair.right()][pair.left()] = t[pair.left()][pair.right()];
    }
    double[][] p = new double[k][k];
    for (int span = k; span >= 2; span--) {
      progress.check();
      for (int top = 0; top + span <= k; top++) {
        int end = top + span - 1;
        double q = t[ranking.get(top)][ranking.get(end)] * Math.sqrt(2);
        double own =
            Double.isNaN(q)
                ? 0
                : rangeP(distributions, span, q, df[ranking.get(top)][ranking.get(end)]);
        double above = top > 0 ? p[top - 1][end] : 0;
        double below = end < k - 1 ? p[top][end + 1] : 0;
        p[top][end] = Math.max(own, Math.max(above, below));
      }
    }
    int[] place = new int[k];
    for (int r = 0; r < k; r++) {
      place[ranking.get(r)] = r;
    }
    return pairs.stream()
        .mapToDouble(
            pair -> {
              int a = place[pair.left()];
              int b = place[pair.right()];
              return p[Math.min(a, b)][Math.max(a, b)];
            })
        .toArray();
  }

  private double rangeP(Laws distributions, int span, double q, double df) {
    if (procedure == Procedure.NEWMAN_KEULS) {
      return distributions.range(span, df).survivalProbability(q);
    }
    // Duncan: the critical range never shrinks as the span grows, hence the largest over spans.
    double largest = 0;
    for (int r = 2; r <= span; r++) {
      double tail = distributions.range(r, df).survivalProbability(q);
      largest = Math.max(largest, -Math.expm1(Math.log1p(-tail) / (r - 1)));
    }
    return largest;
  }

  private List<CriticalRange> ranges(int k, Laws distributions, boolean sameError, Pair any) {
    double df = any.df().value();
    List<CriticalRange> ranges = new ArrayList<>();
    double largest = 0;
    for (int r = 2; r <= k; r++) {
      double level =
          procedure == Procedure.DUNCAN
              ? Math.min(HIGHEST, -Math.expm1((r - 1) * Math.log1p(-alpha)))
              : alpha;
      double q = distributions.range(r, df).inverseSurvivalProbability(level);
      largest = procedure == Procedure.DUNCAN ? Math.max(largest, q) : q;
      Quantity difference =
          sameError
              ? Quantity.of(largest * any.se().value() / Math.sqrt(2))
              : Quantity.absent(Absence.OWN_ERRORS);
      ranges.add(new CriticalRange(r, largest, difference));
    }
    return ranges;
  }
}
