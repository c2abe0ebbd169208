package app.knuckle.stats.mixed;

import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Term;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.IntPredicate;

/**
 * A random term: the combinations of some columns that occur, each with an effect drawn from one
 * distribution.
 *
 * @param term its columns, from the outside inward
 * @param levels of each combination, one name a column; in the order of the columns, the first
 *     changing slowest
 * @param codes one a row, an index into the levels; negative where the row takes no part; to be
 *     read only
 */
public record RandomTerm(Term term, List<List<String>> levels, int[] codes) {

  public RandomTerm {
    levels = List.copyOf(levels);
  }

  /**
   * The combinations of some factors.
   *
   * @param factors one or more, over the same rows
   * @param used which rows count
   * @return the term
   */
  public static RandomTerm of(List<Factor> factors, IntPredicate used) {
    int rows = factors.get(0).codes().length;
    long[] keys = new long[rows];
    SortedMap<Long, List<String>> seen = new TreeMap<>();
    for (int row = 0; row < rows; row++) {
      keys[row] = -1;
      int at = row;
      if (used.test(row) && factors.stream().allMatch(f -> f.codes()[at] >= 0)) {
        long key = 0;
        for (Factor factor : factors) {
          key = Math.addExact(Math.multiplyExact(key, factor.size()), factor.codes()[row]);
        }
        keys[row] = key;
        seen.computeIfAbsent(
            key, k -> factors.stream().map(f -> f.levels().get(f.codes()[at])).toList());
      }
    }
    List<List<String>> levels = new ArrayList<>(seen.values());
    SortedMap<Long, Integer> places = new TreeMap<>();
    seen.keySet().forEach(key -> places.put(key, places.size()));
    int[] codes = new int[rows];
    for (int row = 0; row < rows; row++) {
      codes[row] = keys[row] < 0 ? -1 : places.get(keys[row]);
    }
    return new RandomTerm(new Term(factors.stream().map(Factor::name).toList()), levels, codes);
  }

  /**
   * How many combinations occur.
   *
   * @return the number
   */
  public int size() {
    return levels.size();
  }
}
