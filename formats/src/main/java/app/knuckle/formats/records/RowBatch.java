package app.knuckle.formats.records;

import java.nio.CharBuffer;
import java.util.Arrays;

/** Some rows of cells as one stretch of letters, parsed and not yet read into columns. */
final class RowBatch {

  /** Some thousand rows: enough that handing them over costs nothing, little beside the table. */
  private static final int LETTERS = 1 << 17;

  private char[] letters = new char[LETTERS + LETTERS / 4];
  private int[] ends = new int[LETTERS / 4];
  private boolean[] quoted = new boolean[LETTERS / 4];
  private int[] rowEnds = new int[LETTERS / 16];
  private int cells;
  private int rows;

  void add(char[] buffer, int offset, int length, boolean inQuotes) {
    int start = letters();
    if (start + length > letters.length) {
      letters = Arrays.copyOf(letters, Math.max(start + length, 2 * letters.length));
    }
    System.arraycopy(buffer, offset, letters, start, length);
    if (cells == ends.length) {
      ends = Arrays.copyOf(ends, 2 * cells);
      quoted = Arrays.copyOf(quoted, 2 * cells);
    }
    ends[cells] = start + length;
    quoted[cells++] = inQuotes;
  }

  void endRow() {
    if (rows == rowEnds.length) {
      rowEnds = Arrays.copyOf(rowEnds, 2 * rows);
    }
    rowEnds[rows++] = cells;
  }

  /** Whether enough rows wait to be handed on. */
  boolean isFull() {
    return letters() >= LETTERS || cells >= LETTERS / 4;
  }

  boolean isEmpty() {
    return rows == 0;
  }

  private int letters() {
    return cells == 0 ? 0 : ends[cells - 1];
  }

  /** Gives all rows to a table and is empty again. */
  void emptyInto(TableBuilder table, char delimiter) {
    int from = 0;
    for (int row = 0; row < rows; row++) {
      for (int cell = from; cell < rowEnds[row]; cell++) {
        table.requireRoom(length(cell), cell - from);
        if (quoted[cell]) {
          table.requireOneRow(CharBuffer.wrap(letters, start(cell), length(cell)), delimiter);
        }
      }
      int last = rowEnds[row] - 1;
      table.countRow(rowEnds[row] - from, () -> isBlank(last));
      from = rowEnds[row];
    }
    table.fill(this::fill);
    cells = 0;
    rows = 0;
  }

  /** The cells of a column, row by row: columns know nothing of each other. */
  private void fill(ColumnBuilder column, int place) {
    int from = 0;
    for (int row = 0; row < rows; row++) {
      int cell = from + place;
      if (cell < rowEnds[row]) {
        column.add(letters, start(cell), length(cell));
      }
      from = rowEnds[row];
    }
  }

  private int start(int cell) {
    return cell == 0 ? 0 : ends[cell - 1];
  }

  private int length(int cell) {
    return ends[cell] - start(cell);
  }

  private boolean isBlank(int cell) {
    return new String(letters, start(cell), length(cell)).isBlank();
  }
}
