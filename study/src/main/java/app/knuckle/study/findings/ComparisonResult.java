package app.knuckle.study.findings;

import app.knuckle.stats.compare.AgainstReference;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.means.Estimates;
import java.util.List;
import java.util.Map;

/**
 * A family of means compared.
 *
 * @param of the treatments whose means they are
 * @param within levels that they share
 * @param labels levels of each mean
 * @param means the estimates
 * @param pairs all pairs; null when compared with a reference
 * @param reference differences from a reference; null for all pairs
 * @param key of the procedure
 */
public record ComparisonResult(
    List<String> of,
    Map<String, String> within,
    List<Map<String, String>> labels,
    Estimates means,
    Comparison pairs,
    AgainstReference reference,
    String key) {

  public ComparisonResult {
    of = List.copyOf(of);
    labels = List.copyOf(labels);
  }
}
