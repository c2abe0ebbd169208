package app.knuckle.stats.mixed;

import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Term;
import java.util.Arrays;
import java.util.List;
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
    for (int row = 0; row < rows; row++) {
      keys[row] = used.test(row) ? key(factors, row) : -1;
    }
    long[] seen = Arrays.stream(keys).filter(key -> key >= 0).sorted().distinct().toArray();
    int[] codes = new int[rows];
    int[] first = new int[seen.length];
    for (int row = rows - 1; row >= 0; row--) {
      codes[row] = keys[row] < 0 ? -1 : Arrays.binarySearch(seen, keys[row]);
      if (codes[row] >= 0) {
        first[codes[row]] = row;
      }
    }
    List<List<String>> levels =
        Arrays.stream(first)
            .mapToObj(row -> factors.stream().map(f -> f.levels().get(f.codes()[row])).toList())
            .toList();
    return new RandomTerm(new Term(factors.stream().map(Factor::name).toList()), levels, codes);
  }

  /** Which combination a row has; -1 where one of its levels is missing. */
  private static long key(List<Factor> factors, int row) {
    long key = 0;
    for (Factor factor : factors) {
      if (factor.codes()[row] < 0) {
        return -1;
      }
      key = Math.addExact(Math.multiplyExact(key, factor.size()), factor.codes()[row]);
    }
    return key;
  }

  /** How many combinations occur. */
  public int size() {
    return levels.size();
  }
}
