package app.knuckle.study.words;

import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

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

  /** Words of our sentences, which a level could have for its name. */
  private static final Set<String> OURS = Set.of(Phrases.say("ours").split(" "));

  private static final Pattern NUMBER = Pattern.compile("[-+\u2212]?[\\d.,]+");

  /**
   * The name of a level or column within a sentence, set off where it could be read as one of the
   * sentence's own words or numbers.
   *
   * @param name as the user wrote it
   * @return between quotation marks if it needs them
   */
  public static String named(String name) {
    return OURS.contains(name) || NUMBER.matcher(name).matches()
        ? "\u2018" + name + "\u2019"
        : name;
  }

  /** Names of columns and levels may be as long as a cell; a message is read at a glance. */
  private static final int MOST_OF_A_NAME = 60;

  private static final int MOST_OF_A_MESSAGE = 600;

  /** What stands between quotation marks, or has no blank in it, and is too long for a message. */
  private static final Pattern LONG =
      Pattern.compile(
          "(?<=')[^']{" + (MOST_OF_A_NAME + 1) + ",}(?=')|[^\\s']{" + (MOST_OF_A_NAME + 1) + ",}");

  /**
   * A message whose names are shortened to what can be read.
   *
   * @param message any
   * @return names of at most 60 letters, and at most 600 in all
   */
  public static String bounded(String message) {
    String names =
        LONG.matcher(message)
            .replaceAll(name -> Matcher.quoteReplacement(shortened(name.group(), MOST_OF_A_NAME)));
    return shortened(names, MOST_OF_A_MESSAGE);
  }

  private static String shortened(String text, int most) {
    if (text.length() <= most) {
      return text;
    }
    // No pair of characters that are one sign is cut in two.
    int end = Character.isHighSurrogate(text.charAt(most - 2)) ? most - 2 : most - 1;
    return text.substring(0, end).stripTrailing() + "\u2026";
  }

  /** Two degrees of freedom. */
  private static final Pattern DF = Pattern.compile("\\(([\\d.]+), ([\\d.]+)\\)");

  /**
   * A text with its small statements held together: no line ends inside "p &lt; .001" or "F(2,
   * 32)".
   *
   * @param text any
   * @return the same with blanks that do not break
   */
  public static String unbroken(String text) {
    return DF.matcher(
            text.replace(" < ", "\u00a0<\u00a0")
                .replace(" > ", "\u00a0>\u00a0")
                .replace(" = ", "\u00a0=\u00a0"))
        .replaceAll("($1,\u00a0$2)");
  }

  /**
   * A text for a terminal, or for a document: what would steer the one or break the other is shown
   * as a sign. These are control characters, marks of direction, and what is no character.
   *
   * @param text any
   * @return with the sign for each control character but line ends, and U+FFFD for the others
   */
  public static String visible(String text) {
    StringBuilder shown = new StringBuilder();
    text.codePoints()
        .forEach(
            c ->
                shown.appendCodePoint(
                    c < ' ' && c != '\n' ? SIGNS + c : isUnseen(c) ? REPLACED : c));
    return shown.toString();
  }

  private static boolean isUnseen(int c) {
    return c >= DELETE && c < NO_MORE
        || c >= 0x202A && c <= 0x202E
        || c >= 0x2066 && c <= 0x2069
        || c == 0x200E
        || c == 0x200F
        || c >= Character.MIN_SURROGATE && c <= Character.MAX_SURROGATE
        || (c & 0xFFFE) == 0xFFFE;
  }

  private static final int SIGNS = 0x2400;
  private static final int DELETE = 0x7F;
  private static final int NO_MORE = 0xA0;
  private static final int REPLACED = 0xFFFD;
}
