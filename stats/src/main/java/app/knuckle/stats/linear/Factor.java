package app.knuckle.stats.linear;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;

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

  /** How many levels there are. */
  public int size() {
    return levels.size();
  }

  /**
   * The combination of levels of each row, the last factor running fastest.
   *
   * @param factors any, over the same rows
   * @param rows how many there are
   * @return one a row, from 0; -1 without a level of some factor
   */
  public static int[] combinations(List<Factor> factors, int rows) {
    int[] combinations = new int[rows];
    for (Factor factor : factors) {
      int[] codes = factor.codes;
      int size = factor.size();
      for (int row = 0; row < rows; row++) {
        int before = combinations[row];
        combinations[row] = (before | codes[row]) < 0 ? -1 : before * size + codes[row];
      }
    }
    return combinations;
  }

  /**
   * The combinations of several factors that occur.
   *
   * @param name of the new factor
   * @param factors one or more, over the same rows
   * @param used which rows count
   * @return levels joined by commas, in order of appearance; no code where a row does not count
   */
  public static Factor combined(String name, List<Factor> factors, IntPredicate used) {
    int[] codes = new int[factors.get(0).codes().length];
    Map<List<String>, Integer> seen = new LinkedHashMap<>();
    for (int row = 0; row < codes.length; row++) {
      int at = row;
      boolean counts = used.test(row) && factors.stream().allMatch(f -> f.codes()[at] >= 0);
      codes[row] =
          !counts
              ? -1
              : seen.computeIfAbsent(
                  factors.stream().map(f -> f.levels().get(f.codes()[at])).toList(),
                  k -> seen.size());
    }
    return new Factor(
        name, seen.keySet().stream().map(key -> String.join(", ", key)).toList(), codes);
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

  /**
   * Levels by factor as their indices.
   *
   * @param factors in the order of the indices
   * @param levels by the names of factors
   * @return one a factor; -1 where none is named, or there is no such level
   */
  public static int[] codes(List<Factor> factors, Map<String, String> levels) {
    return factors.stream()
        .mapToInt(f -> levels.containsKey(f.name()) ? f.levels().indexOf(levels.get(f.name())) : -1)
        .toArray();
  }
}
