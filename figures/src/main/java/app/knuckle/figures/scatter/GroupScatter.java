package app.knuckle.figures.scatter;

import app.knuckle.figures.scene.Ink;
import app.knuckle.study.findings.ResponseFindings;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntFunction;

/** A response against another column, or in the order of the records, group by group. */
public final class GroupScatter {

  private static final Ink[] INKS = {
    Ink.DEEP, Ink.AMBER, Ink.PLUM, Ink.MOSS, Ink.DARK, Ink.REEF,
    Ink.SAND, Ink.MUTED, Ink.RUST, Ink.GREY, Ink.ABYSS, Ink.PALE
  };

  private GroupScatter() {}

  /**
   * The response against a column, with a least squares line of its own for each group.
   *
   * @param response with its groups
   * @param x the column, row by row; NaN for missing
   * @param title of the column
   * @return the picture
   */
  public static Scatter against(ResponseFindings response, double[] x, String title) {
    Scatter keyed = against(response, x, title, GroupScatter::ink);
    return new Scatter(keyed.points(), keyed.lines(), title, keyed.yTitle());
  }

  /**
   * The same in chosen inks.
   *
   * @param response with its groups
   * @param x the column, row by row; NaN for missing
   * @param title of the column
   * @param inks one a group
   * @return the picture, with its key
   */
  public static Scatter against(
      ResponseFindings response, double[] x, String title, IntFunction<Ink> inks) {
    List<Scatter.Key> keys = new ArrayList<>();
    List<Scatter.Point> points = new ArrayList<>();
    List<Scatter.Path> lines = new ArrayList<>();
    for (int g = 0; g < response.groups().size(); g++) {
      Ink ink = inks.apply(g);
      keys.add(new Scatter.Key(response.groups().levels().get(g), ink));
      int[] rows = Arrays.stream(response.rowsOf(g)).filter(r -> !Double.isNaN(x[r])).toArray();
      double mx = Arrays.stream(rows).mapToDouble(r -> x[r]).average().orElse(0);
      double my = Arrays.stream(rows).mapToDouble(response.measured()::value).average().orElse(0);
      double xx = 0;
      double xy = 0;
      double low = Double.POSITIVE_INFINITY;
      double high = Double.NEGATIVE_INFINITY;
      for (int r : rows) {
        double y = response.measured().value(r);
        points.add(new Scatter.Point(x[r], y, ink, r));
        xx += (x[r] - mx) * (x[r] - mx);
        xy += (x[r] - mx) * (y - my);
        low = Math.min(low, x[r]);
        high = Math.max(high, x[r]);
      }
      if (xx > 0) {
        double b = xy / xx;
        double[] ends = {low, high};
        double[] heights = {my + b * (low - mx), my + b * (high - mx)};
        lines.add(new Scatter.Path(ends, heights, ink, 1.4));
      }
    }
    return new Scatter(points, lines, title, response.measured().title(), keys);
  }

  /**
   * The response in the order of the records.
   *
   * @param response with its groups
   * @return the picture
   */
  public static Scatter inOrder(ResponseFindings response) {
    List<Scatter.Point> points = new ArrayList<>();
    for (int g = 0; g < response.groups().size(); g++) {
      for (int row : response.rowsOf(g)) {
        points.add(
            new Scatter.Point(
                row + 1.0, response.measured().value(row), INKS[g % INKS.length], row));
      }
    }
    return new Scatter(points, List.of(), "row", response.measured().title());
  }

  /**
   * The ink of a group, from more inks than a palette has.
   *
   * @param group from 0
   * @return its colour; after the last they begin again
   */
  public static Ink ink(int group) {
    return INKS[group % INKS.length];
  }
}
