package app.knuckle.stats.compare;

import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.distributions.StudentizedRangeDistribution;
import app.knuckle.stats.means.Estimates;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.FDistribution;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * Compares every mean with every other.
 *
 * <p>{@code t = difference / SE} and {@code q = |t| sqrt 2} for every pair; the procedure turns
 * them into adjusted p values; a pair differs when its p is at most alpha. With unequal standard
 * errors the range procedures use each pair's own (Kramer 1956).
 */
public final class AllPairs {

  private static final String NO_INTERVAL = "this procedure defines no interval";
  private static final String OWN_ERRORS = "pairs have standard errors of their own";
  private static final String STEPWISE = "this procedure has no single critical value";
  private static final String OTHER = "this procedure does not use the studentized range";
  private static final String NO_SPREAD = "the values inside every group are equal";

  /**
   * Standard errors that agree to this share count as one, so that a balanced layout has one
   * critical difference in spite of rounding.
   */
  private static final double SAME_ERROR = 1e-12;

  private final Procedure procedure;
  private final double alpha;
  private final Quantity overallP;

  private AllPairs(Procedure procedure, double alpha, Quantity overallP) {
    this.procedure = procedure;
    this.alpha = alpha;
    this.overallP = overallP;
  }

  /**
   * Tukey at 0.05.
   *
   * @return the comparison to make
   */
  public static AllPairs withDefaults() {
    return new AllPairs(Procedure.TUKEY, 0.05, Quantity.absent("no overall test"));
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
   */
  public Comparison compare(Estimates estimates, Progress progress) {
    int k = estimates.size();
    Quantity df = estimates.dfOfDifference(0, 1);
    List<Pair> plain = plainPairs(estimates);
    boolean possible = df.exists() && plain.stream().allMatch(pair -> pair.statistic().exists());
    boolean sameError = possible && sameErrors(plain);
    StudentizedRangeDistribution range =
        possible && procedure == Procedure.TUKEY
            ? StudentizedRangeDistribution.of(k, df.value())
            : null;
    Quantity criticalRange =
        range == null
            ? Quantity.absent(possible ? OTHER : NO_SPREAD)
            : Quantity.of(range.inverseSurvivalProbability(alpha));
    Quantity critical = possible ? criticalValue(k, df.value(), criticalRange) : df;
    List<Pair> pairs = plain;
    if (possible) {
      double[] p = adjusted(estimates, plain, df.value(), range, progress);
      pairs =
          IntStream.range(0, p.length).mapToObj(i -> judged(plain.get(i), p[i], critical)).toList();
    }
    Quantity difference =
        critical.exists() && !sameError
            ? Quantity.absent(OWN_ERRORS)
            : critical.map(c -> c * plain.get(0).se().value());
    List<CriticalRange> ranges =
        possible && isStepwiseRange() ? ranges(k, df.value(), sameError, plain.get(0)) : List.of();
    return new Comparison(
        procedure,
        alpha,
        pairs,
        possible ? critical : Quantity.absent(NO_SPREAD),
        criticalRange,
        possible ? difference : Quantity.absent(NO_SPREAD),
        ranges,
        Letters.of(ranking(estimates), pairs));
  }

  /**
   * Indexes of the means from the largest to the smallest; equal means keep their order.
   *
   * @param estimates the means
   * @return every index once
   */
  public static List<Integer> ranking(Estimates estimates) {
    return IntStream.range(0, estimates.size())
        .boxed()
        .sorted(Comparator.comparingDouble(i -> -estimates.difference(i, 0)))
        .toList();
  }

  private boolean isStepwiseRange() {
    return procedure == Procedure.NEWMAN_KEULS || procedure == Procedure.DUNCAN;
  }

  private static List<Pair> plainPairs(Estimates means) {
    List<Pair> pairs = new ArrayList<>();
    for (int i = 0; i < means.size(); i++) {
      for (int j = i + 1; j < means.size(); j++) {
        double d = means.difference(i, j);
        Quantity se = means.seOfDifference(i, j);
        Quantity t = se.value() == 0 ? Quantity.absent(NO_SPREAD) : se.map(s -> d / s);
        Quantity none = t.exists() ? Quantity.absent(NO_INTERVAL) : t;
        pairs.add(new Pair(i, j, d, se, means.dfOfDifference(i, j), t, none, none, none, false));
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
    Quantity none = Quantity.absent(NO_INTERVAL);
    boolean guarded =
        procedure == Procedure.LEAST_SIGNIFICANT_DIFFERENCE
            && overallP.exists()
            && overallP.value() > alpha;
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
        p <= alpha && !guarded);
  }

  private Quantity criticalValue(int k, double df, Quantity criticalRange) {
    int m = k * (k - 1) / 2;
    TDistribution t = TDistribution.of(df);
    return switch (procedure) {
      case NONE, LEAST_SIGNIFICANT_DIFFERENCE ->
          Quantity.of(t.inverseSurvivalProbability(alpha / 2));
      case BONFERRONI -> Quantity.of(t.inverseSurvivalProbability(alpha / (2.0 * m)));
      case SIDAK ->
          Quantity.of(t.inverseSurvivalProbability(-Math.expm1(Math.log1p(-alpha) / m) / 2));
      case SCHEFFE ->
          Quantity.of(
              Math.sqrt((k - 1) * FDistribution.of(k - 1, df).inverseSurvivalProbability(alpha)));
      case TUKEY -> criticalRange.map(q -> q / Math.sqrt(2));
      case HOLM, HOCHBERG, BENJAMINI_HOCHBERG, NEWMAN_KEULS, DUNCAN -> Quantity.absent(STEPWISE);
    };
  }

  private double[] adjusted(
      Estimates means,
      List<Pair> pairs,
      double df,
      StudentizedRangeDistribution range,
      Progress progress) {
    int k = means.size();
    int m = pairs.size();
    double[] t = pairs.stream().mapToDouble(p -> Math.abs(p.statistic().value())).toArray();
    TDistribution law = TDistribution.of(df);
    double[] plain = new double[m];
    for (int i = 0; i < m; i++) {
      plain[i] = Math.min(1, 2 * law.survivalProbability(t[i]));
    }
    double[] adjusted = new double[m];
    switch (procedure) {
      case NONE, LEAST_SIGNIFICANT_DIFFERENCE -> adjusted = plain;
      case HOLM -> adjusted = Adjustment.holm(plain);
      case HOCHBERG -> adjusted = Adjustment.hochberg(plain);
      case BENJAMINI_HOCHBERG -> adjusted = Adjustment.benjaminiHochberg(plain);
      case NEWMAN_KEULS, DUNCAN -> adjusted = stepwise(means, pairs, df, progress);
      case BONFERRONI, SIDAK, SCHEFFE, TUKEY -> {
        for (int i = 0; i < m; i++) {
          progress.check();
          adjusted[i] =
              switch (procedure) {
                case BONFERRONI -> Adjustment.bonferroni(plain[i], m);
                case SIDAK -> Adjustment.sidak(plain[i], m);
                case SCHEFFE ->
                    FDistribution.of(k - 1, df).survivalProbability(t[i] * t[i] / (k - 1));
                default -> range.survivalProbability(t[i] * Math.sqrt(2));
              };
          progress.done((i + 1.0) / m);
        }
      }
    }
    return adjusted;
  }

  /**
   * Newman-Keuls and Duncan: the p of a range of ranked means is that of its two ends for its span;
   * a pair's p is the largest of all ranges that contain it, so that no difference is found inside
   * a range that shows none.
   */
  private double[] stepwise(Estimates means, List<Pair> pairs, double df, Progress progress) {
    int k = means.size();
    List<Integer> ranking = ranking(means);
    StudentizedRangeDistribution[] laws = laws(k, df);
    double[][] t = new double[k][k];
    for (Pair pair : pairs) {
      t[pair.left()][pair.right()] = Math.abs(pair.statistic().value());
      t[pair.right()][pair.left()] = t[pair.left()][pair.right()];
    }
    double[][] p = new double[k][k];
    for (int span = k; span >= 2; span--) {
      progress.check();
      for (int top = 0; top + span <= k; top++) {
        int end = top + span - 1;
        double q = t[ranking.get(top)][ranking.get(end)] * Math.sqrt(2);
        double own = rangeP(laws, span, q);
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

  private static StudentizedRangeDistribution[] laws(int k, double df) {
    StudentizedRangeDistribution[] laws = new StudentizedRangeDistribution[k + 1];
    for (int r = 2; r <= k; r++) {
      laws[r] = StudentizedRangeDistribution.of(r, df);
    }
    return laws;
  }

  private double rangeP(StudentizedRangeDistribution[] laws, int span, double q) {
    if (procedure == Procedure.NEWMAN_KEULS) {
      return laws[span].survivalProbability(q);
    }
    // Duncan: the critical range never shrinks as the span grows, hence the largest over spans.
    double largest = 0;
    for (int r = 2; r <= span; r++) {
      double tail = laws[r].survivalProbability(q);
      largest = Math.max(largest, -Math.expm1(Math.log1p(-tail) / (r - 1)));
    }
    return largest;
  }

  private List<CriticalRange> ranges(int k, double df, boolean sameError, Pair any) {
    StudentizedRangeDistribution[] laws = laws(k, df);
    List<CriticalRange> ranges = new ArrayList<>();
    double largest = 0;
    for (int r = 2; r <= k; r++) {
      double level =
          procedure == Procedure.DUNCAN ? -Math.expm1((r - 1) * Math.log1p(-alpha)) : alpha;
      double q = laws[r].inverseSurvivalProbability(level);
      largest = procedure == Procedure.DUNCAN ? Math.max(largest, q) : q;
      Quantity difference =
          sameError
              ? Quantity.of(largest * any.se().value() / Math.sqrt(2))
              : Quantity.absent(OWN_ERRORS);
      ranges.add(new CriticalRange(r, largest, difference));
    }
    return ranges;
  }
}
