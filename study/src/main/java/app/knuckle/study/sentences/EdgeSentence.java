package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.counts.CountIntervals;
import app.knuckle.study.cells.CountSummary;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.Results;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Says of groups of which none, or all, were counted how many there may be at most, or at least,
 * and from which groups they differ: they have no mean among the others.
 */
public final class EdgeSentence {

  private EdgeSentence() {}

  /**
   * Says which groups those are.
   *
   * @param analysis of the response
   * @param summaries of its groups
   * @param inquiry the question
   * @param exact down to which bound p is written as it is
   * @return sentences; empty where every group has a mean
   */
  public static String of(
      Results analysis, List<GroupSummary> summaries, Inquiry inquiry, ExactP exact) {
    List<String> said = new ArrayList<>();
    for (ComparisonResult c : analysis.comparisons()) {
      Set<Map<String, String>> groups = new LinkedHashSet<>();
      for (ComparisonResult.Merged m : c.merged()) {
        groups.add(m.left());
        groups.add(m.right());
      }
      for (Map<String, String> group : groups) {
        Map<String, String> levels = new LinkedHashMap<>(c.within());
        levels.putAll(group);
        summaries.stream()
            .filter(s -> s.levels().equals(levels))
            .flatMap(s -> s.counted().stream())
            .filter(EdgeSentence::isNoneOrAll)
            .forEach(counted -> said.add(group(group, levels, counted, c, exact)));
        if (!inquiry.blocks().isEmpty() && isUnmet(c, group, levels, summaries)) {
          said.add(say("edge.unmet", name(levels)));
        }
      }
      if (!said.isEmpty() && c.within().isEmpty()) {
        break; // Other procedures say the same of these groups.
      }
    }
    return String.join(" ", said);
  }

  /**
   * A group with counts of its own that has no mean all the same: no block holds it with others.
   */
  private static boolean isUnmet(
      ComparisonResult c,
      Map<String, String> group,
      Map<String, String> levels,
      List<GroupSummary> summaries) {
    return !c.labels().contains(group)
        && summaries.stream()
            .filter(s -> s.levels().equals(levels))
            .flatMap(s -> s.counted().stream())
            .anyMatch(counted -> !isNoneOrAll(counted));
  }

  private static boolean isNoneOrAll(CountSummary counted) {
    return counted.total() == 0 || counted.proportions() && counted.total() == counted.size();
  }

  private static String group(
      Map<String, String> group,
      Map<String, String> levels,
      CountSummary counted,
      ComparisonResult c,
      ExactP exact) {
    boolean none = counted.total() == 0;
    List<String> differing = new ArrayList<>();
    boolean tested = false;
    for (ComparisonResult.Merged m : c.merged()) {
      boolean left = m.left().equals(group);
      if (left || m.right().equals(group)) {
        tested |= m.p().exists();
        if (m.differs()) {
          Map<String, String> other = left ? m.right() : m.left();
          differing.add(say("edge.other", name(other), exact.statement(m.p())));
        }
      }
    }
    String key = none ? "edge.none" : "edge.all";
    String limit = limit(counted, none);
    return !differing.isEmpty()
        ? say(key + ".apart", name(levels), limit, Numerals.list(differing))
        : say(key + (tested ? ".alike" : ".bare"), name(levels), limit);
  }

  /** What there may be at most, or at least, by the exact interval. */
  private static String limit(CountSummary counted, boolean none) {
    if (!(counted.size() > 0)) {
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
    return Prose.named(GroupSummary.name(levels.values()));
  }
}
