package app.knuckle.study.words;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Procedure;
import java.text.MessageFormat;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;

/**
 * What a page says, by key: {@code phrases.properties} beside this class holds every sentence with
 * numbered places for what differs, so that another language is another file and no other code.
 * Whatever depends on grammar stands there as a phrase of its own, never as an ending that is put
 * on.
 */
public final class Phrases {

  private static final ResourceBundle ENGLISH =
      ResourceBundle.getBundle(Phrases.class.getPackageName() + ".phrases", Locale.ROOT);

  private Phrases() {}

  /**
   * A phrase.
   *
   * @param key that stands in the file
   * @param parts for its places, in their order; numbers as they are to be read
   * @return the phrase
   * @throws java.util.MissingResourceException if there is no such key
   */
  public static String say(String key, String... parts) {
    String phrase = ENGLISH.getString(key);
    return new MessageFormat(phrase, Locale.ROOT).format(parts);
  }

  /**
   * A phrase about a number of things: the keys are that of one and that of any other number.
   *
   * @param key without its ending, {@code .one} or {@code .other}
   * @param n how many, which is the first part
   * @param more parts after it
   * @return the phrase
   */
  public static String count(String key, long n, String... more) {
    String[] parts = new String[more.length + 1];
    parts[0] = Numerals.whole(n);
    System.arraycopy(more, 0, parts, 1, more.length);
    return say(key + (n == 1 ? ".one" : ".other"), parts);
  }

  /**
   * Words that stand in a row of cells, such as the heads of a table.
   *
   * @param key of a phrase in which a bar stands between them
   * @param parts for its places
   * @return one each
   */
  public static List<String> cells(String key, String... parts) {
    return List.of(say(key, parts).split("\\|", -1));
  }

  /**
   * Why a number does not exist.
   *
   * @param absent a number that does not exist
   * @return part of a sentence, in small letters
   */
  public static String why(Quantity absent) {
    return why(absent.why());
  }

  /**
   * Why a number does not exist.
   *
   * @param reason why
   * @return part of a sentence, in small letters
   */
  public static String why(Absence reason) {
    return say("why." + reason.key());
  }

  /**
   * What people call a procedure.
   *
   * @param procedure that compares pairs
   * @return such as "Games-Howell"
   */
  public static String title(Procedure procedure) {
    return say("procedure." + procedure.key());
  }

  /**
   * Whether there is such a key.
   *
   * @param key any
   * @return whether it can be said
   */
  public static boolean has(String key) {
    return ENGLISH.containsKey(key);
  }
}
