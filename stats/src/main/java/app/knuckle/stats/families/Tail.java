package app.knuckle.stats.families;

/** Which tail of a distribution is meant. */
public enum Tail {
  /** Values at least as large. */
  ABOVE("above"),
  /** Values at most as large. */
  BELOW("below"),
  /** Both tails together, of a distribution that is symmetric. */
  BOTH("both tails");

  private final String title;

  Tail(String title) {
    this.title = title;
  }

  /** The name on screen, in plain words. */
  public String title() {
    return title;
  }
}
