package app.knuckle.study.findings;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.anova.PowerTransformation;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.stats.means.LinkScale;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Everything computed about one response, or about several together.
 *
 * @param tests the tests, the main one first
 * @param estimated means, and what was compared of them
 * @param checked what the answer takes for granted, looked at
 */
public record Results(List<TestResult> tests, Estimated estimated, Checked checked) {

  public Results {
    tests = List.copyOf(tests);
  }

  /**
   * Means, and what was compared of them.
   *
   * @param means adjusted means, one set a term
   * @param comparisons one a family that was asked for
   * @param contrasts one a question that was asked
   * @param rankComparisons families compared by ranks
   */
  public record Estimated(
      List<MeansResult> means,
      List<ComparisonResult> comparisons,
      List<ContrastResult> contrasts,
      List<RankComparison> rankComparisons) {

    public Estimated {
      means = List.copyOf(means);
      comparisons = List.copyOf(comparisons);
      contrasts = List.copyOf(contrasts);
      rankComparisons = List.copyOf(rankComparisons);
    }

    static final Estimated NONE = new Estimated(List.of(), List.of(), List.of(), List.of());
  }

  /**
   * What an answer takes for granted, looked at.
   *
   * @param design checks of what the design assumes
   * @param values checks group by group, and of residuals
   * @param residuals of the rows of the frame; empty where there is no linear model, or too many
   *     rows
   * @param powerTransformation of a one-way layout; empty elsewhere
   */
  public record Checked(
      List<CheckResult> design,
      List<GroupCheck> values,
      Optional<Residuals> residuals,
      Optional<PowerTransformation> powerTransformation) {

    public Checked {
      design = List.copyOf(design);
      values = List.copyOf(values);
    }

    static final Checked NONE =
        new Checked(List.of(), List.of(), Optional.empty(), Optional.empty());
  }

  /** Nothing was computed. */
  public static final Results NONE = of(List.of());

  /** Tests alone. */
  public static Results of(List<TestResult> tests) {
    return new Results(tests, Estimated.NONE, Checked.NONE);
  }

  /**
   * The same with means, and what was compared of them.
   *
   * @param means one set a term
   * @param comparisons one a family
   * @param contrasts one a question
   * @return the results
   */
  public Results estimating(
      List<MeansResult> means, List<ComparisonResult> comparisons, List<ContrastResult> contrasts) {
    Estimated found = new Estimated(means, comparisons, contrasts, estimated.rankComparisons);
    return new Results(tests, found, checked);
  }

  /** The same with families compared by ranks. */
  public Results ranking(List<RankComparison> families) {
    Estimated found =
        new Estimated(estimated.means, estimated.comparisons, estimated.contrasts, families);
    return new Results(tests, found, checked);
  }

  /** The same with checks of what the design assumes. */
  public Results checking(List<CheckResult> design) {
    return checked(
        new Checked(design, checked.values, checked.residuals, checked.powerTransformation));
  }

  /**
   * The same with checks of values.
   *
   * @param values the checks
   * @param residuals that they are about; empty for none
   * @return the results
   */
  public Results checking(List<GroupCheck> values, Optional<Residuals> residuals) {
    return checked(new Checked(checked.design, values, residuals, checked.powerTransformation));
  }

  /** The same with the power transformation of a one-way layout; empty where none can be found. */
  public Results transforming(Optional<PowerTransformation> transformation) {
    return checked(new Checked(checked.design, checked.values, checked.residuals, transformation));
  }

  private Results checked(Checked other) {
    return new Results(tests, estimated, other);
  }

  /** Checks of what the design assumes. */
  public List<CheckResult> checks() {
    return checked.design();
  }

  /** Checks group by group, and of residuals. */
  public List<GroupCheck> groupChecks() {
    return checked.values();
  }

  /** What the model leaves of each row; empty where there is none. */
  public Optional<Residuals> residuals() {
    return checked.residuals();
  }

  /** Adjusted means, one set a term. */
  public List<MeansResult> means() {
    return estimated.means();
  }

  /** Families of means compared. */
  public List<ComparisonResult> comparisons() {
    return estimated.comparisons();
  }

  /** Contrasts and trends that were asked. */
  public List<ContrastResult> contrasts() {
    return estimated.contrasts();
  }

  /** Families compared by ranks. */
  public List<RankComparison> rankComparisons() {
    return estimated.rankComparisons();
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
}
