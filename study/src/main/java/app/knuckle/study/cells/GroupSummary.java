package app.knuckle.study.cells;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.summary.Summary;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * What one group of a response is like.
 *
 * @param levels of the treatments; empty for all rows together
 * @param summary of its values
 * @param counted what was counted; empty for what was measured
 */
public record GroupSummary(
    Map<String, String> levels, Summary summary, Optional<CountSummary> counted) {

  /** A group that was measured, not counted. */
  public GroupSummary(Map<String, String> levels, Summary summary) {
    this(levels, summary, Optional.empty());
  }

  /**
   * The same with what was counted.
   *
   * @param counts in the group
   * @return the summary
   */
  public GroupSummary with(CountSummary counts) {
    return new GroupSummary(levels, summary, Optional.of(counts));
  }

  private static final String BETWEEN = " / ";
  private static final String OPEN = "\u2018";
  private static final String CLOSE = "\u2019";

  /** The name of the group: its levels; "all rows" for all together. */
  public String level() {
    return name(levels);
  }

  /**
   * The name of whatever has levels of the treatments. No two combinations of the same treatments
   * have one name: where a level holds what stands between levels, all are quoted.
   *
   * @param levels by treatment
   * @return the levels; "all rows" for all together
   */
  public static String name(Map<String, String> levels) {
    return levels.isEmpty() ? say("rows.all") : name(levels.values());
  }

  /**
   * The name of levels of several treatments.
   *
   * @param levels one a treatment, in their order
   * @return the levels, quoted where they could be mistaken
   */
  public static String name(Collection<String> levels) {
    boolean mistakable =
        levels.size() > 1
            && levels.stream()
                .anyMatch(
                    l ->
                        (" " + l + " ").contains(BETWEEN) || l.contains(OPEN) || l.contains(CLOSE));
    return mistakable
        ? levels.stream()
            .map(l -> OPEN + l.replace(CLOSE, CLOSE + CLOSE) + CLOSE)
            .collect(Collectors.joining(BETWEEN))
        : String.join(BETWEEN, levels);
  }
}
