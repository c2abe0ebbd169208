package app.knuckle.study.findings;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.compare.Letters;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.compare.Ranking;
import app.knuckle.stats.ranks.RankPairs;
import java.util.List;
import java.util.Map;

/**
 * Groups compared by their ranks.
 *
 * @param of the treatment
 * @param labels levels of each group
 * @param meanRanks of each group
 * @param counts values behind each
 * @param toReference whether with a reference only
 * @param pairs the pairs, as the procedure judges them: what the files say
 * @param shown the same as every screen shows them: two groups as their test judges, so that
 *     letters and words never contradict the finding
 */
public record RankComparison(
    List<String> of,
    List<Map<String, String>> labels,
    List<Double> meanRanks,
    List<Long> counts,
    boolean toReference,
    RankPairs pairs,
    RankPairs shown) {
  public RankComparison {
    of = List.copyOf(of);
    labels = List.copyOf(labels);
    meanRanks = List.copyOf(meanRanks);
    counts = List.copyOf(counts);
  }

  /**
   * Groups as their procedure judges them.
   *
   * @param of the treatment
   * @param labels levels of each group
   * @param meanRanks of each group
   * @param counts values behind each
   * @param toReference whether with a reference only
   * @param pairs the pairs
   */
  public RankComparison(
      List<String> of,
      List<Map<String, String>> labels,
      List<Double> meanRanks,
      List<Long> counts,
      boolean toReference,
      RankPairs pairs) {
    this(of, labels, meanRanks, counts, toReference, pairs, pairs);
  }

  /**
   * The same with the verdict of the test, which is the only one where there are two groups: a
   * procedure for pairs reads another distribution, and may say otherwise.
   *
   * @param p of the test
   * @param alpha level of significance
   * @return as it is for more groups
   */
  public RankComparison judgedBy(Quantity p, double alpha) {
    if (labels.size() != 2 || pairs.pairs().size() != 1) {
      return this;
    }
    Pair own = pairs.pairs().get(0);
    List<Pair> judged =
        List.of(
            new Pair(
                own.left(),
                own.right(),
                own.difference(),
                own.se(),
                own.df(),
                own.statistic(),
                p,
                own.low(),
                own.high(),
                ONE_TEST,
                p.exists() && Significance.reached(p, alpha)));
    double[] ranks = meanRanks.stream().mapToDouble(r -> r).toArray();
    Letters letters = pairs.letters() == null ? null : Letters.of(Ranking.of(ranks), judged);
    return new RankComparison(
        of,
        labels,
        meanRanks,
        counts,
        toReference,
        pairs,
        new RankPairs(pairs.procedure(), judged, pairs.more(), letters, ONE_TEST));
  }

  private static final Quantity ONE_TEST = Quantity.absent(Absence.TEST_OF_THE_TWO);
}
