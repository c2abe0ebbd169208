package app.knuckle.study.findings;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.anova.PowerTransformation;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.stats.means.LinkScale;
import java.util.Collection;
import java.util.List;
import java.util.stream.Stream;

/**
 * Everything computed about one response, or about several together.
 *
 * @param tests the tests, the main one first
 * @param checks of the footing
 * @param means adjusted means, one set a term
 * @param comparisons one a family that was asked for
 * @param contrasts one a question that was asked
 * @param powerTransformation of a one-way layout; null elsewhere
 * @param groupChecks checks group by group, and of residuals
 * @param rankComparisons families compared by ranks
 * @param residuals of the rows of the frame; null where there is no linear model or too many rows
 */
public record Results(
    List<TestResult> tests,
    List<CheckResult> checks,
    List<MeansResult> means,
    List<ComparisonResult> comparisons,
    List<ContrastResult> contrasts,
    PowerTransformation powerTransformation,
    List<GroupCheck> groupChecks,
    List<RankComparison> rankComparisons,
    Residuals residuals) {

  public Results {
    tests = List.copyOf(tests);
    checks = List.copyOf(checks);
    means = List.copyOf(means);
    comparisons = List.copyOf(comparisons);
    contrasts = List.copyOf(contrasts);
    groupChecks = List.copyOf(groupChecks);
    rankComparisons = List.copyOf(rankComparisons);
  }

  /**
   * An analysis without checks of groups or comparisons of ranks.
   *
   * @param tests the tests
   * @param checks of the footing
   * @param means adjusted means
   * @param comparisons families
   * @param contrasts questions
   * @param powerTransformation null for none
   */
  public Results(
      List<TestResult> tests,
      List<CheckResult> checks,
      List<MeansResult> means,
      List<ComparisonResult> comparisons,
      List<ContrastResult> contrasts,
      PowerTransformation powerTransformation) {
    this(
        tests,
        checks,
        means,
        comparisons,
        contrasts,
        powerTransformation,
        List.of(),
        List.of(),
        null);
  }

  /**
   * The same with checks of groups.
   *
   * @param more the checks
   * @param left the residuals they are about; null for none
   * @return the analysis
   */
  public Results with(List<GroupCheck> more, Residuals left) {
    return new Results(
        tests,
        checks,
        means,
        comparisons,
        contrasts,
        powerTransformation,
        more,
        rankComparisons,
        left);
  }

  /**
   * Whether two groups are asked about in a direction. Their test alone knows it: comparisons of
   * all pairs look in either direction, and would say something else of the same two groups.
   * Returns false where no direction was asked, or none of two groups.
   */
  boolean isDirected() {
    return tests.stream().anyMatch(TestResult::isDirected);
  }

  /** The scale on which effects add up: that of the response itself, unless counts were judged. */
  public LinkScale scale() {
    return tests.isEmpty() ? LinkScale.IDENTITY : tests.get(0).scale();
  }

  /** The analyses of variance among the tests, in their order. */
  public Stream<AnovaTable> variances() {
    return tests.stream().flatMap(t -> t.variances().stream());
  }

  /** What was tested of several responses together: one a term. */
  public Stream<TestResult.TogetherRow> rowsTogether() {
    return tests.stream().flatMap(t -> t.rowsTogether().stream());
  }

  /**
   * The p of each effect that lies within some columns.
   *
   * @param of their names
   * @return in the order in which they were judged; those of the question as a whole are left out
   */
  public List<Quantity> effects(Collection<String> of) {
    return tests.stream()
        .flatMap(t -> t.judged().stream())
        .filter(j -> !j.term().isEmpty() && of.containsAll(j.term()))
        .map(TestResult.Judged::p)
        .toList();
  }

  /** Nothing was computed. */
  public static final Results NONE =
      new Results(List.of(), List.of(), List.of(), List.of(), List.of(), null);
}
