package app.knuckle.stats.mixed;

/** How repeated readings of one unit hang together. */
public enum WithinUnit {
  /** All alike: a random unit and independent errors. */
  EQUAL("equal"),
  /** The nearer in time the more alike: a correlation that fades by the same share each step. */
  FIRST_ORDER("first-order"),
  /** A random unit, and a variance of its own for every occasion. */
  OWN_VARIANCES("own-variances");

  private final String key;

  WithinUnit(String key) {
    this.key = key;
  }

  /**
   * The name in files.
   *
   * @return such as "first-order"
   */
  public String key() {
    return key;
  }
}
