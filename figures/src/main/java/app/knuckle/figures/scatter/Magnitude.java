package app.knuckle.figures.scatter;

import java.util.List;

/**
 * How far apart means lie in units of the response, with how far single values lie apart as a
 * yardstick.
 *
 * @param rows from top to bottom; the same dots in each
 * @param band where single values lie; null where that is not known
 */
public record Magnitude(List<Row> rows, Band band) {

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
   * Where single values lie around a mean.
   *
   * @param low lower end
   * @param high upper end
   * @param words what the band is
   */
  public record Band(double low, double high, String words) {}
}
