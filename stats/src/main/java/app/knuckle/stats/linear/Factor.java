package app.knuckle.stats.linear;

import java.util.List;

/**
 * A factor: which level each row has.
 *
 * @param name as the user calls it
 * @param levels names of the levels, in their order
 * @param codes one a row, an index into the levels; negative for none; to be read only
 */
public record Factor(String name, List<String> levels, int[] codes) {

  public Factor {
    levels = List.copyOf(levels);
  }

  /**
   * How many levels there are.
   *
   * @return the number
   */
  public int size() {
    return levels.size();
  }

  /**
   * The code of a level in one column of sum-to-zero coding.
   *
   * @param level from 0
   * @param column from 0 to size - 2
   * @return 1 in its own column, -1 everywhere for the last level, else 0
   */
  static double code(int size, int level, int column) {
    return level == size - 1 ? -1 : level == column ? 1 : 0;
  }
}
