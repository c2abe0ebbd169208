package app.knuckle.figures.scatter;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Legend;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.scene.ValueAxis;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.DoubleStream;

/** Lays out a scatter in a given size. */
public final class ScatterLayout {

  /** Type beside other pictures of a page, in points. */
  private static final double USUAL_SIZE = 10.5;

  private static final double GAP = 4;
  private static final double LARGEST_DOT = 3;
  private static final double SMALLEST_DOT = 1.2;

  /** More points than this are drawn smaller. */
  private static final double MANY = 60;

  private static final double LINES_PER_TICK = 3.4;
  private static final double TICK_SPACE = 70;

  private ScatterLayout() {}

  /**
   * Lays out the picture.
   *
   * @param scatter with one point or more
   * @param width in points
   * @param height in points
   * @return the scene
   */
  public static Scene of(Scatter scatter, double width, double height) {
    return of(scatter, width, height, USUAL_SIZE, UnaryOperator.identity());
  }

  /**
   * Lays out the picture with type of a given size and words of one's own.
   *
   * @param scatter with one point or more
   * @param width in points
   * @param height in points
   * @param size of the type
   * @param word what is shown for a text of the records
   * @return the scene
   */
  public static Scene of(
      Scatter scatter, double width, double height, double size, UnaryOperator<String> word) {
    List<Mark> marks = new ArrayList<>();
    double line = Type.height(size);
    ValueAxis up =
        axis(
            DoubleStream.concat(
                scatter.points().stream().mapToDouble(Scatter.Point::y),
                scatter.lines().stream().flatMapToDouble(p -> Arrays.stream(p.ys()))),
            (int) Math.max(2, height / (line * LINES_PER_TICK)));
    ValueAxis across =
        axis(
            DoubleStream.concat(
                scatter.points().stream().mapToDouble(Scatter.Point::x),
                scatter.lines().stream().flatMapToDouble(p -> Arrays.stream(p.xs()))),
            (int) Math.max(2, width / TICK_SPACE));
    double widest =
        up.ticks().stream()
            .mapToDouble(t -> Type.width(up.text(t), Face.REGULAR, size))
            .max()
            .orElse(0);
    double left = line + GAP + widest + GAP;
    double right = width - GAP;
    List<String> names = scatter.keys().stream().map(Scatter.Key::name).toList();
    Legend legend =
        new Legend(
            names.stream().map(word).toList(),
            names,
            scatter.keys().stream().map(Scatter.Key::ink).toList(),
            size);
    marks.addAll(legend.inLines(left, GAP, right - left));
    double top = line / 2 + GAP + legend.lines(right - left) * line;
    double bottom = height - 2 * line - 2 * GAP;
    for (double tick : up.ticks()) {
      double y = up.place(tick, bottom, top);
      marks.add(new Mark.Line(left, y, right, y, 0.6, Ink.FAINT));
      double w = Type.width(up.text(tick), Face.REGULAR, size);
      marks.add(label(up.text(tick), left - GAP - w / 2, y, size));
    }
    for (double tick : across.ticks()) {
      double x = across.place(tick, left, right);
      marks.add(label(across.text(tick), x, bottom + GAP + line / 2, size));
    }
    marks.add(new Mark.Line(left, bottom, right, bottom, 0.8, Ink.MUTED));
    marks.add(
        title(
                word.apply(scatter.xTitle()),
                (left + right) / 2,
                height - line / 2,
                false,
                size,
                width)
            .about(scatter.xTitle()));
    marks.add(
        title(word.apply(scatter.yTitle()), line / 2, (top + bottom) / 2, true, size, height)
            .about(scatter.yTitle()));
    for (Scatter.Path path : scatter.lines()) {
      for (int i = 1; i < path.xs().length; i++) {
        marks.add(
            new Mark.Line(
                across.place(path.xs()[i - 1], left, right),
                up.place(path.ys()[i - 1], bottom, top),
                across.place(path.xs()[i], left, right),
                up.place(path.ys()[i], bottom, top),
                path.width(),
                path.ink()));
      }
    }
    double n = scatter.points().size();
    double radius = Math.max(SMALLEST_DOT, LARGEST_DOT * Math.sqrt(MANY / Math.max(MANY, n)));
    for (Scatter.Point p : scatter.points()) {
      marks.add(
          new Mark.Dot(
              across.place(p.x(), left, right),
              up.place(p.y(), bottom, top),
              radius,
              p.ink(),
              Ink.PAPER,
              0,
              p.row()));
    }
    return new Scene(width, height, marks);
  }

  private static ValueAxis axis(DoubleStream values, int ticks) {
    double[] all = values.toArray();
    double min = Arrays.stream(all).min().orElse(0);
    double max = Arrays.stream(all).max().orElse(1);
    return ValueAxis.holding(min, max, false, ticks);
  }

  private static Mark.Label title(
      String text, double x, double y, boolean turned, double size, double room) {
    String cut = Type.shorten(text, Face.REGULAR, size, room - 2 * GAP);
    double half = Type.width(cut, Face.REGULAR, size) / 2;
    double at = Math.min(room - GAP - half, Math.max(GAP + half, turned ? y : x));
    return Mark.Label.of(
        cut,
        turned ? x : at,
        turned ? at : y,
        size,
        Face.REGULAR,
        Ink.MUTED,
        turned,
        Mark.Role.TITLE);
  }

  private static Mark.Label label(String text, double x, double y, double size) {
    return Mark.Label.of(text, x, y, size, Face.REGULAR, Ink.MUTED, false, Mark.Role.TICK);
  }
}
