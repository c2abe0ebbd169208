package app.knuckle.figures.style;

/** What the whiskers of a mean show. */
public enum Whisker {
  /** Standard error of the mean, from the residual mean square. */
  STANDARD_ERROR("SE", "SE"),
  /** Standard deviation of the group's own values. */
  STANDARD_DEVIATION("SD", "SD"),
  /** Confidence interval of the mean. */
  INTERVAL("interval", "confidence interval"),
  /** No whiskers. */
  NONE("none", "");

  private final String title;
  private final String words;

  Whisker(String title, String words) {
    this.title = title;
    this.words = words;
  }

  /** The name on a control, such as "SE". */
  public String title() {
    return title;
  }

  /** The name in a caption, such as "SE"; empty for none. */
  public String words() {
    return words;
  }
}
