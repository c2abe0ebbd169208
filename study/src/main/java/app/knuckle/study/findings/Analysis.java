package app.knuckle.study.findings;

import java.util.List;

/**
 * Everything computed about one response, or about several together.
 *
 * @param tests the tests, the main one first
 * @param checks of the footing
 * @param means adjusted means, one set a term
 * @param comparisons one a family that was asked for
 * @param contrasts one a question that was asked
 * @param powerTransformation of a one-way layout; null elsewhere
 */
public record Analysis(
    List<TestResult> tests,
    List<CheckResult> checks,
    List<MeansResult> means,
    List<ComparisonResult> comparisons,
    List<ContrastResult> contrasts,
    app.knuckle.stats.linear.PowerTransformation powerTransformation) {

  public Analysis {
    tests = List.copyOf(tests);
    checks = List.copyOf(checks);
    means = List.copyOf(means);
    comparisons = List.copyOf(comparisons);
    contrasts = List.copyOf(contrasts);
  }

  /** Nothing was computed. */
  static final Analysis NONE =
      new Analysis(List.of(), List.of(), List.of(), List.of(), List.of(), null);
}
