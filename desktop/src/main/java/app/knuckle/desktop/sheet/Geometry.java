package app.knuckle.desktop.sheet;

import java.util.Arrays;

/**
 * Where the cells of a sheet are in its view. Heads stay at the top and names of rows at the left;
 * the cells move under them. All lengths are in pixels.
 *
 * @param lefts where each column begins, and where the last one ends
 * @param rows how many
 * @param names width of the names of the rows
 * @param head height of the heads
 * @param row height of a row
 * @param width of the view
 * @param height of the view
 * @param scrollX how much of the cells is hidden at the left
 * @param scrollY how much of them is hidden at the top
 */
record Geometry(
    double[] lefts,
    int rows,
    double names,
    double head,
    double row,
    double width,
    double height,
    double scrollX,
    double scrollY) {

  /** How near to the edge of a head the mouse takes hold of it. */
  private static final double GRIP = 4;

  Geometry {
    scrollX = Math.max(0, Math.min(scrollX, lefts[lefts.length - 1] - (width - names)));
    scrollY = Math.max(0, Math.min(scrollY, rows * row - (height - head)));
  }

  /**
   * A sheet seen from its first cell.
   *
   * @param widths of the columns
   * @param rows how many
   * @param names width of the names of the rows
   * @param head height of the heads
   * @param row height of a row
   */
  static Geometry of(double[] widths, int rows, double names, double head, double row) {
    double[] lefts = new double[widths.length + 1];
    for (int c = 0; c < widths.length; c++) {
      lefts[c + 1] = lefts[c] + widths[c];
    }
    return new Geometry(lefts, rows, names, head, row, 0, 0, 0, 0);
  }

  Geometry sized(double w, double h) {
    return new Geometry(lefts, rows, names, head, row, w, h, scrollX, scrollY);
  }

  /**
   * Moved so that this much of the cells is hidden at the left and at the top, as far as it goes.
   */
  Geometry scrolled(double x, double y) {
    return new Geometry(lefts, rows, names, head, row, width, height, x, y);
  }

  /** Moved as little as brings a cell into view. */
  Geometry showing(Place place) {
    double x = scrollX;
    if (place.column() >= 0) {
      x = Math.max(x, lefts[place.column() + 1] - (width - names));
      x = Math.min(x, lefts[place.column()]);
    }
    double y = scrollY;
    if (place.row() >= 0) {
      y = Math.max(y, (place.row() + 1) * row - (height - head));
      y = Math.min(y, place.row() * row);
    }
    return scrolled(x, y);
  }

  int columns() {
    return lefts.length - 1;
  }

  /** How far it can be moved to the left; 0 when all columns are in view. */
  double mostX() {
    return Math.max(0, lefts[columns()] - (width - names));
  }

  /** How far it can be moved up; 0 when all rows are in view. */
  double mostY() {
    return Math.max(0, rows * row - (height - head));
  }

  double left(int column) {
    return names + lefts[column] - scrollX;
  }

  double width(int column) {
    return lefts[column + 1] - lefts[column];
  }

  /** The right edge of the last column, or of the view if that comes first. */
  double right() {
    return Math.min(width, names + lefts[columns()] - scrollX);
  }

  double top(int at) {
    return at < 0 ? 0 : head + at * row - scrollY;
  }

  double height(int at) {
    return at < 0 ? head : row;
  }

  /** The rows that stand whole in the view. */
  int page() {
    return Math.max(1, (int) ((height - head) / row));
  }

  int firstRow() {
    return (int) (scrollY / row);
  }

  /** The last row in view, even if only in part; before the first where there is none. */
  int lastRow() {
    return Math.min(rows - 1, (int) ((scrollY + height - head) / row));
  }

  int firstColumn() {
    return columnOver(scrollX);
  }

  int lastColumn() {
    return Math.min(columns() - 1, columnOver(scrollX + width - names));
  }

  private int columnOver(double x) {
    int at = Arrays.binarySearch(lefts, x);
    return at >= 0 ? at : -at - 2;
  }

  /**
   * The row at a height; {@link Place#HEAD} over the heads, {@link Place#NOWHERE} below all rows.
   */
  int rowAt(double y) {
    if (y < head) {
      return Place.HEAD;
    }
    int at = (int) ((y - head + scrollY) / row);
    return at < rows ? at : Place.NOWHERE;
  }

  /** The column; {@link Place#NAMES} at the left, {@link Place#NOWHERE} beyond the last. */
  int columnAt(double x) {
    if (x < names) {
      return Place.NAMES;
    }
    int at = columnOver(x - names + scrollX);
    return at < columns() ? at : Place.NOWHERE;
  }

  /** The column whose right edge the mouse can take hold of; {@link Place#NOWHERE} for none. */
  int edgeAt(double x) {
    for (int c = Math.max(0, firstColumn() - 1); c < columns(); c++) {
      double edge = left(c) + width(c);
      if (edge > names && Math.abs(edge - x) <= GRIP) {
        return c;
      }
    }
    return Place.NOWHERE;
  }
}
