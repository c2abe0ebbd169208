package app.knuckle.study.words;

import java.util.Locale;

/** Names as they stand in sentences. */
public final class Prose {

  private Prose() {}

  /**
   * A name at the head of a sentence or a title.
   *
   * @param text may be empty
   * @return with a capital first letter
   */
  public static String capital(String text) {
    return text.isEmpty()
        ? text
        : text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1);
  }

  /**
   * A text for a terminal: what would steer it is shown as a sign.
   *
   * @param text any
   * @return with the sign for each control character but line ends
   */
  public static String visible(String text) {
    StringBuilder shown = new StringBuilder();
    text.codePoints()
        .forEach(
            c ->
                shown.appendCodePoint(
                    c < ' ' && c != '\n'
                        ? SIGNS + c
                        : c == DELETE || c > DELETE && c < NO_MORE ? REPLACED : c));
    return shown.toString();
  }

  private static final int SIGNS = 0x2400;
  private static final int DELETE = 0x7F;
  private static final int NO_MORE = 0xA0;
  private static final int REPLACED = 0xFFFD;
}
