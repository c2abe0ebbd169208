package app.knuckle.figures.scatter;

import java.util.List;

/**
 * Differences with their intervals, one under another, against 0.
 *
 * @param rows from top to bottom
 * @param title of the scale
 */
public record Intervals(List<Row> rows, String title) {

  public Intervals {
    rows = List.copyOf(rows);
  }

  /**
   * A difference.
   *
   * @param name of the pair
   * @param low lower limit; NaN for none
   * @param difference the estimate
   * @param high upper limit; NaN for none
   * @param differs whether the two were told apart
   */
  public record Row(String name, double low, double difference, double high, boolean differs) {}
}
