package app.knuckle.stats.linear;

import java.util.Arrays;
import java.util.Optional;

/**
 * Kinds of sums of squares: what a term is tested after. They agree when all cells have equal
 * sizes.
 *
 * @see "Langsrud, O. (2003). ANOVA for unbalanced data. Statistics and Computing 13, 163-167"
 */
public enum Squares {
  /** After all other terms, in sum-to-zero coding (type III). */
  AFTER_ALL("after-all"),
  /** After the terms before it (type I). */
  IN_ORDER("in-order"),
  /** After all terms that do not contain it (type II). */
  AFTER_ITS_PEERS("after-its-peers");

  private final String key;

  Squares(String key) {
    this.key = key;
  }

  /** The name in files, such as "after-all". */
  public String key() {
    return key;
  }

  /**
   * The kind of a key.
   *
   * @param key as in files
   * @return empty for an unknown key
   */
  public static Optional<Squares> of(String key) {
    return Arrays.stream(values()).filter(s -> s.key.equals(key)).findFirst();
  }
}
