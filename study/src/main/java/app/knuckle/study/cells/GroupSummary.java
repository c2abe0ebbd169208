package app.knuckle.study.cells;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.summary.Summary;
import java.util.Map;
import java.util.Optional;

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

  /** What stands between the levels of several treatments. */
  public static final String BETWEEN = " / ";

  /**
   * The name of the group.
   *
   * @return its levels; "all rows" for all together
   */
  public String level() {
    return name(levels);
  }

  /**
   * The name of whatever has levels of the treatments.
   *
   * @param levels by treatment
   * @return the levels; "all rows" for all together
   */
  public static String name(Map<String, String> levels) {
    return levels.isEmpty() ? say("rows.all") : String.join(BETWEEN, levels.values());
  }
}
