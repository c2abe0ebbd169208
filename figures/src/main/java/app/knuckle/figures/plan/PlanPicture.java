package app.knuckle.figures.plan;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.style.Palette;
import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Plan;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Plots as they lie: each in the ink of its level of the first treatment, with the levels of all in
 * words and its number. Where the block or the unit changes, a line parts neighbours.
 */
public final class PlanPicture {

  private static final double MARGIN = 10;
  private static final double PADDING = 4;
  private static final double BAND = 6;

  /** Between plots. */
  private static final double APART = 2.4;

  private static final double TEXT = 8;
  private static final double SMALL = 7;
  private static final double TITLE = 11;

  /** A plot is at least so wide, and no name makes it wider than the other. */
  private static final double NARROWEST = 34;

  private static final double WIDEST = 110;
  private static final double PARTING = 1.6;

  /** Between rows of different blocks. */
  private static final double GAP = 7;

  private final Plan plan;
  private final List<Arrangement.Plot> plots;
  private final String coloured;
  private final List<Mark> marks = new ArrayList<>();
  private final double wide;
  private final double tall;
  private final double[] gaps;

  private PlanPicture(Plan plan, Arrangement arrangement) {
    this.plan = plan;
    plots = arrangement.plots();
    coloured = plan.treatments().keySet().iterator().next();
    double widest =
        plan.treatments().values().stream()
            .flatMap(List::stream)
            .mapToDouble(level -> Type.width(level, Face.STRONG, TEXT))
            .max()
            .orElse(0);
    wide = Math.min(WIDEST, Math.max(NARROWEST, widest + 2 * PADDING + APART));
    tall = Type.height(SMALL) + plan.treatments().size() * Type.height(TEXT) + 2 * PADDING;
    gaps = gaps();
  }

  /** What rows are moved down, by their number: a gap wherever a row has other blocks. */
  private double[] gaps() {
    List<Set<String>> blocks = new ArrayList<>();
    for (Arrangement.Plot plot : plots) {
      while (blocks.size() <= plot.row()) {
        blocks.add(new HashSet<>());
      }
      blocks.get(plot.row()).add(plot.block());
    }
    double[] moved = new double[blocks.size()];
    for (int row = 2; row < moved.length; row++) {
      boolean other = Collections.disjoint(blocks.get(row), blocks.get(row - 1));
      moved[row] = moved[row - 1] + (other ? GAP : 0);
    }
    return moved;
  }

  private double down(double top, Arrangement.Plot plot) {
    return top + (plot.row() - 1) * tall + gaps[plot.row()];
  }

  /**
   * Draws a plan.
   *
   * @param plan with its treatments
   * @param arrangement of its plots
   * @return the picture
   */
  public static Scene of(Plan plan, Arrangement arrangement) {
    return new PlanPicture(plan, arrangement).scene(true);
  }

  /**
   * Draws a plan without its name.
   *
   * @param plan with its treatments
   * @param arrangement of its plots
   * @return the picture, to stand under the name
   */
  public static Scene untitled(Plan plan, Arrangement arrangement) {
    return new PlanPicture(plan, arrangement).scene(false);
  }

  private Scene scene(boolean titled) {
    int rows = plots.stream().mapToInt(Arrangement.Plot::row).max().orElse(0);
    int columns = plots.stream().mapToInt(Arrangement.Plot::column).max().orElse(0);
    boolean blocks = plots.stream().anyMatch(p -> !p.block().isEmpty());
    double left = MARGIN + (blocks ? names() : 0);
    double top = MARGIN;
    if (titled) {
      write(plan.name(), MARGIN, MARGIN + Type.height(TITLE) / 2, TITLE, Face.STRONG, Ink.DARK);
      top += Type.height(TITLE) + PADDING;
    }
    top += legend(top) + 2 * PADDING;
    for (Arrangement.Plot plot : plots) {
      plot(plot, left + (plot.column() - 1) * wide, down(top, plot));
    }
    partings(left, top);
    if (blocks) {
      blockNames(top);
    }
    double width = Math.max(left + columns * wide, legendWidth()) + MARGIN;
    double named = MARGIN * 2 + Type.width(plan.name(), Face.STRONG, TITLE);
    return new Scene(
        titled ? Math.max(width, named) : width,
        top + rows * tall + gaps[gaps.length - 1] + MARGIN,
        marks);
  }

  private double names() {
    double widest =
        plots.stream()
            .mapToDouble(p -> Type.width(plan.blockName() + " " + p.block(), Face.REGULAR, SMALL))
            .max()
            .orElse(0);
    return Math.min(WIDEST, widest) + PADDING;
  }

  private double legendWidth() {
    double width = MARGIN + Type.width(coloured, Face.STRONG, TEXT) + 2 * PADDING;
    for (String level : plan.treatments().get(coloured)) {
      width += 2 * BAND + Type.width(level, Face.REGULAR, TEXT) + 3 * PADDING;
    }
    return Math.min(width, MARGIN + 10 * WIDEST);
  }

  /** Inks of the levels, in as many lines as they need; their height is returned. */
  private double legend(double top) {
    double x = MARGIN;
    double y = top + Type.height(TEXT) / 2;
    x += write(coloured, x, y, TEXT, Face.STRONG, Ink.DARK) + 2 * PADDING;
    List<String> levels = plan.treatments().get(coloured);
    for (int l = 0; l < levels.size(); l++) {
      double need = 2 * BAND + Type.width(levels.get(l), Face.REGULAR, TEXT) + 3 * PADDING;
      if (x + need > MARGIN + 10 * WIDEST) {
        x = MARGIN;
        y += Type.height(TEXT) + PADDING;
      }
      marks.add(new Mark.Bar(x, y - BAND / 2, 2 * BAND, BAND, ink(l), Ink.DARK, l));
      x += 2 * BAND + PADDING;
      x += write(levels.get(l), x, y, TEXT, Face.REGULAR, Ink.DARK) + 2 * PADDING;
    }
    return y + Type.height(TEXT) / 2 - top;
  }

  private static Ink ink(int level) {
    return Palette.TIDE.area(level);
  }

  private void plot(Arrangement.Plot plot, double x, double y) {
    int level = plan.treatments().get(coloured).indexOf(plot.treatments().get(coloured));
    double half = APART / 2;
    marks.add(
        new Mark.Bar(x + half, y + half, wide - APART, tall - APART, ink(level), null, level));
    Ink words = ink(level).isDark() ? Ink.PAPER : Ink.DARK;
    double line = y + PADDING + Type.height(TEXT) / 2;
    Face face = Face.STRONG;
    for (String of : plot.treatments().values()) {
      String text = Type.shorten(of, face, TEXT, wide - 2 * PADDING);
      write(text, x + PADDING, line, TEXT, face, words);
      line += Type.height(TEXT);
      face = Face.REGULAR;
    }
    String number = String.valueOf(plot.number());
    double right = x + wide - PADDING - Type.width(number, Face.REGULAR, SMALL);
    double foot = y + tall - PADDING - Type.height(SMALL) / 2;
    write(number, right, foot, SMALL, Face.REGULAR, words);
  }

  /** Lines between neighbours of different blocks or units. */
  private void partings(double left, double top) {
    Map<Point, Arrangement.Plot> at = new HashMap<>();
    plots.forEach(plot -> at.put(new Point(plot.row(), plot.column()), plot));
    for (Arrangement.Plot one : plots) {
      double x = left + (one.column() - 1) * wide;
      double y = down(top, one);
      if (parted(one, at.get(new Point(one.row(), one.column() + 1)))) {
        marks.add(new Mark.Line(x + wide, y, x + wide, y + tall, PARTING, Ink.DARK));
      }
      Arrangement.Plot below = at.get(new Point(one.row() + 1, one.column()));
      if (parted(one, below) && gaps[one.row()] == gaps[below.row()]) {
        marks.add(new Mark.Line(x, y + tall, x + wide, y + tall, PARTING, Ink.DARK));
      }
    }
  }

  private record Point(int row, int column) {}

  private static boolean parted(Arrangement.Plot one, Arrangement.Plot other) {
    return other != null
        && (!one.block().equals(other.block()) || !one.unit().equals(other.unit()));
  }

  /** The block that a row of plots begins with, where it changes. */
  private void blockNames(double top) {
    String before = "";
    int row = 0;
    for (Arrangement.Plot plot : plots) {
      if (plot.row() != row && !plot.block().equals(before)) {
        String name =
            Type.shorten(plan.blockName() + " " + plot.block(), Face.REGULAR, SMALL, WIDEST);
        double y = down(top, plot) + tall / 2;
        write(name, MARGIN, y, SMALL, Face.REGULAR, Ink.MUTED);
        before = plot.block();
      }
      row = plot.row();
    }
  }

  /** Writes from the left; the width is returned. */
  private double write(String text, double x, double y, double size, Face face, Ink ink) {
    double width = Type.width(text, face, size);
    marks.add(Mark.Label.of(text, x + width / 2, y, size, face, ink, false, Mark.Role.REMARK));
    return width;
  }
}
