package app.knuckle.figures.scatter;

import app.knuckle.figures.scene.Ink;
import java.util.List;

/**
 * Points against two scales, with lines.
 *
 * @param points drawn over the lines
 * @param lines each through two points or more
 * @param xTitle under the picture
 * @param yTitle at its left
 * @param keys what the colours mean; empty where something beside the picture says it
 */
public record Scatter(
    List<Point> points, List<Path> lines, String xTitle, String yTitle, List<Key> keys) {

  public Scatter {
    points = List.copyOf(points);
    lines = List.copyOf(lines);
    keys = List.copyOf(keys);
  }

  /**
   * Points whose colours need no key.
   *
   * @param points drawn over the lines
   * @param lines each through two points or more
   * @param xTitle under the picture
   * @param yTitle at its left
   */
  public Scatter(List<Point> points, List<Path> lines, String xTitle, String yTitle) {
    this(points, lines, xTitle, yTitle, List.of());
  }

  /**
   * A point.
   *
   * @param x across
   * @param y up
   * @param ink its colour
   * @param row of the table behind it, from 0; {@link app.knuckle.figures.scene.Mark#NONE} for none
   */
  public record Point(double x, double y, Ink ink, int row) {}

  /**
   * A line.
   *
   * @param xs across
   * @param ys up
   * @param ink its colour
   * @param width in points
   */
  public record Path(double[] xs, double[] ys, Ink ink, double width) {}

  /**
   * What a colour means.
   *
   * @param name of a group
   * @param ink its colour
   */
  public record Key(String name, Ink ink) {}
}
