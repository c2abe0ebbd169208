package app.knuckle.stats.counts;

import app.knuckle.stats.RowParts;
import app.knuckle.stats.linear.Factor;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * How often every count occurs at every combination of levels: one pass over the rows, in parts
 * side by side. Numbers of rows are whole, so that it does not matter how they are parted.
 */
final class CountTable {

  /** Combinations of levels and counts up to here are counted in a table. */
  private static final int LARGEST = 1 << 20;

  /** Parts of fewer rows cost more to hand over than to count. */
  private static final int ROWS_OF_A_PART = 20_000;

  /** Rows whose combination is reckoned together. */
  private static final int STRIP = 512;

  /** Counts below this are expected; larger ones widen the table. */
  private static final int FIRST_WIDTH = 32;

  private final List<Factor> factors;
  private final int combinations;
  private final int[] first;
  private int width = FIRST_WIDTH;
  private int[] rows;

  private CountTable(List<Factor> factors, int combinations) {
    this.factors = factors;
    this.combinations = combinations;
    rows = new int[combinations * width];
    first = new int[combinations];
    Arrays.fill(first, -1);
  }

  /**
   * Counts.
   *
   * @param factors whose combinations are numbered with the last one running fastest; all rows that
   *     take part have a level of each
   * @param y whole numbers from 0; NaN where a row takes no part
   * @return empty where there are too many combinations, or too large counts, for a table
   */
  static Optional<CountTable> of(List<Factor> factors, double[] y) {
    long combinations = 1;
    for (Factor factor : factors) {
      combinations = Math.min(LARGEST, combinations * factor.size());
    }
    if (combinations * FIRST_WIDTH > LARGEST) {
      return Optional.empty();
    }
    int cells = (int) combinations;
    List<Optional<CountTable>> parts =
        RowParts.each(y.length, ROWS_OF_A_PART, (from, to) -> part(factors, cells, y, from, to));
    if (parts.stream().anyMatch(Optional::isEmpty)) {
      return Optional.empty();
    }
    CountTable whole = parts.get(0).get();
    parts.subList(1, parts.size()).forEach(later -> whole.add(later.get()));
    return Optional.of(whole);
  }

  private static Optional<CountTable> part(
      List<Factor> factors, int combinations, double[] y, int from, int to) {
    CountTable table = new CountTable(factors, combinations);
    return table.count(y, from, to) ? Optional.of(table) : Optional.empty();
  }

  /** The number of combinations. */
  int combinations() {
    return combinations;
  }

  /** One more than the largest count that the table could hold. */
  int width() {
    return width;
  }

  /** How many rows have a count. */
  int rows(int combination, int count) {
    return rows[combination * width + count];
  }

  /** The first row of a combination that takes part; -1 for none. */
  int first(int combination) {
    return first[combination];
  }

  /** Adds the counts of later rows. */
  private void add(CountTable later) {
    int common = Math.max(width, later.width);
    widen(common);
    later.widen(common);
    for (int i = 0; i < rows.length; i++) {
      rows[i] += later.rows[i];
    }
    for (int c = 0; c < combinations; c++) {
      first[c] = first[c] < 0 ? later.first[c] : first[c];
    }
  }

  private void widen(int wider) {
    if (wider > width) {
      int[] wide = new int[combinations * wider];
      for (int c = 0; c < combinations; c++) {
        System.arraycopy(rows, c * width, wide, c * wider, width);
      }
      rows = wide;
      width = wider;
    }
  }

  /** Counts some rows; false where the table would grow too large. */
  private boolean count(double[] y, int from, int to) {
    int[] before = new int[STRIP];
    for (int start = from; start < to; start += STRIP) {
      int n = Math.min(STRIP, to - start);
      combine(start, n, before);
      for (int done = 0; done < n; ) {
        done = count(y, start, done, n, before);
        if (done < n) {
          double wider = Math.max(2.0 * width, y[start + done] + 1);
          if (combinations * wider > LARGEST) {
            return false;
          }
          widen((int) wider);
        }
      }
    }
    return true;
  }

  /** The combinations of all factors but the last three, which are combined as rows are counted. */
  private void combine(int start, int n, int[] before) {
    for (int f = 0; f < factors.size() - LAST; f++) {
      int[] codes = factors.get(f).codes();
      int size = factors.get(f).size();
      for (int i = 0; i < n; i++) {
        before[i] = (f == 0 ? 0 : before[i] * size) + codes[start + i];
      }
    }
  }

  /** Codes of a factor that is not there. */
  private static final int[] NONE = new int[STRIP];

  private static final int LAST = 3;

  /** Counts the rows of a strip until one does not fit; returns its place. */
  private int count(double[] y, int start, int from, int n, int[] before) {
    int fewest = factors.size() - LAST;
    int[] a = fewest < 0 ? NONE : factors.get(fewest).codes();
    int[] b = fewest < -1 ? NONE : factors.get(fewest + 1).codes();
    int[] c = fewest < -2 ? NONE : factors.get(fewest + 2).codes();
    int atA = a == NONE ? 0 : start;
    int atB = b == NONE ? 0 : start;
    int atC = c == NONE ? 0 : start;
    int sizeA = a == NONE ? 1 : factors.get(fewest).size();
    int sizeB = b == NONE ? 1 : factors.get(fewest + 1).size();
    int sizeC = c == NONE ? 1 : factors.get(fewest + 2).size();
    int[] table = rows;
    int wide = width;
    for (int i = from; i < n; i++) {
      double own = y[start + i];
      if (own < wide) {
        int cell = ((before[i] * sizeA + a[atA + i]) * sizeB + b[atB + i]) * sizeC + c[atC + i];
        table[cell * wide + (int) own]++;
        if (first[cell] < 0) {
          first[cell] = start + i;
        }
      } else if (own == own) {
        return i;
      }
    }
    return n;
  }
}
