package app.knuckle.figures.style;

import java.util.Collections;
import java.util.List;
import java.util.Map;

/**
 * Where groups stand.
 *
 * @param turn how many treatments further on the one in the colours is, from the first; {@link
 *     #SUITED} for the one with the fewest levels
 * @param panels whether the last treatment has a panel for each level
 * @param order of groups, or of clusters
 * @param legendX place of the legend, as a share of the width; NaN for above the plot
 * @param legendY place of the legend, as a share of the height; NaN for above the plot
 */
public record Arrangement(int turn, boolean panels, Order order, double legendX, double legendY) {

  /** The colours go to the treatment with the fewest levels, the axis to the others. */
  public static final int SUITED = -1;

  /** More colours than this can no longer be distinguished at a glance. */
  private static final int MOST_COLOURS = 6;

  /** The order of groups. */
  public enum Order {
    /** As the levels are. */
    GIVEN("as entered"),
    /** From the least mean. */
    RISING("least mean first"),
    /** From the largest mean. */
    FALLING("largest mean first");

    private final String title;

    Order(String title) {
      this.title = title;
    }

    /** The name on a control, such as "as entered". */
    public String title() {
      return title;
    }
  }

  /** As entered, few colours, legend above. */
  static final Arrangement USUAL =
      new Arrangement(SUITED, false, Order.GIVEN, Double.NaN, Double.NaN);

  static Arrangement of(Settings s) {
    // Before there were three treatments in a figure a study said only whether two are exchanged.
    int exchanged = s.has("exchanged") ? s.yes("exchanged", false) ? 1 : 0 : SUITED;
    return new Arrangement(
        (int) s.number("turn", exchanged),
        s.yes("panels", false),
        s.one(Order.class, "order", Order.GIVEN),
        s.number("legendX", Double.NaN),
        s.number("legendY", Double.NaN));
  }

  void into(Map<String, String> settings) {
    settings.put("turn", String.valueOf(turn));
    settings.put("panels", String.valueOf(panels));
    settings.put("order", order.name());
    settings.put("legendX", String.valueOf(legendX));
    settings.put("legendY", String.valueOf(legendY));
  }

  /**
   * The same with another treatment in the colours.
   *
   * @param to how many treatments further on it is, from the first
   * @return the changed arrangement
   */
  public Arrangement turned(int to) {
    return new Arrangement(to, panels, order, legendX, legendY);
  }

  /**
   * The treatment that has the colours.
   *
   * @param levels how many levels each treatment has, in order
   * @return its place; 0 for none
   */
  public int colours(List<Integer> levels) {
    if (levels.isEmpty()) {
      return 0;
    }
    if (turn != SUITED) {
      return Math.floorMod(turn, levels.size());
    }
    int fewest = levels.indexOf(Collections.min(levels));
    return isCrowded(levels) ? 1 - fewest : fewest;
  }

  /**
   * Whether two treatments both have more levels than colours can tell apart, so that the one with
   * fewer gets panels unless someone gave it the colours.
   *
   * @param levels how many levels each treatment has, in order
   * @return false for more or fewer treatments
   */
  public boolean isCrowded(List<Integer> levels) {
    return turn == SUITED && levels.size() == 2 && Collections.min(levels) > MOST_COLOURS;
  }

  /**
   * The same with or without panels.
   *
   * @param yes whether the last treatment has panels
   * @return the changed arrangement
   */
  public Arrangement panels(boolean yes) {
    return new Arrangement(turn, yes, order, legendX, legendY);
  }

  /**
   * The same in another order.
   *
   * @param other of the groups
   * @return the changed arrangement
   */
  public Arrangement with(Order other) {
    return new Arrangement(turn, panels, other, legendX, legendY);
  }

  /**
   * The same with the legend elsewhere.
   *
   * @param x share of the width; NaN for above the plot
   * @param y share of the height; NaN for above the plot
   * @return the changed arrangement
   */
  public Arrangement legendAt(double x, double y) {
    return new Arrangement(turn, panels, order, x, y);
  }
}
