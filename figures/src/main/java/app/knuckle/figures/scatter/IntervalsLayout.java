package app.knuckle.figures.scatter;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.scene.ValueAxis;
import java.util.ArrayList;
import java.util.List;

/**
 * Lays out intervals of differences; those that differ significantly from 0 are coloured by their
 * direction.
 */
public final class IntervalsLayout {

  /** Height of a row over the size of the type. */
  private static final double ROW = 5.0 / 3;

  /** Type beside other pictures of a page, in points. */
  private static final double USUAL_SIZE = 12;

  private static final double GAP = 8;
  private static final double MOST_NAMES = 0.45;
  private static final double DOT = 3.2;
  private static final double CAP = 4;
  private static final int TICKS = 7;

  private IntervalsLayout() {}

  /**
   * The height that a picture wants.
   *
   * @param rows how many there are
   * @return in points
   */
  public static double height(int rows) {
    return height(rows, USUAL_SIZE);
  }

  private static double height(int rows, double size) {
    return ROW * size * rows + 2 * Type.height(size) + 3 * GAP;
  }

  /**
   * Lays out the picture.
   *
   * @param intervals one or more
   * @param width in points
   * @return the scene, as high as it needs to be
   */
  public static Scene of(Intervals intervals, double width) {
    return of(intervals, width, USUAL_SIZE);
  }

  /**
   * Lays out the picture with type of a given size.
   *
   * @param intervals one or more
   * @param width in points
   * @param size of the type
   * @return the scene, as high as it needs to be
   */
  public static Scene of(Intervals intervals, double width, double size) {
    double step = ROW * size;
    List<Mark> marks = new ArrayList<>();
    double line = Type.height(size);
    double min = intervals.none();
    double max = intervals.none();
    double longest = 0;
    for (Intervals.Row row : intervals.rows()) {
      min = Math.min(min, Double.isNaN(row.low()) ? row.difference() : row.low());
      max = Math.max(max, Double.isNaN(row.high()) ? row.difference() : row.high());
      longest = Math.max(longest, Type.width(row.name(), Face.REGULAR, size));
    }
    ValueAxis axis = ValueAxis.holding(min, max, false, TICKS);
    double names = Math.min(longest, MOST_NAMES * width);
    double left = names + 2 * GAP;
    double right = width - 2 * GAP;
    double bottom = GAP + step * intervals.rows().size();
    for (double tick : axis.ticks()) {
      double x = axis.place(tick, left, right);
      marks.add(new Mark.Line(x, GAP, x, bottom, 0.6, Ink.FAINT));
      marks.add(label(axis.text(tick), x, bottom + GAP / 2 + line / 2, Ink.MUTED, size));
    }
    double zero = axis.place(intervals.none(), left, right);
    marks.add(new Mark.Line(zero, GAP, zero, bottom, 1, Ink.DARK));
    for (int i = 0; i < intervals.rows().size(); i++) {
      Intervals.Row row = intervals.rows().get(i);
      double y = GAP + (i + 0.5) * step;
      String name = Type.shorten(row.name(), Face.REGULAR, size, names);
      double w = Type.width(name, Face.REGULAR, size);
      marks.add(label(name, left - GAP - w / 2, y, Ink.DARK, size));
      Ink ink =
          !row.differs() ? Ink.MUTED : row.difference() > intervals.none() ? Ink.DEEP : Ink.AMBER;
      double from = end(row.low(), axis, left, right, left);
      double to = end(row.high(), axis, left, right, right);
      boolean known = !Double.isNaN(row.low()) || !Double.isNaN(row.high());
      if (known) {
        marks.add(new Mark.Line(from, y, to, y, row.differs() ? 2 : 1.2, ink));
        if (!Double.isNaN(row.low())) {
          marks.add(new Mark.Line(from, y - CAP, from, y + CAP, 1.2, ink));
        }
        if (!Double.isNaN(row.high())) {
          marks.add(new Mark.Line(to, y - CAP, to, y + CAP, 1.2, ink));
        }
      }
      double at = axis.place(row.difference(), left, right);
      marks.add(new Mark.Dot(at, y, DOT, ink, Ink.PAPER, i, Mark.NONE));
    }
    marks.add(
        label(intervals.title(), (left + right) / 2, bottom + GAP + line * 1.5, Ink.MUTED, size));
    return new Scene(width, height(intervals.rows().size(), size), marks);
  }

  private static double end(double value, ValueAxis axis, double left, double right, double open) {
    return Double.isNaN(value) ? open : axis.place(value, left, right);
  }

  private static Mark.Label label(String text, double x, double y, Ink ink, double size) {
    return Mark.Label.of(text, x, y, size, Face.REGULAR, ink, false, Mark.Role.TICK);
  }
}
