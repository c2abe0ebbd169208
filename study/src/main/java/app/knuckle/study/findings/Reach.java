package app.knuckle.study.findings;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;

/**
 * How far a whisker reaches from a mean, down and up.
 *
 * @param down at least 0; absent where there is none
 * @param up at least 0; absent where there is none
 */
public record Reach(Quantity down, Quantity up) {

  /**
   * The same both ways.
   *
   * @param half may be absent
   * @return the reach
   */
  public static Reach even(Quantity half) {
    return new Reach(half, half);
  }

  /**
   * None.
   *
   * @param why there is none
   * @return the reach
   */
  public static Reach none(Absence why) {
    return even(Quantity.absent(why));
  }

  /**
   * Between two limits.
   *
   * @param low lower limit
   * @param mean what lies between
   * @param high upper limit
   * @return none where one of these does not exist
   */
  public static Reach between(Quantity low, Quantity mean, Quantity high) {
    for (Quantity one : new Quantity[] {low, mean, high}) {
      if (!one.exists()) {
        return even(one);
      }
    }
    return new Reach(
        Quantity.of(mean.value() - low.value()), Quantity.of(high.value() - mean.value()));
  }

  /** Whether there is one: false if nothing is drawn. */
  public boolean exists() {
    return up.exists();
  }

  /** How far down, as it is drawn: 0 for none. */
  public double below() {
    return down.exists() ? down.value() : 0;
  }

  /** How far up, as it is drawn: 0 for none. */
  public double above() {
    return up.exists() ? up.value() : 0;
  }
}
