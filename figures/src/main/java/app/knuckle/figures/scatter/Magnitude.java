package app.knuckle.figures.scatter;

import java.util.List;

/**
 * How far apart means lie in units of the response, with how far single values lie apart as a
 * yardstick.
 *
 * @param rows from top to bottom; the same dots in each
 * @param low lower end of the band in which most single values lie; NaN for no band
 * @param high its upper end
 * @param band what the band is
 */
public record Magnitude(List<Row> rows, double low, double high, String band) {

  public Magnitude {
    rows = List.copyOf(rows);
  }

  /**
   * Means in one line.
   *
   * @param name before them; empty where there is one row only
   * @param dots the means
   */
  public record Row(String name, List<Dot> dots) {
    public Row {
      dots = List.copyOf(dots);
    }
  }

  /**
   * A mean.
   *
   * @param name of its level
   * @param value in units of the response
   */
  public record Dot(String name, double value) {}

  /**
   * Whether the spread of single values is known.
   *
   * @return true if there is a band
   */
  boolean hasBand() {
    return high > low;
  }
}
