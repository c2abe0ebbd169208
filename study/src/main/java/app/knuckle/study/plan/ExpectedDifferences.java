package app.knuckle.study.plan;

import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.power.PlannedDifference;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.TestResult;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Differences of the means that a plan compares, as expected records give them. */
final class ExpectedDifferences {

  /** Standard errors this close, relative, are the same but for rounding. */
  private static final double SAME_ERROR = 1e-9;

  private final Plan plan;
  private final List<Difference> all = new ArrayList<>();

  private record Difference(TrueMeans.Pair pair, double se, double df) {
    List<String> differing() {
      return pair.left().keySet().stream()
          .filter(t -> !pair.left().get(t).equals(pair.right().get(t)))
          .toList();
    }
  }

  /**
   * Reads the differences off findings.
   *
   * @param plan what is wanted
   * @param findings of expected records
   */
  ExpectedDifferences(Plan plan, Findings findings) {
    this.plan = plan;
    if (plan.wanted() == null) {
      return;
    }
    for (ComparisonResult family : findings.first().results().comparisons()) {
      for (Pair pair : family.pairs()) {
        if (pair.se().exists() && pair.df().exists()) {
          TrueMeans.Pair levels =
              new TrueMeans.Pair(
                  family.labels().get(pair.left()), family.labels().get(pair.right()));
          all.add(new Difference(levels, pair.se().value(), pair.df().value()));
        }
      }
    }
    if (all.isEmpty() && findings.inquiry().pairs() != null) {
      findings.first().results().tests().stream()
          .flatMap(test -> test.ofDifference().stream())
          .filter(pairs -> pairs.test().test().se().exists())
          .forEach(this::add);
    }
  }

  /** Matched pairs have no family: their test is the difference. */
  private void add(TestResult.TTestResult pairs) {
    all.add(
        new Difference(
            new TrueMeans.Pair(pairs.left(), pairs.right()),
            pairs.test().test().se().value(),
            pairs.test().test().df().value()));
  }

  /** The two means whose difference is known least: null where nothing is compared. */
  TrueMeans.Pair leastCertain() {
    return all.isEmpty() ? null : worst(all).pair();
  }

  /** Differences by the treatments whose levels differ: those that are hardest to find first. */
  List<Shows.Kind> kinds() {
    Map<List<String>, List<Difference>> byKind = new LinkedHashMap<>();
    all.forEach(d -> byKind.computeIfAbsent(d.differing(), k -> new ArrayList<>()).add(d));
    List<Shows.Kind> kinds = new ArrayList<>();
    byKind.forEach((differing, own) -> kinds.add(new Shows.Kind(differing, test(own))));
    kinds.sort((a, b) -> Double.compare(passed(b), passed(a)));
    return kinds;
  }

  /** The kind of some treatments, if it is compared. */
  Optional<Shows.Kind> kind(List<String> differing) {
    return kinds().stream().filter(k -> k.differing().equals(differing)).findFirst();
  }

  private PlannedDifference test(List<Difference> kind) {
    Difference worst = worst(kind);
    double se = worst.se();
    if (plan.layout() == Plan.Layout.INCOMPLETE_BLOCKS) {
      // Pairs that meet differ a little from others: what counts is their mean variance.
      se = Math.sqrt(kind.stream().mapToDouble(d -> d.se() * d.se()).average().orElseThrow());
    }
    return plan.difference(se, worst.df());
  }

  private static double passed(Shows.Kind kind) {
    return kind.test().critical() * kind.test().sed();
  }

  /** The first of those with the largest standard error; rounding does not choose. */
  private static Difference worst(List<Difference> all) {
    Difference worst = all.get(0);
    for (Difference d : all) {
      worst = d.se() > worst.se() * (1 + SAME_ERROR) ? d : worst;
    }
    return worst;
  }
}
