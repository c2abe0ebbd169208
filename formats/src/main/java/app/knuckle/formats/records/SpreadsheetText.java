package app.knuckle.formats.records;

import app.knuckle.study.table.NumberText;

/**
 * Words in a text file that a spreadsheet would take for a formula: they get an apostrophe, the
 * spreadsheets' own sign for "this is text", and lose it when the file is read back. Numbers are
 * never changed.
 */
public final class SpreadsheetText {

  private static final String STARTS_OF_FORMULAS = "=+-@\t\r";
  private static final char SIGN = '\'';

  private SpreadsheetText() {}

  /**
   * A cell as it is written.
   *
   * @param text any
   * @return with an apostrophe before it where it begins like a formula, after apostrophes too
   */
  public static String written(String text) {
    return needsSign(text) ? SIGN + text : text;
  }

  /**
   * A cell as it was before it was written.
   *
   * @param cell of a file
   * @return without the first apostrophe where that stands before what begins like a formula
   */
  public static String read(String cell) {
    return !cell.isEmpty() && cell.charAt(0) == SIGN && needsSign(cell) ? cell.substring(1) : cell;
  }

  private static boolean needsSign(String text) {
    int at = 0;
    while (at < text.length() && text.charAt(at) == SIGN) {
      at++;
    }
    return at < text.length()
        && STARTS_OF_FORMULAS.indexOf(text.charAt(at)) >= 0
        && Double.isNaN(NumberText.parse(text.substring(at), false));
  }
}
