package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.counts.CountIntervals;
import app.knuckle.study.cells.CountSummary;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.findings.Analysis;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Says of groups of which none, or all, were counted that they have no mean among the others, how
 * many there may be at most, and which groups they were told apart from; and of groups that never
 * meet the others in a block that they cannot be compared.
 */
public final class EdgeSentence {

  private EdgeSentence() {}

  /**
   * Says what stands apart.
   *
   * @param analysis of the response
   * @param summaries of its groups
   * @param exact down to which bound p is written as it is
   * @return sentences; empty where every group has a mean
   */
  public static String of(Analysis analysis, List<GroupSummary> summaries, ExactP exact) {
    List<String> said = new ArrayList<>();
    for (ComparisonResult c : analysis.comparisons()) {
      Set<Map<String, String>> edge = new LinkedHashSet<>();
      for (ComparisonResult.Merged m : c.merged()) {
        for (Map<String, String> group : List.of(m.left(), m.right())) {
          if (!c.labels().contains(group)) {
            edge.add(group);
          }
        }
      }
      edge.forEach(group -> said.add(group(group, c, edge, summaries, exact)));
      if (!said.isEmpty()) {
        return String.join(" ", said);
      }
    }
    return "";
  }

  private static String group(
      Map<String, String> group,
      ComparisonResult c,
      Set<Map<String, String>> edge,
      List<GroupSummary> summaries,
      ExactP exact) {
    CountSummary counted =
        summaries.stream()
            .filter(s -> s.levels().equals(group))
            .flatMap(s -> s.counted().stream())
            .findFirst()
            .orElse(null);
    boolean none = counted == null || counted.total() == 0;
    if (!none && !(counted.proportions() && counted.total() == counted.size())) {
      return say("edge.unmet", name(group));
    }
    List<String> apart = new ArrayList<>();
    for (ComparisonResult.Merged m : c.merged()) {
      boolean left = m.left().equals(group);
      Map<String, String> other = left ? m.right() : m.left();
      if ((left || m.right().equals(group)) && m.differs() && !edge.contains(other)) {
        apart.add(say("edge.other", name(other), exact.statement(m.p())));
      }
    }
    String key = none ? "edge.none" : "edge.all";
    return apart.isEmpty()
        ? say(key + ".alike", name(group), limit(counted, none))
        : say(key + ".apart", name(group), limit(counted, none), Numerals.list(apart));
  }

  /** What there may be at most, or at least, by the exact interval. */
  private static String limit(CountSummary counted, boolean none) {
    if (counted == null || !(counted.size() > 0)) {
      return "";
    }
    String confidence = Numerals.confidence(counted.alpha());
    if (!counted.proportions()) {
      double most = CountIntervals.garwood(0, counted.alpha()).high() / counted.size();
      return say("edge.most", Numerals.fixed(most, Numerals.decimalsFor(most)), confidence);
    }
    CountIntervals exact = CountIntervals.exact(counted.total(), counted.size(), counted.alpha());
    return say(
        none ? "edge.most.of" : "edge.least.of",
        Numerals.whole((long) counted.size()),
        Numerals.fixed(100 * (none ? exact.high() : exact.low()), 1),
        confidence);
  }

  private static String name(Map<String, String> levels) {
    return Prose.named(String.join(GroupSummary.BETWEEN, levels.values()));
  }
}
