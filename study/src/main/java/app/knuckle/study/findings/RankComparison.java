package app.knuckle.study.findings;

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
 * @param pairs the pairs
 */
public record RankComparison(
    List<String> of,
    List<Map<String, String>> labels,
    List<Double> meanRanks,
    List<Long> counts,
    boolean toReference,
    RankPairs pairs) {
  public RankComparison {
    of = List.copyOf(of);
    labels = List.copyOf(labels);
    meanRanks = List.copyOf(meanRanks);
    counts = List.copyOf(counts);
  }
}
