package app.knuckle.study.cells;

import app.knuckle.stats.summary.Summary;
import java.util.Map;

/**
 * What one group of a response is like.
 *
 * @param levels of the treatments; empty for all rows together
 * @param summary of its values
 */
public record GroupSummary(Map<String, String> levels, Summary summary) {

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
    return levels.isEmpty() ? "all rows" : String.join(BETWEEN, levels.values());
  }
}
