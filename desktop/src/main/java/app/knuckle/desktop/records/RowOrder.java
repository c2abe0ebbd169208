package app.knuckle.desktop.records;

import app.knuckle.stats.Progress;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import java.util.Arrays;
import java.util.Locale;
import java.util.stream.IntStream;

/**
 * Which rows are seen, and in which order. It changes the view only: no analysis knows of it.
 *
 * @param column by which the rows are sorted; empty for the order as read
 * @param falling whether the largest come first
 * @param find text that a cell must hold; empty for any
 * @param onlyFound whether rows without it are hidden
 */
public record RowOrder(String column, boolean falling, String find, boolean onlyFound) {

  /** Everything as read. */
  public static final RowOrder AS_READ = new RowOrder("", false, "", false);

  private static final int ROWS_PER_LOOK = 1 << 13;

  /**
   * What is seen.
   *
   * @param order rows of the frame, from 0, in the order of the view; null for all as read
   * @param found places in that order at which the text was found
   */
  public record View(int[] order, int[] found) {
    /** All rows as read, none sought. */
    static final View AS_READ = new View(null, new int[0]);
  }

  /**
   * Finds and sorts.
   *
   * @param frame the rows
   * @param progress asked on the way
   * @return what is seen
   * @throws java.util.concurrent.CancellationException if stopped
   */
  public View of(Frame frame, Progress progress) {
    String wanted = find.strip().toLowerCase(Locale.ROOT);
    boolean[] hit = new boolean[frame.rows()];
    if (!wanted.isEmpty()) {
      for (Column c : frame.columns()) {
        mark(c, wanted, hit, progress);
      }
    }
    int[] order = null;
    if (!column.isEmpty() && frame.has(column)) {
      order = sorted(frame.column(column), progress);
    }
    if (onlyFound && !wanted.isEmpty()) {
      IntStream rows = order == null ? IntStream.range(0, hit.length) : Arrays.stream(order);
      order = rows.filter(row -> hit[row]).toArray();
    }
    int[] all = order;
    int[] found =
        wanted.isEmpty()
            ? new int[0]
            : IntStream.range(0, all == null ? hit.length : all.length)
                .filter(i -> hit[all == null ? i : all[i]])
                .toArray();
    return new View(order, found);
  }

  private static void mark(Column column, String wanted, boolean[] hit, Progress progress) {
    if (column instanceof Categories c) {
      boolean[] level = new boolean[c.levels().size()];
      for (int i = 0; i < level.length; i++) {
        level[i] = c.levels().get(i).toLowerCase(Locale.ROOT).contains(wanted);
      }
      for (int row = 0; row < hit.length; row++) {
        hit[row] |= !c.isMissing(row) && level[c.code(row)];
      }
      return;
    }
    for (int row = 0; row < hit.length; row++) {
      if (row % ROWS_PER_LOOK == 0) {
        progress.check();
      }
      hit[row] |= !hit[row] && column.text(row).startsWith(wanted);
    }
  }

  /** Missing values come last either way; equal ones stay as read. */
  private int[] sorted(Column column, Progress progress) {
    int n = column.size();
    double[] keys = new double[n];
    for (int row = 0; row < n; row++) {
      double key =
          column instanceof Numbers numbers
              ? numbers.value(row)
              : column.isMissing(row) ? Double.NaN : ((Categories) column).code(row);
      keys[row] = Double.isNaN(key) ? Double.POSITIVE_INFINITY : falling ? -key : key;
    }
    progress.check();
    // A key and its row in one sortable pair: rows of equal keys stay in their order.
    Integer[] rows = new Integer[n];
    Arrays.setAll(rows, i -> i);
    Arrays.parallelSort(rows, (a, b) -> Double.compare(keys[a], keys[b]));
    return Arrays.stream(rows).mapToInt(Integer::intValue).toArray();
  }
}
