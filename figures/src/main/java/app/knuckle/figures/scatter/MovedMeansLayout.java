package app.knuckle.figures.scatter;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.scene.ValueAxis;
import app.knuckle.stats.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.DoubleStream;

/**
 * Lays out how means moved: hollow before, filled after, tinted between, each with its interval.
 */
public final class MovedMeansLayout {

  private static final double SIZE = 11;
  private static final double GAP = 6;
  private static final double DOT = 4;

  /** Ticks stand at least so far apart, in points. */
  private static final double TICK_SPACE = 32;

  /** How far before and after lie apart, as a share of the room of a mean, and at most. */
  private static final double APART = 0.3;

  private static final double MOST_APART = 22;

  /** Names take so many lines before they are shortened. */
  private static final int MOST_LINES = 3;

  /** A mean with less room than this has no name: there are too many to be read. */
  private static final double LEAST_ROOM = 26;

  private MovedMeansLayout() {}

  /**
   * Lays out the picture.
   *
   * @param moved the means
   * @param width in points
   * @param height in points
   * @return the scene
   */
  public static Scene of(MovedMeans moved, double width, double height) {
    return new Drawing(moved, width, height).scene();
  }

  private static final class Drawing {
    private final MovedMeans moved;
    private final double width;
    private final double height;
    private final double line = Type.height(SIZE);
    private final ValueAxis axis;
    private final double left;
    private final double top = 2 * GAP;
    private final double bottom;
    private final double room;
    private final List<Mark> marks = new ArrayList<>();

    Drawing(MovedMeans moved, double width, double height) {
      this.moved = moved;
      this.width = width;
      this.height = height;
      double[] ends =
          moved.means().stream()
              .flatMap(m -> m.values().stream())
              .flatMapToDouble(v -> ends(v.mean(), v.half()))
              .toArray();
      double least = DoubleStream.of(ends).min().orElse(0);
      double most = DoubleStream.of(ends).max().orElse(1);
      bottom = height - MOST_LINES * line - line - 2 * GAP;
      axis = ValueAxis.holding(least, most, false, (int) Math.max(2, (bottom - top) / TICK_SPACE));
      double widest =
          axis.ticks().stream()
              .mapToDouble(t -> Type.width(axis.text(t), Face.REGULAR, SIZE))
              .max()
              .orElse(0);
      left = widest + 2 * GAP;
      room = (width - left - GAP) / Math.max(1, moved.means().size());
    }

    private static DoubleStream ends(Quantity mean, Quantity half) {
      if (!mean.exists()) {
        return DoubleStream.empty();
      }
      double around = half.exists() ? half.value() : 0;
      return DoubleStream.of(mean.value() - around, mean.value() + around);
    }

    Scene scene() {
      for (double tick : axis.ticks()) {
        double y = axis.place(tick, bottom, top);
        marks.add(new Mark.Line(left, y, width - GAP, y, 0.5, Ink.MIST));
        String text = axis.text(tick);
        double half = Type.width(text, Face.REGULAR, SIZE) / 2;
        marks.add(label(text, left - GAP - half, y, Ink.MUTED, Mark.Role.TICK));
      }
      for (int i = 0; i < moved.means().size(); i++) {
        mean(moved.means().get(i), left + (i + 0.5) * room);
      }
      String words =
          Type.shorten(
              moved.title() + words() + "; lines: intervals of the means",
              Face.REGULAR,
              SIZE,
              width - 2 * GAP);
      marks.add(
          label(
              words,
              GAP + Type.width(words, Face.REGULAR, SIZE) / 2,
              height - line / 2 - 2,
              Ink.MUTED,
              Mark.Role.REMARK));
      return new Scene(width, height, marks);
    }

    private boolean isOfThree() {
      return moved.means().stream().anyMatch(m -> m.values().size() > 2);
    }

    private String words() {
      return isOfThree()
          ? "; open: the first, tinted: the second, filled: the third"
          : "; open: before, filled: after";
    }

    private void mean(MovedMeans.Moved mean, double middle) {
      int k = mean.values().size();
      double apart = Math.min(MOST_APART, APART * room);
      double left = middle - apart * (k - 1) / 2;
      for (int i = 1; i < k; i++) {
        Quantity before = mean.values().get(i - 1).mean();
        Quantity after = mean.values().get(i).mean();
        if (before.exists() && after.exists()) {
          double x = left + (i - 1) * apart;
          marks.add(new Mark.Line(x, y(before), x + apart, y(after), 0.8, Ink.MUTED));
        }
      }
      for (int i = 0; i < k; i++) {
        MovedMeans.Value value = mean.values().get(i);
        Ink fill = i == 0 ? Ink.PAPER : i == k - 1 ? Ink.DEEP : Ink.TIDE;
        dot(value.mean(), value.half(), left + i * apart, fill);
      }
      if (room < LEAST_ROOM) {
        return;
      }
      List<String> lines = Type.wrap(mean.name(), Face.REGULAR, SIZE, room - 2);
      for (int i = 0; i < Math.min(MOST_LINES, lines.size()); i++) {
        String text = Type.shorten(lines.get(i), Face.REGULAR, SIZE, room - 2);
        marks.add(label(text, middle, bottom + GAP + (i + 0.5) * line, Ink.DARK, Mark.Role.GROUP));
      }
    }

    private double y(Quantity mean) {
      return axis.place(mean.value(), bottom, top);
    }

    private void dot(Quantity mean, Quantity half, double x, Ink fill) {
      if (!mean.exists()) {
        return;
      }
      if (half.exists()) {
        double high = axis.place(mean.value() + half.value(), bottom, top);
        double low = axis.place(mean.value() - half.value(), bottom, top);
        marks.add(new Mark.Line(x, low, x, high, 1, Ink.MUTED));
      }
      marks.add(new Mark.Dot(x, y(mean), DOT, fill, Ink.DEEP, -1, Mark.NONE));
    }

    private static Mark.Label label(String text, double x, double y, Ink ink, Mark.Role role) {
      return Mark.Label.of(text, x, y, SIZE, Face.REGULAR, ink, false, role);
    }
  }
}
