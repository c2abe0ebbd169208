package app.knuckle.study.findings;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.AgainstReference;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.counts.Drop;
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
 * @param merged pairs with a group that has no mean, judged by making the two one
 */
public record ComparisonResult(
    List<String> of,
    Map<String, String> within,
    List<Map<String, String>> labels,
    Estimates means,
    Comparison pairs,
    AgainstReference reference,
    String key,
    List<Merged> merged) {

  public ComparisonResult {
    of = List.copyOf(of);
    labels = List.copyOf(labels);
    merged = List.copyOf(merged);
  }

  /** A family in which every group has a mean. */
  public ComparisonResult(
      List<String> of,
      Map<String, String> within,
      List<Map<String, String>> labels,
      Estimates means,
      Comparison pairs,
      AgainstReference reference,
      String key) {
    this(of, within, labels, means, pairs, reference, key, List.of());
  }

  /**
   * The same with pairs of groups that have no mean.
   *
   * @param others these pairs
   * @return the family
   */
  public ComparisonResult with(List<Merged> others) {
    return new ComparisonResult(of, within, labels, means, pairs, reference, key, others);
  }

  /**
   * Two groups of which one at least has no mean: none, or all, were counted there, or no block
   * holds it with others.
   *
   * @param left levels of one
   * @param right levels of the other; the reference where there is one
   * @param drop what deviance rises by when they are merged
   * @param p adjusted after Holm over such pairs
   * @param differs whether p is at most alpha
   */
  public record Merged(
      Map<String, String> left, Map<String, String> right, Drop drop, Quantity p, boolean differs) {

    /**
     * The same, judged.
     *
     * @param adjusted p
     * @param reached whether it is at most alpha
     * @return the pair
     */
    public Merged judged(double adjusted, boolean reached) {
      return new Merged(left, right, drop, Quantity.of(adjusted), reached);
    }
  }
}
