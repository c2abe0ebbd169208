package app.knuckle.study.findings;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.compare.Letters;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.compare.Ranking;
import app.knuckle.stats.means.Estimates;
import app.knuckle.stats.means.LinkScale;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Inquiry;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A family of means with its pairs, whatever method gave them: adjusted means, or mean ranks.
 *
 * @param of the treatments whose means they are
 * @param within levels that they share; empty for none
 * @param labels levels of each mean, by treatment
 * @param means their values
 * @param ses standard errors; absent for mean ranks
 * @param counts rows behind them
 * @param pairs of them, or each with the reference
 * @param letters those that do not differ significantly share one; null for a reference
 * @param procedure that judged
 * @param ranks whether the values are mean ranks
 * @param criticalDifference if all pairs share one
 * @param estimates behind the means; null for mean ranks
 */
public record ComparedMeans(
    List<String> of,
    Map<String, String> within,
    List<Map<String, String>> labels,
    double[] means,
    List<Quantity> ses,
    long[] counts,
    List<Pair> pairs,
    Letters letters,
    Procedure procedure,
    boolean ranks,
    Quantity criticalDifference,
    Estimates estimates) {

  /** More means than this cannot be compared pair by pair in a time that anyone would wait. */
  public static final int MOST = 120;

  public ComparedMeans {
    of = List.copyOf(of);
    labels = List.copyOf(labels);
    ses = List.copyOf(ses);
    pairs = List.copyOf(pairs);
  }

  /**
   * The families of an analysis.
   *
   * @param analysis of a response
   * @return one a comparison that was asked, and for each level within which it was asked; none of
   *     two groups asked about in a direction, whose test has said all there is
   */
  public static List<ComparedMeans> of(Results analysis) {
    List<ComparedMeans> all = new ArrayList<>();
    analysis.comparisons().forEach(c -> all.add(of(c)));
    analysis.rankComparisons().forEach(c -> all.add(of(c)));
    all.removeIf(family -> family.means().length < 2); // Empty cells have no mean to compare.
    all.removeIf(family -> analysis.isDirected() && !family.isAgainstReference());
    return all;
  }

  private static ComparedMeans of(ComparisonResult c) {
    int k = c.labels().size();
    Optional<Comparison> all = c.allPairs();
    return new ComparedMeans(
        c.of(),
        c.within(),
        c.labels(),
        IntStream.range(0, k).mapToDouble(c.means()::shown).toArray(),
        IntStream.range(0, k).mapToObj(c.means()::shownSe).toList(),
        IntStream.range(0, k).mapToLong(c.means()::count).toArray(),
        c.pairs(),
        all.map(Comparison::letters).orElse(null),
        c.procedure(),
        false,
        all.map(Comparison::criticalDifference).orElse(Quantity.absent(Absence.OWN_ERRORS)),
        c.means());
  }

  private static ComparedMeans of(RankComparison c) {
    int k = c.labels().size();
    return new ComparedMeans(
        c.of(),
        Map.of(),
        c.labels(),
        c.meanRanks().stream().mapToDouble(r -> r).toArray(),
        IntStream.range(0, k).mapToObj(i -> Quantity.absent(Absence.RANKS_HAVE_NO_SE)).toList(),
        c.counts().stream().mapToLong(n -> n).toArray(),
        c.shown().pairs(),
        c.shown().letters(),
        c.shown().procedure(),
        true,
        c.shown().criticalDifference(),
        null);
  }

  /** The means as they are shown. What is looked up goes by its labels. Returns one a mean. */
  public List<String> names() {
    return labels.stream().map(l -> GroupSummary.name(l.values())).toList();
  }

  /** The means, the largest first. */
  public List<Integer> ranking() {
    return estimates == null ? Ranking.of(means) : Ranking.of(estimates);
  }

  /**
   * A mean, or why it has no value, as one over levels that do not meet.
   *
   * @param i place of the mean
   * @return the mean
   */
  public Quantity mean(int i) {
    return Quantity.finite(means[i], Absence.MEAN_HAS_NO_VALUE);
  }

  /**
   * A mean's own interval.
   *
   * @param i place of the mean
   * @param alpha one less the confidence, between 0 and 1
   * @return how far it reaches; none for mean ranks
   */
  public Reach interval(int i, double alpha) {
    return estimates == null
        ? Reach.none(Absence.MEAN_RANKS_HAVE_NO_INTERVAL)
        : Reach.between(
            estimates.shownLimit(i, alpha, false), mean(i), estimates.shownLimit(i, alpha, true));
  }

  /** The scale on which the pairs differ: that of the response itself unless they are ratios. */
  public LinkScale scale() {
    return estimates == null ? LinkScale.IDENTITY : estimates.scale();
  }

  /**
   * What lies between two groups, as it is shown.
   *
   * @param size the difference, or how many times as large one is
   * @param low lower limit
   * @param high upper limit
   */
  public record Effect(double size, Quantity low, Quantity high) {}

  /**
   * What lies between the two groups of a pair, as it is shown.
   *
   * @param pair one of the pairs
   * @param turned whether the right one is held against the left one
   * @return a difference, or on another scale a ratio
   */
  public Effect effect(Pair pair, boolean turned) {
    double size = turned ? -pair.difference() : pair.difference();
    Quantity low = turned ? pair.high().map(x -> -x) : pair.low();
    Quantity high = turned ? pair.low().map(x -> -x) : pair.high();
    return isOfRatios()
        ? new Effect(Math.exp(size), low.exponential(), high.exponential())
        : new Effect(size, low, high);
  }

  /** Whether groups are compared by how many times one is the other: false for differences. */
  public boolean isOfRatios() {
    return scale() != LinkScale.IDENTITY;
  }

  /** Whether each is compared with one of them only: false for all pairs. */
  public boolean isAgainstReference() {
    return letters == null;
  }

  /**
   * The levels of the mean that the others are compared with.
   *
   * @param inquiry that names a reference
   * @return of the treatments of this family
   */
  public Map<String, String> reference(Inquiry inquiry) {
    Map<String, String> reference = new HashMap<>(inquiry.reference());
    reference.keySet().retainAll(of);
    return reference;
  }

  /** Whether the means rest on different numbers of rows: false if all are alike. */
  public boolean isUnequal() {
    return Arrays.stream(counts).distinct().count() > 1;
  }
}
