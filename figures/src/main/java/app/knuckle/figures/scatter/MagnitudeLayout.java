package app.knuckle.figures.scatter;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Legend;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.scene.ValueAxis;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;

/** Lays out how far apart means lie. One row names its dots; several share a legend. */
public final class MagnitudeLayout {

  private static final double SIZE = 11;
  private static final double GAP = 6;
  private static final double ROW = 22;
  private static final double DOT = 4;
  private static final double MOST_NAMES = 0.35;
  private static final double TICK_SPACE = 56;

  /** Names of one row stand on so many lines above it before they are left out. */
  private static final int MOST_LINES = 3;

  private MagnitudeLayout() {}

  /**
   * Lays out the picture.
   *
   * @param magnitude with one row or more
   * @param width in points
   * @return the scene, as high as it needs to be
   */
  public static Scene of(Magnitude magnitude, double width) {
    return new Drawing(magnitude, width).scene();
  }

  private static final class Drawing {
    private final Magnitude magnitude;
    private final double width;
    private final double left;
    private final double right;
    private final ValueAxis axis;
    private final double line = Type.height(SIZE);
    private final List<Mark> marks = new ArrayList<>();

    Drawing(Magnitude magnitude, double width) {
      this.magnitude = magnitude;
      this.width = width;
      double longest =
          magnitude.rows().stream()
              .mapToDouble(r -> Type.width(r.name(), Face.REGULAR, SIZE))
              .max()
              .orElse(0);
      left = GAP + (longest > 0 ? Math.min(longest, MOST_NAMES * width) + GAP : 0);
      right = width - 2 * GAP;
      double[] values =
          DoubleStream.concat(
                  magnitude.rows().stream()
                      .flatMap(r -> r.dots().stream())
                      .mapToDouble(d -> d.value()),
                  magnitude.band() != null
                      ? DoubleStream.of(magnitude.band().low(), magnitude.band().high())
                      : DoubleStream.empty())
              .toArray();
      double min = DoubleStream.of(values).min().orElse(0);
      double max = DoubleStream.of(values).max().orElse(1);
      axis = ValueAxis.holding(min, max, false, (int) Math.max(2, (right - left) / TICK_SPACE));
    }

    Scene scene() {
      boolean one = magnitude.rows().size() == 1;
      double top = one ? names(magnitude.rows().get(0).dots()) : legend();
      double bottom = top + ROW * magnitude.rows().size();
      if (magnitude.band() != null) {
        double from = axis.place(magnitude.band().low(), left, right);
        double to = axis.place(magnitude.band().high(), left, right);
        marks.add(0, new Mark.Bar(from, top, to - from, bottom - top, Ink.MIST, null, Mark.NONE));
      }
      for (int r = 0; r < magnitude.rows().size(); r++) {
        row(magnitude.rows().get(r), top + (r + 0.5) * ROW);
      }
      scale(bottom);
      double end = bottom + line + 2 * GAP;
      if (magnitude.band() != null) {
        String words = Type.shorten(magnitude.band().words(), Face.REGULAR, SIZE, right - line);
        double side = line * 0.7;
        double y = end + line / 2;
        marks.add(new Mark.Bar(GAP, y - side / 2, side, side, Ink.MIST, Ink.MUTED, Mark.NONE));
        double wide = Type.width(words, Face.REGULAR, SIZE);
        marks.add(label(words, GAP + side + GAP + wide / 2, y, Ink.MUTED, Mark.Role.REMARK));
        end += line + GAP;
      }
      return new Scene(width, end, marks);
    }

    /** Names above their dots, on a higher line where they would run into each other. */
    private double names(List<Magnitude.Dot> dots) {
      List<Magnitude.Dot> sorted =
          dots.stream().sorted(Comparator.comparingDouble(Magnitude.Dot::value)).toList();
      double[] taken = DoubleStream.generate(() -> -1).limit(MOST_LINES).toArray();
      int[] lines = new int[sorted.size()];
      int most = 0;
      for (int i = 0; i < lines.length; i++) {
        double half = Type.width(sorted.get(i).name(), Face.REGULAR, SIZE) / 2;
        double x = middle(sorted.get(i), half);
        int at = 0;
        while (at < MOST_LINES && taken[at] > x - half) {
          at++;
        }
        lines[i] = at;
        if (at < MOST_LINES) {
          taken[at] = x + half + GAP;
          most = Math.max(most, at);
        }
      }
      double top = (most + 1) * line + GAP;
      for (int i = 0; i < lines.length; i++) {
        if (lines[i] < MOST_LINES) {
          Magnitude.Dot dot = sorted.get(i);
          double half = Type.width(dot.name(), Face.REGULAR, SIZE) / 2;
          double y = top - GAP / 2 - (lines[i] + 0.5) * line;
          double x = axis.place(dot.value(), left, right);
          marks.add(new Mark.Line(x, y + line / 2, x, top + ROW / 2, 0.6, Ink.MUTED));
          marks.add(label(dot.name(), middle(dot, half), y, Ink.DARK, Mark.Role.GROUP));
        }
      }
      return top;
    }

    private double middle(Magnitude.Dot dot, double half) {
      double x = axis.place(dot.value(), left, right);
      return Math.max(half, Math.min(width - half, x));
    }

    private double legend() {
      List<String> names =
          magnitude.rows().get(0).dots().stream().map(Magnitude.Dot::name).toList();
      List<Ink> inks = IntStream.range(0, names.size()).mapToObj(GroupScatter::ink).toList();
      Legend legend = new Legend(names, names.stream().map(n -> "").toList(), inks, SIZE);
      marks.addAll(legend.inLines(GAP, 0, width - GAP));
      return legend.lines(width - GAP) * line + GAP;
    }

    private void row(Magnitude.Row row, double y) {
      marks.add(new Mark.Line(left, y, right, y, 0.6, Ink.MUTED));
      String name = Type.shorten(row.name(), Face.REGULAR, SIZE, left - 2 * GAP);
      if (!name.isEmpty()) {
        double wide = Type.width(name, Face.REGULAR, SIZE);
        marks.add(label(name, left - GAP - wide / 2, y, Ink.DARK, Mark.Role.GROUP));
      }
      boolean one = magnitude.rows().size() == 1;
      for (int d = 0; d < row.dots().size(); d++) {
        double x = axis.place(row.dots().get(d).value(), left, right);
        Ink ink = one ? Ink.DEEP : GroupScatter.ink(d);
        marks.add(new Mark.Dot(x, y, DOT, ink, Ink.PAPER, d, Mark.NONE));
      }
    }

    private void scale(double bottom) {
      marks.add(new Mark.Line(left, bottom, right, bottom, 0.8, Ink.MUTED));
      for (double tick : axis.ticks()) {
        double x = axis.place(tick, left, right);
        marks.add(new Mark.Line(x, bottom, x, bottom + 3, 0.8, Ink.MUTED));
        marks.add(label(axis.text(tick), x, bottom + GAP + line / 2, Ink.MUTED, Mark.Role.TICK));
      }
    }

    private static Mark.Label label(String text, double x, double y, Ink ink, Mark.Role role) {
      return Mark.Label.of(text, x, y, SIZE, Face.REGULAR, ink, false, role);
    }
  }
}
