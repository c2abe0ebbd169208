package app.knuckle.formats.records;

import java.util.List;

/** A quotation mark that was opened by mistake: the rows after it stand inside one cell. */
final class StrayQuote {

  private StrayQuote() {}

  /**
   * The first row with such a cell.
   *
   * @param rows as read with quotation marks
   * @param delimiter between cells
   * @return from 0; -1 if there is none
   */
  static int row(List<List<String>> rows, char delimiter) {
    int width = rows.stream().mapToInt(List::size).max().orElse(0);
    for (int r = 0; r < rows.size(); r++) {
      for (String cell : rows.get(r)) {
        if (holdsRows(cell, delimiter, width)) {
          return r;
        }
      }
    }
    return -1;
  }

  /** Whether a cell runs over line ends and holds a whole line with as many cells as a row. */
  static boolean holdsRows(CharSequence cell, char delimiter, int width) {
    int line = 0;
    int delimiters = 0;
    for (int i = 0; i < cell.length(); i++) {
      char c = cell.charAt(i);
      if (c == '\n') {
        if (line > 0 && width > 1 && delimiters == width - 1) {
          return true;
        }
        line++;
        delimiters = 0;
      } else if (c == delimiter) {
        delimiters++;
      }
    }
    // What stands after the last line end is a row too, if no mark closed it.
    return line > 0 && width > 1 && delimiters == width - 1;
  }
}
