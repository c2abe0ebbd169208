package app.knuckle.figures.means;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.GroupLabels;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Legend;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.scene.ValueAxis;
import app.knuckle.figures.style.Form;
import app.knuckle.figures.style.Palette;
import app.knuckle.figures.style.Scale;
import app.knuckle.figures.style.Shown;
import app.knuckle.figures.style.Style;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Where everything in a figure of means lies: first what stands around the plot, then the room that
 * is left. Every group owns a slot of it.
 */
final class MeansFrame {

  static final double MARGIN = 6;
  static final double GAP = 4;
  static final double TICK = 3;

  /** Share of a slot that a bar fills. */
  static final double BAR_SHARE = 0.68;

  static final double LARGEST_POINT = 3;

  /** Type of remarks, such as numbers of values, over that of names. */
  private static final double SMALL = 0.85;

  /** Names of groups may take this share of the height before they are cut. */
  private static final double MOST_NAMES = 0.36;

  /** Distance between ticks that reads well, in lines of type. */
  private static final double LINES_PER_TICK = 3.2;

  /** Room between clusters, in widths of a group. */
  private static final double CLUSTER_GAP = 0.7;

  /** Room between panels, in widths of a group. */
  private static final double PANEL_GAP = 0.6;

  /** Height of a line over the size of its type. */
  private static final double LINE = 1.2;

  /** The plot has this share of the height at least. */
  private static final double LEAST_PLOT = 0.2;

  /** A step of making the type smaller. */
  private static final double SMALLER = 0.9;

  /** Type is not made smaller than this, in points. */
  private static final double SMALLEST_TYPE = 2;

  private static final int MOST_OVERHEAD = 2;
  private static final int FEWEST_TICKS = 3;
  private static final int FIRST_GUESS = 6;
  private static final int MOST_ROUNDS = 4;

  final MeansFigure figure;
  final double size;
  final double width;
  final double height;
  final List<String> overhead;
  final Legend legend;
  final BracketLevels brackets;
  private final double[] offsets;
  private final double units;
  double left;
  double right;
  double top;
  double bottom;
  ValueAxis axis;
  GroupLabels names;

  /**
   * A frame whose plot has room: where too much stands around it for the paper, the type is made
   * smaller.
   */
  static MeansFrame of(MeansFigure figure) {
    double size = figure.style().paper().typeSize();
    MeansFrame frame = new MeansFrame(figure, size);
    while (frame.bottom - frame.top < LEAST_PLOT * frame.height && size > SMALLEST_TYPE) {
      size *= SMALLER;
      frame = new MeansFrame(figure, size);
    }
    return frame;
  }

  private MeansFrame(MeansFigure figure, double size) {
    this.figure = figure;
    this.size = size;
    Style style = figure.style();
    width = style.paper().width();
    height = style.paper().height();
    overhead = lines(figure.overhead(), width - 2 * MARGIN, MOST_OVERHEAD);
    legend =
        new Legend(
            figure.series().stream().map(style::word).toList(),
            figure.series(),
            IntStream.range(0, figure.series().size()).mapToObj(this::keyInk).toList(),
            size);
    brackets = new BracketLevels(figure, smallSize());
    offsets = new double[figure.groups().size()];
    units = offsets();
    axis = axis(FIRST_GUESS);
    // The ticks depend on the height and their width on the ticks: it settles in a round or two.
    double tickWidth = -1;
    for (int round = 0; round < MOST_ROUNDS && tickWidth() > tickWidth; round++) {
      tickWidth = tickWidth();
      frame(tickWidth);
    }
  }

  private Ink keyInk(int series) {
    Form form = figure.style().form();
    Palette palette = figure.style().palette();
    boolean areas = form == Form.BARS || form == Form.BOXES;
    return areas ? palette.area(series) : palette.line(series);
  }

  private double offsets() {
    double cursor = 0;
    MeansFigure.Group before = null;
    for (int g = 0; g < offsets.length; g++) {
      MeansFigure.Group now = figure.groups().get(g);
      boolean first = before == null;
      if (figure.isClustered() && (first || before.cluster() != now.cluster())) {
        cursor += first ? CLUSTER_GAP / 2 : CLUSTER_GAP;
      }
      if (!first && before.panel() != now.panel()) {
        cursor += PANEL_GAP;
      }
      offsets[g] = cursor + 0.5;
      cursor++;
      before = now;
    }
    return cursor + (figure.isClustered() ? CLUSTER_GAP / 2 : 0);
  }

  private List<String> lines(String text, double room, int most) {
    if (text.isEmpty()) {
      return List.of();
    }
    List<String> all = Type.wrap(text, Face.REGULAR, size, room);
    String rest = String.join(" ", all.subList(Math.min(most, all.size()) - 1, all.size()));
    List<String> kept = all.subList(0, Math.min(most, all.size()) - 1);
    return java.util.stream.Stream.concat(kept.stream(), java.util.stream.Stream.of(rest))
        .map(l -> Type.shorten(l, Face.REGULAR, size, room))
        .toList();
  }

  private double tickWidth() {
    return axis.ticks().stream()
        .mapToDouble(t -> Type.width(axis.text(t), Face.REGULAR, size))
        .max()
        .orElse(0);
  }

  private void frame(double tickWidth) {
    Style style = figure.style();
    double line = Type.height(size);
    right = width - MARGIN - (hasCriticalBar() ? line + 4 * GAP : 0);
    left = MARGIN + titleLines().size() * line + GAP + tickWidth + TICK + GAP / 2;
    double slot = slot();
    boolean clustered = figure.isClustered();
    List<String> under =
        clustered
            ? figure.clusters()
            : figure.groups().stream().map(MeansFigure.Group::name).toList();
    names =
        GroupLabels.fit(
            under.stream().map(style::word).toList(),
            clustered ? (smallestCluster() + CLUSTER_GAP) * slot : slot,
            size,
            MOST_NAMES * height);
    bottom = height - MARGIN - line - GAP - names.height() - GAP;
    bottom -= style.shown().counts() ? countsHeight() : 0;
    double letterRoom =
        figure.groups().stream().mapToDouble(g -> letterHeight(g, slot)).max().orElse(0);
    top = plotHead() + (letterRoom > 0 ? letterRoom + GAP + LARGEST_POINT : line / 2);
    axis = axis(Math.max(FEWEST_TICKS, (int) ((bottom - top) / (line * LINES_PER_TICK)) + 1));
  }

  /** Height of the line of numbers of values, clear of the number of the lowest tick. */
  private double countsHeight() {
    return Type.height(smallSize()) + Type.height(size) / 2;
  }

  /** Where the names under the plot begin. */
  double namesTop() {
    return bottom + GAP + (figure.style().shown().counts() ? countsHeight() : 0);
  }

  /** Where the line above the plot begins. */
  double overheadTop() {
    return MARGIN;
  }

  /** Where the legend begins. */
  double legendTop() {
    return overheadTop() + overhead.size() * Type.height(size) + (overhead.isEmpty() ? 0 : GAP);
  }

  /** Where the names of the panels begin. */
  double panelTop() {
    int lines = legendMoved() ? 0 : legend.lines(right - left);
    return legendTop() + (lines > 0 ? lines * Type.height(size) + GAP : 0);
  }

  /** Where the brackets begin. */
  double bracketTop() {
    return panelTop() + (figure.panels().isEmpty() ? 0 : Type.height(size) + GAP / 2);
  }

  private double plotHead() {
    return bracketTop() + brackets.levels(this) * bracketHeight();
  }

  /** Height of a bracket with its text. */
  double bracketHeight() {
    return Type.height(smallSize()) + GAP;
  }

  boolean legendMoved() {
    return !Double.isNaN(figure.style().arrangement().legendX());
  }

  double smallSize() {
    return size * SMALL;
  }

  boolean hasCriticalBar() {
    return figure.critical().exists() && !axisIsLogarithmic();
  }

  /** Width of a group. */
  double slot() {
    return (right - left) / units;
  }

  double centre(int group) {
    return left + offsets[group] * slot();
  }

  /** Left end of a panel, or of the plot. */
  double start(int panel) {
    return figure.panels().isEmpty()
        ? left
        : Math.max(left, centre(figure.ofPanel(panel).min().orElse(0)) - edge());
  }

  /** Right end of a panel, or of the plot. */
  double end(int panel) {
    return figure.panels().isEmpty()
        ? right
        : Math.min(right, centre(figure.ofPanel(panel).max().orElse(0)) + edge());
  }

  private double edge() {
    return slot() * (0.5 + (figure.isClustered() ? CLUSTER_GAP / 2 : 0));
  }

  private long smallestCluster() {
    return IntStream.range(0, figure.clusters().size())
        .mapToLong(c -> figure.ofCluster(c).count())
        .min()
        .orElse(1);
  }

  List<String> titleLines() {
    double room = height - MARGIN - legendTop();
    String title = figure.style().word(figure.valueTitle());
    return Type.wrap(title, Face.REGULAR, size, room).stream()
        .map(l -> Type.shorten(l, Face.REGULAR, size, room))
        .toList();
  }

  private boolean axisIsLogarithmic() {
    return figure.style().scale().logarithmic()
        && figure.groups().stream().allMatch(g -> lowest(g) > 0);
  }

  private ValueAxis axis(int ticks) {
    Style style = figure.style();
    Scale scale = style.scale();
    double min = Double.POSITIVE_INFINITY;
    double max = Double.NEGATIVE_INFINITY;
    for (MeansFigure.Group g : figure.groups()) {
      min = Math.min(min, lowest(g));
      max = Math.max(max, highest(g));
    }
    if (figure.groups().isEmpty()) {
      min = 0;
      max = 1;
    }
    double line = style.shown().reference();
    if (!Double.isNaN(line)) {
      min = Math.min(min, line);
      max = Math.max(max, line);
    }
    if (axisIsLogarithmic() && min > 0) {
      double low = scale.low() > 0 ? Math.min(min, scale.low()) : min;
      return ValueAxis.logarithmic(
          low, Double.isNaN(scale.high()) ? max : Math.max(max, scale.high()));
    }
    if (figure.critical().exists()) {
      max = Math.max(max, min + Math.abs(figure.critical().value()));
    }
    ValueAxis usual = ValueAxis.holding(min, max, scale.fromZero(style.form()), ticks);
    if (Double.isNaN(scale.low()) && Double.isNaN(scale.high()) && Double.isNaN(scale.step())) {
      return usual;
    }
    // Limits never cut off what is shown.
    double low = Double.isNaN(scale.low()) ? usual.low() : Math.min(min, scale.low());
    double high = Double.isNaN(scale.high()) ? usual.high() : Math.max(max, scale.high());
    return low < high ? ValueAxis.between(low, high, scale.step(), ticks) : usual;
  }

  double highest(MeansFigure.Group g) {
    double values = showsValues() ? Arrays.stream(g.values()).max().orElse(g.mean()) : g.mean();
    double box = isBox(g) ? g.summary().max().value() : g.mean();
    return Math.max(Math.max(values, box), g.mean() + g.reach().above());
  }

  double lowest(MeansFigure.Group g) {
    double values = showsValues() ? Arrays.stream(g.values()).min().orElse(g.mean()) : g.mean();
    double box = isBox(g) ? g.summary().min().value() : g.mean();
    return Math.min(Math.min(values, box), g.mean() - g.reach().below());
  }

  boolean showsValues() {
    Form form = figure.style().form();
    return figure.style().shown().values() || form == Form.VALUES || form == Form.UNITS;
  }

  boolean isBox(MeansFigure.Group g) {
    return figure.style().form() == Form.BOXES
        && g.summary() != null
        && g.summary().lowerQuartile().exists();
  }

  boolean isBars() {
    return figure.style().form() == Form.BARS;
  }

  double y(double value) {
    return axis.place(value, bottom, top);
  }

  /** Where bars stand: at zero, else at the lower end of the axis. */
  double base() {
    boolean zero = !axis.logarithmic() && axis.low() <= 0 && axis.high() >= 0;
    return zero ? y(0) : axis.high() < 0 ? top : bottom;
  }

  /** All letters are turned when those of one group are wider than its slot. */
  boolean lettersTurned(double slot) {
    return figure.groups().stream()
        .anyMatch(g -> Type.width(g.letters(), Face.STRONG, size) > slot - 1);
  }

  double letterSize(double slot) {
    return lettersTurned(slot) ? Math.min(size, slot / LINE) : size;
  }

  double letterHeight(MeansFigure.Group g, double slot) {
    if (g.letters().isEmpty() || figure.style().shown().above() != Shown.Above.LETTERS) {
      return 0;
    }
    double own = letterSize(slot);
    return lettersTurned(slot) ? Type.width(g.letters(), Face.STRONG, own) : Type.height(own);
  }
}
