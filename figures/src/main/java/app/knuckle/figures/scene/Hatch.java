package app.knuckle.figures.scene;

import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;

/** Hatching of areas, which tells series apart without any colour. */
public final class Hatch {

  private static final double GAP = 4;
  private static final double WIDTH = 0.6;

  /** Directions across, in the order of the series; the first series is plain. */
  private static final int[][] DIRECTIONS = {{}, {1}, {-1}, {0}, {1, -1}, {2}};

  /** Sum of red, green and blue over which an ink is light. */
  private static final int LIGHT = 330;

  private Hatch() {}

  /**
   * The lines over an area.
   *
   * @param area in points
   * @param series from 0; after the last pattern they begin again
   * @param ground the ink of the area
   * @return lines inside the area
   */
  public static List<Mark> over(Rectangle2D area, int series, Ink ground) {
    List<Mark> lines = new ArrayList<>();
    int rgb = ground.rgb();
    boolean light = (rgb >> 16 & 0xFF) + (rgb >> 8 & 0xFF) + (rgb & 0xFF) > LIGHT;
    Ink ink = light ? Ink.DARK : Ink.PAPER;
    for (int direction : DIRECTIONS[series % DIRECTIONS.length]) {
      switch (direction) {
        case 0 -> level(area, lines, ink);
        case 2 -> upright(area, lines, ink);
        default -> slanted(area, direction, lines, ink);
      }
    }
    return lines;
  }

  private static void level(Rectangle2D a, List<Mark> lines, Ink ink) {
    for (double y = a.getMaxY() - GAP; y > a.getMinY() + WIDTH; y -= GAP) {
      lines.add(new Mark.Line(a.getMinX(), y, a.getMaxX(), y, WIDTH, ink));
    }
  }

  private static void upright(Rectangle2D a, List<Mark> lines, Ink ink) {
    for (double x = a.getMinX() + GAP / 2; x < a.getMaxX(); x += GAP) {
      lines.add(new Mark.Line(x, a.getMinY(), x, a.getMaxY(), WIDTH, ink));
    }
  }

  /** Lines at half a right angle, cut where they leave the area. */
  private static void slanted(Rectangle2D a, int direction, List<Mark> lines, Ink ink) {
    double w = a.getWidth();
    double h = a.getHeight();
    // A line rises from the bottom at t, measured from the left, and leaves at the side or the top.
    for (double t = GAP - h; t < w; t += GAP * Math.sqrt(2)) {
      double from = Math.max(0, t);
      double to = Math.min(w, t + h);
      double low = a.getMaxY() - (from - t);
      double high = a.getMaxY() - (to - t);
      double x1 = direction > 0 ? a.getMinX() + from : a.getMaxX() - from;
      double x2 = direction > 0 ? a.getMinX() + to : a.getMaxX() - to;
      if (to > from) {
        lines.add(new Mark.Line(x1, low, x2, high, WIDTH, ink));
      }
    }
  }
}
