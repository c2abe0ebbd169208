package app.knuckle.stats.compare;

import java.util.Arrays;
import java.util.Optional;

/** In which direction a difference is looked for. */
public enum Direction {
  /** Either way. */
  EITHER("either"),
  /** The first above the second. */
  GREATER("greater"),
  /** The first below the second. */
  LESS("less");

  private final String key;

  Direction(String key) {
    this.key = key;
  }

  /** The name in files, such as "greater". */
  public String key() {
    return key;
  }

  /**
   * The direction of a key.
   *
   * @param key as in files
   * @return empty for an unknown key
   */
  public static Optional<Direction> of(String key) {
    return Arrays.stream(values()).filter(d -> d.key.equals(key)).findFirst();
  }
}
