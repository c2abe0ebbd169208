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
}
