package app.knuckle.figures.scatter;

import java.util.List;

/**
 * Differences with their intervals, one under another, against that of none.
 *
 * @param rows from top to bottom
 * @param title of the scale
 * @param none what stands for no difference: 0, or 1 for ratios
 */
public record Intervals(List<Row> rows, String title, double none) {

  public Intervals {
    rows = List.copyOf(rows);
  }

  /** Differences, against 0. */
  public Intervals(List<Row> rows, String title) {
    this(rows, title, 0);
  }

  /**
   * A difference.
   *
   * @param name of the pair
   * @param low lower limit; NaN for none
   * @param difference the estimate
   * @param high upper limit; NaN for none
   * @param differs whether the two differ significantly
   */
  public record Row(String name, double low, double difference, double high, boolean differs) {}
}
