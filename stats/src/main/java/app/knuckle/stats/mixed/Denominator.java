package app.knuckle.stats.mixed;

/** How many degrees of freedom stand behind a test of the fixed part. */
public enum Denominator {
  /** With the covariance of the fixed part adjusted as well. */
  KENWARD_ROGER("kenward-roger"),
  /** From the precision of the variances alone. */
  SATTERTHWAITE("satterthwaite");

  private final String key;

  Denominator(String key) {
    this.key = key;
  }

  /**
   * The name in files.
   *
   * @return such as "kenward-roger"
   */
  public String key() {
    return key;
  }
}
