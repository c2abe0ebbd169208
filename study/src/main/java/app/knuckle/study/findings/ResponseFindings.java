package app.knuckle.study.findings;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.study.Refusal;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.DesignReading;
import app.knuckle.study.design.Groups;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * The answers about one response.
 *
 * @param measured the response
 * @param groups the groups of the treatment that have a value of it
 * @param design how the design reads
 * @param summaries all rows together first, then each group
 * @param analysed the same of the values that the analysis rests on: of complete rows and units,
 *     averaged where a unit was read several times
 * @param refusal why there is no test; null when there is one
 * @param words the sentences
 * @param results everything computed, for any design
 */
public record ResponseFindings(
    Numbers measured,
    Groups groups,
    DesignReading design,
    List<GroupSummary> summaries,
    List<GroupSummary> analysed,
    Refusal refusal,
    Sentences words,
    Results results) {

  public ResponseFindings {
    summaries = List.copyOf(summaries);
    analysed = List.copyOf(analysed);
  }

  /**
   * The same in other words.
   *
   * @param other the sentences
   * @return answers with the same numbers
   */
  public ResponseFindings saying(Sentences other) {
    return new ResponseFindings(
        measured, groups, design, summaries, analysed, refusal, other, results);
  }

  /** The fit of a one-way layout by itself; empty for another design. */
  public Optional<OneWay> oneWay() {
    return results.tests().stream().flatMap(test -> test.ofGroups().stream()).findFirst();
  }

  /** Summaries of the groups alone: one a group, in their order. */
  public List<GroupSummary> groupSummaries() {
    int most = summaries.get(summaries.size() - 1).levels().size();
    return summaries.stream().filter(s -> s.levels().size() == most).toList();
  }

  /**
   * The levels of a treatment that occur.
   *
   * @param treatment its column
   * @return in their order; none if it is no treatment of the inquiry
   */
  public List<String> levelsOf(String treatment) {
    return summaries.stream()
        .filter(s -> s.levels().keySet().equals(java.util.Set.of(treatment)))
        .map(GroupSummary::level)
        .toList();
  }

  /**
   * The rows of one group that have a value, in the order of the table.
   *
   * @param group from 0
   * @return rows, from 0
   */
  public int[] rowsOf(int group) {
    int[] codes = groups.codes();
    return IntStream.range(0, codes.length)
        .filter(row -> codes[row] == group && !measured.isMissing(row))
        .toArray();
  }

  /**
   * The summary of one of the groups that have a value.
   *
   * @param group from 0
   * @return its summary
   */
  public GroupSummary summaryOf(int group) {
    return groupSummaries().stream()
        .filter(s -> s.summary().n() > 0)
        .skip(group)
        .findFirst()
        .orElseThrow();
  }

  /**
   * The summary of one group.
   *
   * @param levels of the treatments
   * @return its summary
   */
  public GroupSummary summaryOf(Map<String, String> levels) {
    return groupSummaries().stream()
        .filter(s -> s.levels().equals(levels))
        .findFirst()
        .orElseThrow();
  }

  /** The means that figures and reports show, in their order. */
  public List<ShownMean> shownMeans() {
    return ShownMean.of(this);
  }

  /**
   * The comparison whose letters stand beside the means that are shown: empty when none was asked
   * for.
   */
  public Optional<Comparison> shownComparison() {
    List<ShownMean> shown = shownMeans();
    return results.comparisons().stream()
        .filter(c -> c.within().isEmpty() && !results.isDirected())
        .filter(c -> shown.stream().anyMatch(m -> c.labels().contains(m.levels())))
        .flatMap(c -> c.allPairs().stream())
        .findFirst();
  }

  /**
   * Whether its groups are more than can be compared pair by pair: false where every pair is judged
   * that was asked for.
   */
  public boolean hasTooManyToCompare() {
    return groups.size() > ComparedMeans.MOST;
  }

  /** Decimals that suit the means: at least 0. */
  public int decimals() {
    Quantity own = summaries.get(0).summary().se();
    return Numerals.decimalsFor(
        oneWay().map(OneWay::seOfMean).filter(Quantity::exists).orElse(own).value());
  }

  /**
   * The least p of the tests about some treatments: of one of them, or of several together.
   *
   * @param of the treatments
   * @return absent when there is no such test
   */
  public Quantity leastP(Collection<String> of) {
    List<Quantity> found = new ArrayList<>();
    for (TestResult test : results.tests()) {
      if (test.isDirected()) {
        return test.judged().get(0).p(); // Only it knows the direction that was asked.
      }
      test.judged().stream().filter(j -> of.containsAll(j.term())).forEach(j -> found.add(j.p()));
      if (!found.isEmpty() && test.ofDifference().isEmpty()) {
        break; // The first test of all groups is the one that is asked.
      }
    }
    return found.stream()
        .filter(Quantity::exists)
        .min(Comparator.comparingDouble(Quantity::value))
        .orElse(Quantity.absent(Absence.NO_OVERALL_TEST));
  }
}
