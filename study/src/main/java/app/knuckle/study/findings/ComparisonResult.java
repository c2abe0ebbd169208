package app.knuckle.study.findings;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.AgainstReference;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.counts.DevianceTest;
import app.knuckle.stats.means.Estimates;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A family of means compared.
 *
 * @param of the treatments whose means they are
 * @param within levels that they share
 * @param labels levels of each mean
 * @param means the estimates
 * @param compared which of them with which
 * @param procedure by which they were compared
 * @param merged pairs with a group that has no mean, tested by merging the two
 */
public record ComparisonResult(
    List<String> of,
    Map<String, String> within,
    List<Map<String, String>> labels,
    Estimates means,
    Compared compared,
    Procedure procedure,
    List<Merged> merged) {

  public ComparisonResult {
    of = List.copyOf(of);
    labels = List.copyOf(labels);
    merged = List.copyOf(merged);
  }

  /** Which means were compared with which. */
  public sealed interface Compared {

    /** The pairs that were compared. */
    List<Pair> pairs();
  }

  /** Each with each, so that letters stand beside the means. */
  public record EachWithEach(Comparison comparison) implements Compared {
    @Override
    public List<Pair> pairs() {
      return comparison.pairs();
    }
  }

  /** Each with a reference. */
  public record EachWithReference(AgainstReference comparison) implements Compared {
    @Override
    public List<Pair> pairs() {
      return comparison.pairs();
    }
  }

  /** The pairs that were compared. */
  public List<Pair> pairs() {
    return compared.pairs();
  }

  /** The comparison of each mean with each; empty where they were compared with a reference. */
  public Optional<Comparison> allPairs() {
    return compared instanceof EachWithEach each
        ? Optional.of(each.comparison())
        : Optional.empty();
  }

  /**
   * The same with pairs of groups that have no mean.
   *
   * @param others these pairs
   * @return the family
   */
  public ComparisonResult with(List<Merged> others) {
    return new ComparisonResult(of, within, labels, means, compared, procedure, others);
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
      Map<String, String> left,
      Map<String, String> right,
      DevianceTest drop,
      Quantity p,
      boolean differs) {

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
