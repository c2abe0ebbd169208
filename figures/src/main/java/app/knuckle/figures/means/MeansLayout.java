package app.knuckle.figures.means;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.GroupLabels;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Swarm;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.scene.ValueAxis;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Lays out a figure of means. Every group owns a slot and stays inside it; letters stand above all
 * that is drawn in their slot; single values keep clear of the whisker in the middle.
 */
public final class MeansLayout {

  private static final double POINTS_PER_MM = 72 / 25.4;
  private static final double MARGIN = 6;
  private static final double GAP = 4;
  private static final double TICK = 3;
  private static final double AXIS_WIDTH = 0.8;
  private static final double WHISKER_WIDTH = 0.9;

  /** Share of a slot that a bar fills. */
  private static final double BAR_SHARE = 0.68;

  /** Names of groups may take this share of the height before they are cut. */
  private static final double MOST_NAMES = 0.36;

  /** Distance between ticks that reads well, in lines of type. */
  private static final double LINES_PER_TICK = 3.2;

  /** Room between clusters, in widths of a group. */
  private static final double CLUSTER_GAP = 0.7;

  /** Side of a key of the legend over the size of the type. */
  private static final double KEY = 0.9;

  /** Height of a line over the size of its type. */
  private static final double LINE = 1.2;

  private static final double LARGEST_DOT = 1.7;
  private static final double LARGEST_POINT = 3;
  private static final double SMALLEST_DOT = 0.6;
  private static final double LARGEST_CAP = 5;
  private static final int FEWEST_TICKS = 3;
  private static final int FIRST_GUESS = 6;
  private static final int MOST_ROUNDS = 4;

  private final MeansFigure figure;
  private final double size;
  private final double width;
  private final double height;
  private final List<Mark> marks = new ArrayList<>();
  private double left;
  private double right;
  private double top;
  private double bottom;
  private ValueAxis axis;
  private GroupLabels names;

  private MeansLayout(MeansFigure figure) {
    this.figure = figure;
    size = figure.style().typeSize();
    width = figure.style().widthMm() * POINTS_PER_MM;
    height = figure.style().heightMm() * POINTS_PER_MM;
  }

  /**
   * Lays out a figure.
   *
   * @param figure with one group or more
   * @return the scene, of the figure's size
   */
  public static Scene of(MeansFigure figure) {
    MeansLayout layout = new MeansLayout(figure);
    layout.frame();
    layout.axes();
    layout.profiles();
    for (int g = 0; g < figure.groups().size(); g++) {
      layout.group(g);
    }
    layout.clusters();
    return new Scene(layout.width, layout.height, layout.marks);
  }

  /**
   * Decides where the plot lies: first what stands around it, then the room that is left. The ticks
   * depend on the height and their width on the ticks, so it settles in a round or two.
   */
  private void frame() {
    axis = axis(FIRST_GUESS);
    double tickWidth = 0;
    for (int round = 0; round < MOST_ROUNDS && tickWidth() > tickWidth; round++) {
      tickWidth = tickWidth();
      frame(tickWidth);
    }
  }

  private double tickWidth() {
    return axis.ticks().stream()
        .mapToDouble(t -> Type.width(axis.text(t), Face.REGULAR, size))
        .max()
        .orElse(0);
  }

  private void frame(double tickWidth) {
    double line = Type.height(size);
    right = width - MARGIN;
    List<String> title = titleLines(height - 2 * MARGIN);
    left = MARGIN + title.size() * line + GAP + tickWidth + TICK + GAP / 2;
    double slot = slot();
    names =
        GroupLabels.fit(
            isClustered()
                ? figure.clusters()
                : figure.groups().stream().map(MeansFigure.Group::name).toList(),
            isClustered() ? (smallestCluster() + CLUSTER_GAP) * slot : slot,
            size,
            MOST_NAMES * height);
    bottom = height - MARGIN - line - GAP - names.height() - GAP;
    double letterRoom =
        figure.groups().stream().mapToDouble(g -> letterHeight(g, slot)).max().orElse(0);
    top = MARGIN + (letterRoom > 0 ? letterRoom + GAP + LARGEST_POINT : line / 2);
    top += isClustered() ? legendLines(right - left) * line + GAP : 0;
    axis = axis(Math.max(FEWEST_TICKS, (int) ((bottom - top) / (line * LINES_PER_TICK)) + 1));
  }

  private boolean isClustered() {
    return !figure.series().isEmpty();
  }

  /** Width of a group; clusters stand apart by a share of it. */
  private double slot() {
    double k = figure.groups().size();
    return (right - left) / (isClustered() ? k + CLUSTER_GAP * figure.clusters().size() : k);
  }

  private long smallestCluster() {
    return java.util.stream.IntStream.range(0, figure.clusters().size())
        .mapToLong(c -> figure.groups().stream().filter(g -> g.cluster() == c).count())
        .min()
        .orElse(1);
  }

  private double centre(int index) {
    double apart = isClustered() ? CLUSTER_GAP * (figure.groups().get(index).cluster() + 0.5) : 0;
    return left + (index + 0.5 + apart) * slot();
  }

  /** Names under the clusters, and what the colours mean above the plot. */
  private void clusters() {
    if (!isClustered()) {
      return;
    }
    for (int c = 0; c < figure.clusters().size(); c++) {
      int cluster = c;
      double middle =
          java.util.stream.IntStream.range(0, figure.groups().size())
              .filter(g -> figure.groups().get(g).cluster() == cluster)
              .mapToDouble(this::centre)
              .average()
              .orElse(left);
      marks.addAll(names.at(c, middle, bottom + GAP));
    }
    double line = Type.height(size);
    double x = left;
    double y = MARGIN + line / 2;
    for (int i = 0; i < figure.series().size(); i++) {
      String name = Type.shorten(figure.series().get(i), Face.REGULAR, size, right - left - line);
      double w = Type.width(name, Face.REGULAR, size);
      if (x > left && x + line + w > right) {
        x = left;
        y += line;
      }
      double side = size * KEY;
      marks.add(new Mark.Bar(x, y - side / 2, side, side, Ink.series(i), Ink.MUTED, Mark.NONE));
      marks.add(label(name, x + side + GAP + w / 2, y, Face.REGULAR, size, false, Mark.Role.GROUP));
      x += side + GAP + w + 2 * GAP;
    }
  }

  private int legendLines(double room) {
    int lines = 1;
    double x = 0;
    for (String name : figure.series()) {
      double w = Math.min(room, Type.width(name, Face.REGULAR, size) + size * KEY + 3 * GAP);
      if (x > 0 && x + w > room) {
        lines++;
        x = 0;
      }
      x += w;
    }
    return lines;
  }

  /** Means of one colour, joined from cluster to cluster. */
  private void profiles() {
    if (figure.style().form() != MeansFigure.Form.LINES) {
      return;
    }
    int k = figure.groups().size();
    for (int i = 0; i < k; i++) {
      for (int j = i + 1; j < k; j++) {
        MeansFigure.Group a = figure.groups().get(i);
        MeansFigure.Group b = figure.groups().get(j);
        boolean next = isClustered() ? b.cluster() == a.cluster() + 1 : j == i + 1;
        if (next && a.colour() == b.colour()) {
          Ink ink = a.colour() < 0 ? Ink.DEEP : line(a.colour());
          marks.add(new Mark.Line(centre(i), y(a.mean()), centre(j), y(b.mean()), 1.1, ink));
        }
      }
    }
  }

  /** Points and lines of the palest colour would hardly be seen on paper. */
  private static Ink line(int colour) {
    Ink ink = Ink.series(colour);
    return ink == Ink.PALE ? Ink.MUTED : ink;
  }

  private List<String> titleLines(double room) {
    List<String> lines = Type.wrap(figure.valueTitle(), Face.REGULAR, size, room);
    return lines.stream().map(l -> Type.shorten(l, Face.REGULAR, size, room)).toList();
  }

  private ValueAxis axis(int ticks) {
    double min = Double.POSITIVE_INFINITY;
    double max = Double.NEGATIVE_INFINITY;
    for (MeansFigure.Group g : figure.groups()) {
      min = Math.min(min, lowest(g));
      max = Math.max(max, highest(g));
    }
    return ValueAxis.holding(min, max, figure.style().form() == MeansFigure.Form.BARS, ticks);
  }

  private double half(MeansFigure.Group g) {
    return g.half().exists() ? g.half().value() : 0;
  }

  private double highest(MeansFigure.Group g) {
    double values =
        figure.style().values() ? Arrays.stream(g.values()).max().orElse(g.mean()) : g.mean();
    return Math.max(values, g.mean() + half(g));
  }

  private double lowest(MeansFigure.Group g) {
    double values =
        figure.style().values() ? Arrays.stream(g.values()).min().orElse(g.mean()) : g.mean();
    return Math.min(values, g.mean() - half(g));
  }

  private double y(double value) {
    return axis.place(value, bottom, top);
  }

  private void axes() {
    double line = Type.height(size);
    // In a very low plot only every second or third tick has room for its number.
    double apart = Math.abs(y(axis.step()) - y(0));
    long every = Math.max(1, (long) Math.ceil(line / apart));
    for (double tick : axis.ticks()) {
      if (Math.round(tick / axis.step()) % every != 0) {
        continue;
      }
      double y = y(tick);
      marks.add(new Mark.Line(left, y, right, y, AXIS_WIDTH / 2, Ink.FAINT));
      String text = axis.text(tick);
      double w = Type.width(text, Face.REGULAR, size);
      double x = left - TICK - GAP / 2 - w / 2;
      marks.add(label(text, x, y, Face.REGULAR, size, false, Mark.Role.TICK));
      marks.add(new Mark.Line(left - TICK, y, left, y, AXIS_WIDTH, Ink.DARK));
    }
    marks.add(new Mark.Line(left, top, left, bottom, AXIS_WIDTH, Ink.DARK));
    double base = axis.low() <= 0 && axis.high() >= 0 && isBars() ? y(0) : bottom;
    marks.add(new Mark.Line(left, base, right, base, AXIS_WIDTH, Ink.DARK));
    List<String> title = titleLines(height - 2 * MARGIN);
    for (int i = 0; i < title.size(); i++) {
      String text = title.get(i);
      double half = Type.width(text, Face.REGULAR, size) / 2;
      double y = Math.min(height - MARGIN - half, Math.max(MARGIN + half, (top + bottom) / 2));
      double x = MARGIN + (i + 0.5) * line;
      marks.add(label(text, x, y, Face.REGULAR, size, true, Mark.Role.TITLE));
    }
    String under = Type.shorten(figure.groupTitle(), Face.REGULAR, size, width - 2 * MARGIN);
    double half = Type.width(under, Face.REGULAR, size) / 2;
    double x = Math.min(width - MARGIN - half, Math.max(MARGIN + half, (left + right) / 2));
    double y = height - MARGIN - line / 2;
    marks.add(label(under, x, y, Face.REGULAR, size, false, Mark.Role.TITLE));
  }

  private boolean isBars() {
    return figure.style().form() == MeansFigure.Form.BARS;
  }

  private void group(int index) {
    MeansFigure.Group g = figure.groups().get(index);
    double slot = slot();
    double centre = centre(index);
    double bar = slot * BAR_SHARE;
    double mean = y(g.mean());
    if (isBars()) {
      double zero = y(0);
      marks.add(
          new Mark.Bar(
              centre - bar / 2,
              Math.min(mean, zero),
              bar,
              Math.abs(mean - zero),
              g.colour() < 0 ? Ink.TIDE : Ink.series(g.colour()),
              null,
              index));
    }
    double cap = Math.min(LARGEST_CAP, bar / 5);
    if (figure.style().values()) {
      values(g, index, centre, bar, cap);
    }
    if (g.half().exists()) {
      double up = y(g.mean() + g.half().value());
      double down = y(g.mean() - g.half().value());
      marks.add(new Mark.Line(centre, up, centre, down, WHISKER_WIDTH, Ink.DARK));
      marks.add(new Mark.Line(centre - cap, up, centre + cap, up, WHISKER_WIDTH, Ink.DARK));
      marks.add(new Mark.Line(centre - cap, down, centre + cap, down, WHISKER_WIDTH, Ink.DARK));
    }
    if (!isBars()) {
      Ink ink = g.colour() < 0 ? Ink.DEEP : line(g.colour());
      marks.add(new Mark.Dot(centre, mean, pointRadius(bar), ink, null, index, Mark.NONE));
    }
    if (!isClustered()) {
      marks.addAll(names.at(index, centre, bottom + GAP));
    }
    if (!g.letters().isEmpty()) {
      letters(g, centre, slot);
    }
  }

  private static double dotRadius(double bar) {
    return Math.max(SMALLEST_DOT, Math.min(LARGEST_DOT, bar / 12));
  }

  private static double pointRadius(double bar) {
    return Math.min(LARGEST_POINT, bar / 5);
  }

  private void values(MeansFigure.Group g, int index, double centre, double bar, double cap) {
    double radius = dotRadius(bar);
    boolean clear = g.half().exists() || !isBars();
    // Clear of the whisker where there is room, inside the slot always.
    double edge = bar / BAR_SHARE / 2 - radius;
    double middle = isBars() ? cap : Math.max(cap, pointRadius(bar));
    double inner = clear ? Math.min(edge, middle + radius + 1) : 0;
    double[] places = Arrays.stream(g.values()).map(this::y).toArray();
    double outer = Math.max(inner, bar / 2 - radius);
    double[] sideways = Swarm.spread(places, radius, inner, outer);
    for (int i = 0; i < places.length; i++) {
      marks.add(
          new Mark.Dot(
              centre + sideways[i], places[i], radius, Ink.PAPER, Ink.MUTED, index, g.rows()[i]));
    }
  }

  /** All letters are turned when those of one group are wider than its slot. */
  private boolean lettersTurned(double slot) {
    return figure.groups().stream()
        .anyMatch(g -> Type.width(g.letters(), Face.STRONG, size) > slot - 1);
  }

  private double letterSize(double slot) {
    return lettersTurned(slot) ? Math.min(size, slot / LINE) : size;
  }

  private double letterHeight(MeansFigure.Group g, double slot) {
    if (g.letters().isEmpty()) {
      return 0;
    }
    double own = letterSize(slot);
    return lettersTurned(slot) ? Type.width(g.letters(), Face.STRONG, own) : Type.height(own);
  }

  private void letters(MeansFigure.Group g, double centre, double slot) {
    double bar = slot * BAR_SHARE;
    double above = Math.min(y(highest(g)) - dotRadius(bar), isBars() ? y(0) : bottom);
    above = isBars() ? above : Math.min(above, y(g.mean()) - pointRadius(bar));
    boolean turned = lettersTurned(slot);
    // A level line has air of its own above its small letters.
    double gap = turned ? GAP : GAP / 2;
    double y = above - gap - letterHeight(g, slot) / 2;
    double own = letterSize(slot);
    marks.add(label(g.letters(), centre, y, Face.STRONG, own, turned, Mark.Role.LETTERS));
  }

  private static Mark.Label label(
      String text, double x, double y, Face face, double size, boolean turned, Mark.Role role) {
    Ink ink = role == Mark.Role.TICK ? Ink.MUTED : Ink.DARK;
    return Mark.Label.of(text, x, y, size, face, ink, turned, role);
  }
}
