package app.knuckle.desktop.sheet;

/**
 * A cell.
 *
 * @param row from 0; {@link #HEAD} for the head of the column
 * @param column from 0
 */
public record Place(int row, int column) {

  /** The row of the heads. */
  public static final int HEAD = -1;

  /** A row or column that is none. */
  static final int NOWHERE = -2;

  /** The column of the rows' names. */
  static final int NAMES = -1;

  Place moved(int down, int right) {
    return new Place(row + down, column + right);
  }
}
