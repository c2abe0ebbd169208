package app.knuckle.figures.plan;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.study.plan.Shows;
import java.util.ArrayList;
import java.util.List;

/**
 * Power over how large a trial is: a curve from 0 to 1, with a line at the power that is wanted,
 * the trial as it is, and the least that is enough.
 *
 * @param points by size, from small to large; one or more
 * @param wanted power, or 0 for none
 * @param now the size as it is; 0 for none
 * @param enough words at the least size that is enough; empty for none
 * @param least that size; 0 for none
 * @param axis what is counted along the foot
 */
public record PowerCurve(
    List<Shows.Point> points, double wanted, int now, String enough, int least, String axis) {

  private static final double SIZE = 11;
  private static final double GAP = 6;
  private static final double DOT = 2.6;
  private static final double LARGE = 4.6;
  private static final double LINE = 1.6;

  /** Numbers along the foot stand at least so far apart. */
  private static final double APART = 26;

  /** More points than these are a line. */
  private static final int MOST_DOTS = 24;

  private static final double[] TICKS = {0, 0.5, 1};

  public PowerCurve {
    points = List.copyOf(points);
  }

  /**
   * Lays the curve out.
   *
   * @param width in points
   * @param height in points
   * @return the scene
   */
  public Scene scene(double width, double height) {
    double line = Type.height(SIZE);
    double left = Type.width("0.5", Face.REGULAR, SIZE) + 3 * GAP;
    double right = width - 2 * GAP;
    double top = line / 2 + GAP;
    double bottom = height - 2 * line - 2 * GAP;
    List<Mark> marks = new ArrayList<>();
    for (double tick : TICKS) {
      double y = bottom - tick * (bottom - top);
      marks.add(new Mark.Line(left, y, right, y, 0.5, Ink.MIST));
      String text = tick == 0.5 ? "0.5" : String.valueOf((int) tick);
      put(marks, text, left - GAP - half(text), y, Ink.MUTED, Mark.Role.TICK);
    }
    if (wanted > 0) {
      double y = bottom - wanted * (bottom - top);
      marks.add(new Mark.Line(left, y, right, y, 1, Ink.SAND));
      String text = String.valueOf(wanted);
      boolean own = Math.min(Math.abs(wanted - 0.5), 1 - wanted) * (bottom - top) > line;
      if (own) {
        put(marks, text, left - GAP - half(text), y, Ink.MUTED, Mark.Role.TICK);
      }
    }
    double first = points.get(0).repeats();
    double span = Math.max(1, points.get(points.size() - 1).repeats() - first);
    double step = (right - left - 2 * GAP) / span;
    int every = Math.max(1, (int) Math.ceil(APART / step));
    double[] xs = new double[points.size()];
    double[] ys = new double[points.size()];
    for (int i = 0; i < points.size(); i++) {
      xs[i] = left + GAP + (points.get(i).repeats() - first) * step;
      ys[i] = bottom - points.get(i).power() * (bottom - top);
      if ((points.get(i).repeats() - (int) first) % every == 0) {
        String text = String.valueOf(points.get(i).repeats());
        put(marks, text, xs[i], bottom + GAP + line / 2, Ink.MUTED, Mark.Role.TICK);
      }
      if (i > 0) {
        marks.add(new Mark.Line(xs[i - 1], ys[i - 1], xs[i], ys[i], LINE, Ink.DEEP));
      }
    }
    for (int i = 0; i < points.size(); i++) {
      int size = points.get(i).repeats();
      if (size == least) {
        dot(marks, xs[i], ys[i], LARGE, Ink.RUST);
        boolean roomRight = xs[i] + 2 * GAP + 2 * half(enough) < right;
        double x = roomRight ? xs[i] + GAP + half(enough) : xs[i] - GAP - half(enough);
        // Below the line of the power that is wanted, so that the words cross nothing.
        double y = Math.max(ys[i], bottom - wanted * (bottom - top)) + line;
        put(marks, enough, x, y, Ink.RUST, Mark.Role.REMARK);
      } else if (size == now) {
        dot(marks, xs[i], ys[i], LARGE, Ink.DEEP);
      } else if (points.size() <= MOST_DOTS) {
        dot(marks, xs[i], ys[i], DOT, Ink.DEEP);
      }
    }
    put(marks, axis, left + half(axis), height - line / 2 - 2, Ink.MUTED, Mark.Role.REMARK);
    return new Scene(width, height, marks);
  }

  private static double half(String text) {
    return Type.width(text, Face.REGULAR, SIZE) / 2;
  }

  private static void dot(List<Mark> marks, double x, double y, double size, Ink ink) {
    marks.add(new Mark.Dot(x, y, size, ink, ink, -1, Mark.NONE));
  }

  private static void put(
      List<Mark> marks, String text, double x, double y, Ink ink, Mark.Role role) {
    marks.add(Mark.Label.of(text, x, y, SIZE, Face.REGULAR, ink, false, role));
  }
}
