package app.knuckle.stats.ranks;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Outcome;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.Letters;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.compare.Ranking;
import app.knuckle.stats.distributions.DunnettDistribution;
import app.knuckle.stats.distributions.StudentizedRangeDistribution;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * Pairs of groups compared by their ranks.
 *
 * @param procedure that judged
 * @param pairs the pairs; differences are of mean ranks
 * @param more further numbers of each pair
 * @param letters from the highest mean rank; null against a reference
 * @param criticalDifference of mean ranks, where there is one for all
 */
public record RankPairs(
    Procedure procedure,
    List<Pair> pairs,
    List<More> more,
    Letters letters,
    Quantity criticalDifference) {

  /** What a procedure says of a pair beside what all say. */
  public sealed interface More extends Outcome {

    /** Nothing. */
    record Nothing() implements More {}

    /**
     * By what is shared.
     *
     * @param pUnadjusted as if it were the only pair
     */
    record Unadjusted(Quantity pUnadjusted) implements More {}

    /**
     * With ties taken into account.
     *
     * @param statisticTies range of mean ranks over their standard error with ties
     * @param pTies of that
     */
    record Ties(Quantity statisticTies, Quantity pTies) implements More {}

    /**
     * Ranked by themselves.
     *
     * @param u how often a value of the first beats one of the second
     * @param shift of the first above the second
     */
    record Shifted(double u, double shift) implements More {}

    /**
     * Ranked by themselves, with a reference.
     *
     * @param u how often a value of the group beats one of the reference
     * @param shift of the group above the reference
     * @param pGreater of the upper tail
     * @param pLess of the lower tail
     */
    record ToReference(double u, double shift, Quantity pGreater, Quantity pLess) implements More {}
  }

  private static final Quantity NO_DF = Quantity.absent(Absence.NORMAL_THEORY);
  private static final Quantity NO_SE = Quantity.absent(Absence.RANK_STATISTIC_HAS_NO_ERROR);
  private static final Quantity NO_INTERVAL = Quantity.absent(Absence.RANKS_HAVE_NO_INTERVAL);

  /**
   * All pairs of independent groups.
   *
   * @param groups the groups
   * @param procedure one that fits ranks
   * @param alpha level of significance
   * @return the pairs
   * @throws IllegalArgumentException for another procedure, or for conover-holm with one value a
   *     group
   */
  public static RankPairs of(RanksOfGroups groups, Procedure procedure, double alpha) {
    if (!procedure.fits(Procedure.Setting.RANKS) || !procedure.isFor(Procedure.Use.ALL_PAIRS)) {
      throw new IllegalArgumentException(procedure.key() + " does not compare all pairs on ranks");
    }
    return switch (procedure.distribution()) {
      case OWN -> dwassSteel(groups, alpha);
      case HOLM ->
          procedure == Procedure.CONOVER_HOLM
              ? conover(groups, alpha)
              : dunn(groups, procedure, alpha);
      case SINGLE, BONFERRONI, SIDAK, FALSE_DISCOVERIES -> dunn(groups, procedure, alpha);
      case HOCHBERG, RANGE, STEPPED_RANGE, ALL_CONTRASTS ->
          throw new IllegalArgumentException(procedure.key() + " has no form on ranks");
    };
  }

  /** Dunn, O. J. (1964). Multiple comparisons using rank sums. Technometrics 6, 241-252. */
  private static RankPairs dunn(RanksOfGroups g, Procedure procedure, double alpha) {
    double n = g.size();
    double s2 = n * (n + 1) / 12 - g.tieSum() / (12 * (n - 1));
    double[] means = g.meanRanks();
    return plain(
        procedure,
        means,
        (i, j) -> Math.sqrt(s2 * (1 / g.count(i) + 1 / g.count(j))),
        NO_DF,
        false,
        alpha);
  }

  /** Conover, W. J. and Iman, R. L. (1979). Technical report LA-7677-MS. */
  private static RankPairs conover(RanksOfGroups g, double alpha) {
    double n = g.size();
    int k = g.groupCount();
    if (g.isSingle()) {
      throw new IllegalArgumentException("One value a group leaves no degrees of freedom");
    }
    // S2 (n - 1 - H) of the report is the sum of squares within the groups.
    double within = g.squaresWithin() / (n - k);
    return plain(
        Procedure.CONOVER_HOLM,
        g.meanRanks(),
        (i, j) -> Math.sqrt(within * (1 / g.count(i) + 1 / g.count(j))),
        Quantity.of(n - k),
        true,
        alpha);
  }

  /** Standard error of a pair. */
  interface Error {
    double of(int i, int j);
  }

  static RankPairs plain(
      Procedure procedure,
      double[] means,
      Error error,
      Quantity df,
      boolean unadjusted,
      double alpha) {
    List<int[]> places = places(means.length);
    int m = places.size();
    double[] statistics = new double[m];
    double[] p = new double[m];
    for (int r = 0; r < m; r++) {
      int i = places.get(r)[0];
      int j = places.get(r)[1];
      double se = error.of(i, j);
      statistics[r] = se > 0 ? (means[i] - means[j]) / se : Double.NaN;
      // A pair without a p stays in the family, as one that shows nothing.
      p[r] = Double.isNaN(statistics[r]) ? 1 : tail(statistics[r], df);
    }
    double[] adjusted = procedure.adjust(p);
    List<Pair> pairs = new ArrayList<>();
    List<More> more = new ArrayList<>();
    Quantity none = Quantity.absent(Absence.RANKS_DO_NOT_VARY);
    for (int r = 0; r < m; r++) {
      int i = places.get(r)[0];
      int j = places.get(r)[1];
      boolean known = !Double.isNaN(statistics[r]);
      pairs.add(
          pair(
              i,
              j,
              means[i] - means[j],
              Quantity.finite(error.of(i, j), Absence.RANKS_DO_NOT_VARY),
              df,
              known ? Quantity.of(statistics[r]) : none,
              known ? Quantity.of(adjusted[r]) : none,
              alpha));
      more.add(
          unadjusted ? new More.Unadjusted(known ? Quantity.of(p[r]) : none) : new More.Nothing());
    }
    return new RankPairs(
        procedure, pairs, more, letters(means, pairs), Quantity.absent(Absence.OWN_ERRORS));
  }

  /** Both groups of every pair. */
  private static List<int[]> places(int groups) {
    List<int[]> places = new ArrayList<>();
    for (int i = 0; i < groups; i++) {
      for (int j = i + 1; j < groups; j++) {
        places.add(new int[] {i, j});
      }
    }
    return places;
  }

  private static double tail(double statistic, Quantity df) {
    double size = Math.abs(statistic);
    return Math.min(
        1,
        2
            * (df.exists()
                ? TDistribution.of(df.value()).survivalProbability(size)
                : RankSum.NORMAL.survivalProbability(size)));
  }

  static Pair pair(
      int i,
      int j,
      double difference,
      Quantity se,
      Quantity df,
      Quantity statistic,
      Quantity p,
      double alpha) {
    return new Pair(
        i,
        j,
        difference,
        se,
        df,
        statistic,
        p,
        NO_INTERVAL,
        NO_INTERVAL,
        NO_INTERVAL,
        Significance.reached(p, alpha));
  }

  static Letters letters(double[] means, List<Pair> pairs) {
    return Letters.of(Ranking.of(means), pairs);
  }

  /**
   * Each pair ranked by itself. Steel (1960), Dwass (1960), Critchlow and Fligner (1991),
   * Communications in Statistics: Theory and Methods 20, 127-139.
   */
  private static RankPairs dwassSteel(RanksOfGroups g, double alpha) {
    int k = g.groupCount();
    StudentizedRangeDistribution range =
        StudentizedRangeDistribution.of(k, Double.POSITIVE_INFINITY);
    double[][] sorted = g.sorted();
    List<Ranked> ranked =
        places(k).parallelStream()
            .map(
                place -> {
                  double[] x = sorted[place[0]];
                  double[] y = sorted[place[1]];
                  return new Ranked(place, RankSum.pairwise(x, y), shift(g, x, y));
                })
            .toList();
    List<Pair> pairs = new ArrayList<>();
    List<More> more = new ArrayList<>();
    for (Ranked one : ranked) {
      double statistic = Math.sqrt(2) * one.own[1];
      Quantity q = Quantity.finite(statistic, Absence.TWO_GROUPS_DO_NOT_VARY);
      Quantity p = q.map(s -> range.survivalProbability(Math.abs(s)));
      pairs.add(pair(one.place[0], one.place[1], one.own[2], NO_SE, NO_DF, q, p, alpha));
      more.add(new More.Shifted(one.own[0], one.shift));
    }
    return new RankPairs(
        Procedure.DWASS_STEEL,
        pairs,
        more,
        letters(g.meanRanks(), pairs),
        Quantity.absent(Absence.OWN_ERRORS));
  }

  /** A pair ranked by itself, as {@link RankSum#pairwise} finds it. */
  private record Ranked(int[] place, double[] own, double shift) {}

  /** The median of all differences. */
  private static double shift(RanksOfGroups g, double[] x, double[] y) {
    return ExactDecimals.back(OrderStatistics.differences(x, y).median(), g.scale());
  }

  /**
   * Every group against a reference, each ranked with the reference only.
   *
   * @param g the groups
   * @param reference place of the reference
   * @param direction greater: a group above the reference
   * @param alpha level of significance
   * @return the pairs, left less reference
   * @see "Steel, R. G. D. (1959). A multiple comparison rank sum test: treatments versus control.
   *     Biometrics 15, 560-572"
   */
  public static RankPairs steel(RanksOfGroups g, int reference, Direction direction, double alpha) {
    int[] others = IntStream.range(0, g.groupCount()).filter(i -> i != reference).toArray();
    double[] loadings =
        Arrays.stream(others)
            .mapToDouble(i -> Math.sqrt(g.count(i) / (g.count(i) + g.count(reference))))
            .toArray();
    DunnettDistribution two = DunnettDistribution.of(loadings, Double.POSITIVE_INFINITY, true);
    DunnettDistribution one = DunnettDistribution.of(loadings, Double.POSITIVE_INFINITY, false);
    List<Pair> pairs = new ArrayList<>();
    List<More> more = new ArrayList<>();
    double[][] sorted = g.sorted();
    for (int i : others) {
      double[] own = RankSum.pairwise(sorted[i], sorted[reference]);
      Quantity z = Quantity.finite(own[1], Absence.TWO_GROUPS_DO_NOT_VARY);
      Quantity greater = z.map(one::survivalProbability);
      Quantity less = z.map(s -> one.survivalProbability(-s));
      Quantity p =
          switch (direction) {
            case EITHER -> z.map(s -> two.survivalProbability(Math.abs(s)));
            case GREATER -> greater;
            case LESS -> less;
          };
      pairs.add(pair(i, reference, own[2], NO_SE, NO_DF, z, p, alpha));
      more.add(new More.ToReference(own[0], shift(g, sorted[i], sorted[reference]), greater, less));
    }
    return new RankPairs(Procedure.STEEL, pairs, more, null, Quantity.absent(Absence.OWN_ERRORS));
  }
}
