package app.knuckle.study.table;

import java.util.Locale;
import java.util.Set;

/** The marks that people write into a cell that has no value. */
public final class MissingMarks {

  private static final Set<String> MARKS =
      Set.of("", "na", "n/a", "n.a.", "nan", "null", ".", "-", "--", "\u2013", "\u2014", "?");

  private static final int LONGEST = 4;

  private MissingMarks() {}

  /**
   * Whether a cell counts as missing on reading.
   *
   * @param text the cell
   * @return true for blanks and the usual marks
   */
  public static boolean isMissing(String text) {
    String bare = text.strip();
    return bare.length() <= LONGEST && MARKS.contains(bare.toLowerCase(Locale.ROOT));
  }
}
