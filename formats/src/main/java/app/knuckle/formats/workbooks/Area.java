package app.knuckle.formats.workbooks;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A range of cells of a sheet, ends included, counted from 1.
 *
 * @param top first row
 * @param left first column
 * @param bottom last row; {@link #OPEN} for the last there is
 * @param right last column; {@link #OPEN} for the last there is
 */
public record Area(int top, int left, int bottom, int right) {

  /** An end that is not fixed. */
  public static final int OPEN = Integer.MAX_VALUE;

  /** The whole sheet. */
  public static final Area ALL = new Area(1, 1, OPEN, OPEN);

  private static final int LETTERS = 26;
  private static final Pattern CORNERS =
      Pattern.compile("([A-Z]{1,3})(\\d{1,7})(?::(?:([A-Z]{1,3})(\\d{1,7})?)?)?");

  /**
   * Reads a range as spreadsheets write it.
   *
   * @param text such as "B3:F40", "B3:F" or "B3" for all from there on; empty for the whole sheet
   * @return the area
   * @throws Refused if it is no range
   */
  public static Area of(String text) {
    String bare = text.replaceAll("\\s|\\$", "").toUpperCase(Locale.ROOT);
    if (bare.isEmpty()) {
      return ALL;
    }
    Matcher corners = CORNERS.matcher(bare);
    if (corners.matches()) {
      Area area =
          new Area(
              Integer.parseInt(corners.group(2)),
              column(corners.group(1)),
              corners.group(4) == null ? OPEN : Integer.parseInt(corners.group(4)),
              corners.group(3) == null ? OPEN : column(corners.group(3)));
      if (area.top() > 0 && area.bottom() >= area.top() && area.right() >= area.left()) {
        return area;
      }
    }
    throw Refused.at(
        new Place.WholeFile("range " + text.strip()),
        "this is no range of cells",
        "Write the first and the last cell, such as B3:F40, or only the first");
  }

  private static int column(String letters) {
    return letters.chars().reduce(0, (sum, letter) -> LETTERS * sum + letter - 'A' + 1);
  }

  /** The letters of a column, counted from 0. */
  static String name(int column) {
    return letters(column + 1);
  }

  /** The column that letters stand for, counted from 1. */
  static int number(String letters) {
    return column(letters);
  }

  private static String letters(int column) {
    StringBuilder text = new StringBuilder();
    for (int rest = column; rest > 0; rest = (rest - 1) / LETTERS) {
      text.insert(0, (char) ('A' + (rest - 1) % LETTERS));
    }
    return text.toString();
  }

  /** The range as spreadsheets write it, such as "B3:F40"; empty for the whole sheet. */
  public String words() {
    if (equals(ALL)) {
      return "";
    }
    String end = right == OPEN ? "" : letters(right) + (bottom == OPEN ? "" : bottom);
    return letters(left) + top + (end.isEmpty() ? "" : ":" + end);
  }

  /**
   * Whether a row of the sheet lies in it.
   *
   * @param row from 0
   * @return true if it belongs to the area
   */
  public boolean holdsRow(int row) {
    return row >= top && row <= bottom;
  }

  /**
   * The cells of a row that lie in it.
   *
   * @param row cells of a whole row
   * @param <T> kind of cell
   * @return those inside the area
   */
  public <T> List<T> of(List<T> row) {
    int from = Math.min(left - 1, row.size());
    return row.subList(from, Math.max(from, Math.min(right, row.size())));
  }
}
