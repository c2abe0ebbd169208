package app.knuckle.figures.means;

import static app.knuckle.figures.means.MeansFrame.BAR_SHARE;
import static app.knuckle.figures.means.MeansFrame.GAP;
import static app.knuckle.figures.means.MeansFrame.LARGEST_POINT;
import static app.knuckle.figures.means.MeansFrame.MARGIN;
import static app.knuckle.figures.means.MeansFrame.TICK;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Hatch;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Swarm;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.style.Form;
import app.knuckle.figures.style.Palette;
import app.knuckle.figures.style.Style;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Draws a figure of means into its frame. Letters stand above all that is drawn in their slot;
 * single values keep clear of the whisker in the middle.
 */
public final class MeansLayout {

  private static final double AXIS_WIDTH = 0.8;
  private static final double WHISKER_WIDTH = 0.9;
  private static final double TRACE_WIDTH = 0.5;
  private static final double PROFILE_WIDTH = 1.1;
  private static final double LEG = 2.5;
  private static final double LARGEST_DOT = 1.7;
  private static final double SMALLEST_DOT = 0.6;
  private static final double LARGEST_CAP = 5;
  private static final double SMALLEST_TYPE = 2;

  /** Values farther from a box than this many of its lengths stand beyond its whiskers. */
  private static final double FENCE = 1.5;

  private final MeansFigure figure;
  private final Style style;
  private final Palette palette;
  private final MeansFrame frame;
  private final double size;
  private final List<Mark> marks = new ArrayList<>();

  private MeansLayout(MeansFigure figure) {
    this.figure = figure;
    style = figure.style();
    palette = style.palette();
    frame = MeansFrame.of(figure);
    size = frame.size;
  }

  /**
   * Lays out a figure.
   *
   * @param figure with one group or more
   * @return the scene, of the figure's size
   */
  public static Scene of(MeansFigure figure) {
    MeansLayout layout = new MeansLayout(figure);
    layout.axes();
    layout.traces();
    layout.profiles();
    for (int g = 0; g < figure.groups().size(); g++) {
      layout.group(g);
    }
    layout.names();
    layout.head();
    layout.criticalBar();
    return new Scene(layout.frame.width, layout.frame.height, layout.marks);
  }

  private void axes() {
    double line = Type.height(size);
    double lastTick = Double.POSITIVE_INFINITY;
    for (double tick : frame.axis.ticks()) {
      double y = frame.y(tick);
      // In a low plot only some ticks have room for their number.
      if (lastTick - y < line) {
        continue;
      }
      lastTick = y;
      for (int p = 0; p < Math.max(1, figure.panels().size()); p++) {
        marks.add(new Mark.Line(frame.start(p), y, frame.end(p), y, AXIS_WIDTH / 2, Ink.FAINT));
      }
      String text = frame.axis.text(tick);
      double w = Type.width(text, Face.REGULAR, size);
      double x = frame.left - TICK - GAP / 2 - w / 2;
      marks.add(label(text, x, y, Face.REGULAR, size, false, Mark.Role.TICK));
      marks.add(new Mark.Line(frame.left - TICK, y, frame.left, y, AXIS_WIDTH, Ink.DARK));
    }
    marks.add(new Mark.Line(frame.left, frame.top, frame.left, frame.bottom, AXIS_WIDTH, Ink.DARK));
    double base = frame.isBars() ? frame.base() : frame.bottom;
    for (int p = 0; p < Math.max(1, figure.panels().size()); p++) {
      marks.add(new Mark.Line(frame.start(p), base, frame.end(p), base, AXIS_WIDTH, Ink.DARK));
    }
    double reference = style.shown().reference();
    if (!Double.isNaN(reference) && reference >= frame.axis.low()) {
      dashed(frame.left, frame.right, frame.y(reference));
    }
    titles(line);
  }

  private void dashed(double from, double to, double y) {
    for (double x = from; x < to; x += 2 * GAP) {
      marks.add(new Mark.Line(x, y, Math.min(to, x + GAP), y, AXIS_WIDTH, Ink.MUTED));
    }
  }

  private void titles(double line) {
    List<String> title = frame.titleLines();
    for (int i = 0; i < title.size(); i++) {
      double half = Type.width(title.get(i), Face.REGULAR, size) / 2;
      double middle = (frame.top + frame.bottom) / 2;
      double y = Math.min(frame.height - MARGIN - half, Math.max(frame.legendTop() + half, middle));
      double x = MARGIN + (i + 0.5) * line;
      marks.add(
          label(title.get(i), x, y, Face.REGULAR, size, true, Mark.Role.TITLE)
              .about(figure.valueTitle()));
    }
    String under =
        Type.shorten(style.word(figure.groupTitle()), Face.REGULAR, size, frame.width - 2 * MARGIN);
    double half = Type.width(under, Face.REGULAR, size) / 2;
    double x = within((frame.left + frame.right) / 2, half);
    double y = frame.height - MARGIN - line / 2;
    marks.add(
        label(under, x, y, Face.REGULAR, size, false, Mark.Role.TITLE).about(figure.groupTitle()));
  }

  private double within(double x, double half) {
    return Math.min(frame.width - MARGIN - half, Math.max(MARGIN + half, x));
  }

  /** Values of one unit, joined from group to group. */
  private void traces() {
    for (MeansFigure.Trace t : figure.traces()) {
      for (int i = 1; i < t.groups().length; i++) {
        marks.add(
            new Mark.Line(
                frame.centre(t.groups()[i - 1]),
                frame.y(t.values()[i - 1]),
                frame.centre(t.groups()[i]),
                frame.y(t.values()[i]),
                TRACE_WIDTH,
                Ink.MUTED));
      }
    }
  }

  /** Means of one colour, joined from cluster to cluster. */
  private void profiles() {
    if (style.form() != Form.LINES && style.form() != Form.UNITS) {
      return;
    }
    int k = figure.groups().size();
    int colours = Math.max(1, figure.series().size());
    for (int colour = 0; colour < colours; colour++) {
      int before = -1;
      for (int g = 0; g < k; g++) {
        MeansFigure.Group now = figure.groups().get(g);
        if (Math.max(0, now.colour()) != colour) {
          continue;
        }
        if (before >= 0 && figure.groups().get(before).panel() == now.panel()) {
          marks.add(
              new Mark.Line(
                  frame.centre(before),
                  frame.y(figure.groups().get(before).mean()),
                  frame.centre(g),
                  frame.y(now.mean()),
                  PROFILE_WIDTH,
                  point(now)));
        }
        before = g;
      }
    }
  }

  private Ink point(MeansFigure.Group g) {
    return g.colour() < 0 ? palette.plainPoint() : palette.line(g.colour());
  }

  private Ink area(MeansFigure.Group g) {
    return g.colour() < 0 ? palette.plainArea() : palette.area(g.colour());
  }

  private void group(int index) {
    MeansFigure.Group g = figure.groups().get(index);
    double slot = frame.slot();
    double centre = frame.centre(index);
    double bar = slot * BAR_SHARE;
    double cap = Math.min(LARGEST_CAP, bar / 5);
    if (frame.isBars()) {
      double mean = frame.y(g.mean());
      double base = frame.base();
      area(g, index, centre, bar, Math.min(mean, base), Math.abs(mean - base), null);
    } else if (frame.isBox(g)) {
      box(g, index, centre, bar, cap);
    }
    if (frame.showsValues()) {
      values(g, index, centre, bar, cap);
    }
    if (g.reach().exists() && !frame.isBox(g)) {
      double up = frame.y(g.mean() + g.reach().above());
      double down = frame.y(g.mean() - g.reach().below());
      upright(centre, up, down, cap);
      marks.add(new Mark.Line(centre - cap, down, centre + cap, down, WHISKER_WIDTH, Ink.DARK));
    }
    if (style.form() == Form.VALUES) {
      double y = frame.y(g.mean());
      marks.add(
          new Mark.Line(centre - bar / 2, y, centre + bar / 2, y, 2 * WHISKER_WIDTH, point(g)));
    } else if (frame.isBox(g)) {
      double y = frame.y(g.mean());
      double radius = pointRadius(bar);
      marks.add(new Mark.Dot(centre, y, radius, Ink.PAPER, Ink.DARK, index, Mark.NONE));
    } else if (!frame.isBars()) {
      marks.add(
          new Mark.Dot(
              centre, frame.y(g.mean()), pointRadius(bar), point(g), null, index, Mark.NONE));
    }
    if (frame.letterHeight(g, slot) > 0) {
      letters(g, centre, slot);
    }
  }

  private void area(
      MeansFigure.Group g,
      int index,
      double centre,
      double bar,
      double top,
      double height,
      Ink edge) {
    Ink ink = area(g);
    marks.add(new Mark.Bar(centre - bar / 2, top, bar, height, ink, edge, index));
    if (style.patterns() && g.colour() >= 0) {
      Rectangle2D area = new Rectangle2D.Double(centre - bar / 2, top, bar, height);
      marks.addAll(Hatch.over(area, g.colour(), ink));
    }
  }

  /** A stem with a cap at its far end. */
  private void upright(double centre, double far, double near, double cap) {
    marks.add(new Mark.Line(centre, far, centre, near, WHISKER_WIDTH, Ink.DARK));
    marks.add(new Mark.Line(centre - cap, far, centre + cap, far, WHISKER_WIDTH, Ink.DARK));
  }

  /** Middle half of the values, their median, and stems to the farthest within the fences. */
  private void box(MeansFigure.Group g, int index, double centre, double bar, double cap) {
    double lower = g.summary().lowerQuartile().value();
    double upper = g.summary().upperQuartile().value();
    double reach = FENCE * (upper - lower);
    double high = Arrays.stream(g.values()).filter(v -> v <= upper + reach).max().orElse(upper);
    double low = Arrays.stream(g.values()).filter(v -> v >= lower - reach).min().orElse(lower);
    double top = frame.y(upper);
    upright(centre, frame.y(Math.max(upper, high)), top, cap);
    upright(centre, frame.y(Math.min(lower, low)), frame.y(lower), cap);
    area(g, index, centre, bar, top, frame.y(lower) - top, Ink.DARK);
    double median = frame.y(g.summary().median().value());
    marks.add(
        new Mark.Line(
            centre - bar / 2, median, centre + bar / 2, median, 2 * WHISKER_WIDTH, Ink.DARK));
  }

  private static double dotRadius(double bar) {
    return Math.max(SMALLEST_DOT, Math.min(LARGEST_DOT, bar / 12));
  }

  private static double pointRadius(double bar) {
    return Math.min(LARGEST_POINT, bar / 5);
  }

  private void values(MeansFigure.Group g, int index, double centre, double bar, double cap) {
    double radius = dotRadius(bar);
    double[] places = Arrays.stream(g.values()).map(frame::y).toArray();
    double[] sideways = new double[places.length];
    if (style.form() != Form.UNITS) {
      boolean clear = g.reach().exists() || !frame.isBars() && style.form() != Form.VALUES;
      // Clear of the whisker where there is room, inside the slot always.
      double edge = bar / BAR_SHARE / 2 - radius;
      double middle = frame.isBars() ? cap : Math.max(cap, pointRadius(bar));
      double inner = clear ? Math.min(edge, middle + radius + 1) : 0;
      double outer = Math.max(inner, bar / 2 - radius);
      sideways = Swarm.spread(places, radius, inner, outer);
    }
    for (int i = 0; i < places.length; i++) {
      marks.add(
          new Mark.Dot(
              centre + sideways[i], places[i], radius, Ink.PAPER, Ink.MUTED, index, g.rows()[i]));
    }
  }

  private void letters(MeansFigure.Group g, double centre, double slot) {
    double bar = slot * BAR_SHARE;
    double base = frame.isBars() ? frame.base() : frame.bottom;
    double above = Math.min(frame.y(frame.highest(g)) - dotRadius(bar), base);
    above = frame.isBars() ? above : Math.min(above, frame.y(g.mean()) - pointRadius(bar));
    boolean turned = frame.lettersTurned(slot);
    // A level line has air of its own above its small letters.
    double gap = turned ? GAP : GAP / 2;
    double y = above - gap - frame.letterHeight(g, slot) / 2;
    double own = frame.letterSize(slot);
    Mark.Label letters = label(g.letters(), centre, y, Face.STRONG, own, turned, Mark.Role.LETTERS);
    if (style.form() == Form.LINES || style.form() == Form.UNITS) {
      // Lines from elsewhere may pass where the letters stand.
      Rectangle2D box = letters.box();
      marks.add(
          new Mark.Bar(
              box.getX(), box.getY(), box.getWidth(), box.getHeight(), Ink.PAPER, null, Mark.NONE));
    }
    marks.add(letters);
  }

  /** Numbers of values, and names of groups or clusters. */
  private void names() {
    double y = frame.namesTop();
    if (style.shown().counts()) {
      counts(y - Type.height(frame.smallSize()));
    }
    if (!figure.isClustered()) {
      for (int g = 0; g < figure.groups().size(); g++) {
        named(g, figure.groups().get(g).name(), frame.centre(g), y);
      }
      return;
    }
    for (int c = 0; c < figure.clusters().size(); c++) {
      double middle = figure.ofCluster(c).mapToDouble(frame::centre).average().orElse(frame.left);
      named(c, figure.clusters().get(c), middle, y);
    }
  }

  private void named(int place, String subject, double centre, double y) {
    frame.names.at(place, centre, y).forEach(l -> marks.add(l.about(subject)));
  }

  private void counts(double top) {
    double own = frame.smallSize();
    double widest =
        figure.groups().stream()
            .mapToDouble(g -> Type.width(String.valueOf(g.n()), Face.REGULAR, own))
            .max()
            .orElse(0);
    double fitted = Math.min(own, Math.max(SMALLEST_TYPE, own * (frame.slot() - 1) / widest));
    double y = top + Type.height(own) / 2;
    for (int g = 0; g < figure.groups().size(); g++) {
      String n = String.valueOf(figure.groups().get(g).n());
      marks.add(remark(n, frame.centre(g), y, fitted));
    }
    double x = frame.left - TICK - GAP / 2 - Type.width("n", Face.REGULAR, own) / 2;
    marks.add(remark("n", x, y, own));
  }

  private static Mark.Label remark(String text, double x, double y, double size) {
    return Mark.Label.of(text, x, y, size, Face.REGULAR, Ink.MUTED, false, Mark.Role.REMARK);
  }

  /** All that stands above the plot: a line, the legend, names of panels, brackets. */
  private void head() {
    double line = Type.height(size);
    for (int i = 0; i < frame.overhead.size(); i++) {
      String text = frame.overhead.get(i);
      double x = MARGIN + Type.width(text, Face.REGULAR, size) / 2;
      double y = frame.overheadTop() + (i + 0.5) * line;
      marks.add(label(text, x, y, Face.REGULAR, size, false, Mark.Role.REMARK));
    }
    if (frame.legendMoved()) {
      double x = style.arrangement().legendX() * frame.width;
      double y = style.arrangement().legendY() * frame.height;
      marks.addAll(frame.legend.inColumn(x, y, frame.width, frame.height));
    } else {
      marks.addAll(frame.legend.inLines(frame.left, frame.legendTop(), frame.right - frame.left));
    }
    for (int p = 0; p < figure.panels().size(); p++) {
      double room = frame.end(p) - frame.start(p);
      String name = figure.panels().get(p);
      String text = Type.shorten(style.word(name), Face.STRONG, size, room);
      double x = (frame.start(p) + frame.end(p)) / 2;
      double y = frame.panelTop() + line / 2;
      marks.add(label(text, x, y, Face.STRONG, size, false, Mark.Role.GROUP).about(name));
    }
    List<BracketLevels.Placed> placed = frame.brackets.placed(frame);
    int levels = frame.brackets.levels(frame);
    for (BracketLevels.Placed b : placed) {
      double y = frame.bracketTop() + (levels - b.level()) * frame.bracketHeight() - LEG;
      marks.add(new Mark.Line(b.left(), y, b.right(), y, AXIS_WIDTH, Ink.DARK));
      marks.add(new Mark.Line(b.left(), y, b.left(), y + LEG, AXIS_WIDTH, Ink.DARK));
      marks.add(new Mark.Line(b.right(), y, b.right(), y + LEG, AXIS_WIDTH, Ink.DARK));
      double text = y - Type.height(frame.smallSize()) / 2;
      marks.add(remark(b.text(), b.middle(), text, frame.smallSize()));
    }
  }

  /** As long as the least difference that counts, at the right of the plot. */
  private void criticalBar() {
    if (!frame.hasCriticalBar()) {
      return;
    }
    double length = Math.abs(frame.y(frame.axis.low() + figure.critical().value()) - frame.bottom);
    double middle = (frame.top + frame.bottom) / 2;
    double x = frame.right + 2 * GAP;
    upright(x, middle - length / 2, middle + length / 2, GAP / 2);
    double foot = middle + length / 2;
    marks.add(new Mark.Line(x - GAP / 2, foot, x + GAP / 2, foot, WHISKER_WIDTH, Ink.DARK));
    String text =
        Type.shorten(
            style.word(MeansReading.LEAST_DIFFERENCE),
            Face.REGULAR,
            frame.smallSize(),
            frame.bottom - frame.top);
    double beside = x + GAP + Type.height(frame.smallSize()) / 2;
    marks.add(
        Mark.Label.of(
                text,
                beside,
                middle,
                frame.smallSize(),
                Face.REGULAR,
                Ink.MUTED,
                true,
                Mark.Role.REMARK)
            .about(MeansReading.LEAST_DIFFERENCE));
  }

  private static Mark.Label label(
      String text, double x, double y, Face face, double size, boolean turned, Mark.Role role) {
    Ink ink = role == Mark.Role.TICK ? Ink.MUTED : Ink.DARK;
    return Mark.Label.of(text, x, y, size, face, ink, turned, role);
  }
}
