package app.knuckle.stats;

/** When a probability counts as small: the one rule for every test, pair, check and sentence. */
public final class Significance {
  /**
   * A p may exceed the level by this share and still be at it: sums of the same rows in another
   * order differ in their last digits, and a p of exactly alpha must not depend on these.
   */
  private static final double ROUNDING = 1e-12;

  private Significance() {}

  /**
   * Whether p is at most alpha but for rounding.
   *
   * @param p a probability
   * @param alpha level of significance
   * @return true if the null hypothesis is rejected
   */
  public static boolean reached(double p, double alpha) {
    return p <= alpha * (1 + ROUNDING);
  }

  /**
   * Whether p exists and is at most alpha but for rounding.
   *
   * @param p a probability, which may be absent
   * @param alpha level of significance
   * @return false if there is no p
   */
  public static boolean reached(Quantity p, double alpha) {
    return p.exists() && reached(p.value(), alpha);
  }
}
