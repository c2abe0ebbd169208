package app.knuckle.figures.spread;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.GroupLabels;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Swarm;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.scene.ValueAxis;
import app.knuckle.stats.summary.Summary;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.DoubleStream;

/** Lays out dots and a box for every group on one scale. */
public final class SpreadLayout {

  private static final double MARGIN = 4;
  private static final double GAP = 6;
  private static final double SIZE = 12;
  private static final double MOST_NAMES = 0.4;
  private static final double LINES_PER_TICK = 3.2;
  private static final double LARGEST_DOT = 3.5;

  /** More dots than this in one group are drawn smaller. */
  private static final double MANY = 40;

  private static final double SMALLEST_DOT = 1;
  private static final double WIDEST_BOX = 22;

  /** Tukey (1977): whiskers of a box reach to the last value within 1.5 box lengths. */
  private static final double FENCE = 1.5;

  private SpreadLayout() {}

  /**
   * Lays out the picture.
   *
   * @param picture with one group or more
   * @param width in points
   * @param height in points
   * @return the scene
   */
  public static Scene of(SpreadPicture picture, double width, double height) {
    List<Mark> marks = new ArrayList<>();
    double line = Type.height(SIZE);
    DoubleStream all = picture.groups().stream().flatMapToDouble(g -> Arrays.stream(g.values()));
    double[] sorted = all.sorted().toArray();
    double min = sorted.length == 0 ? 0 : sorted[0];
    double max = sorted.length == 0 ? 1 : sorted[sorted.length - 1];
    int ticks = (int) Math.max(2, height / (line * LINES_PER_TICK));
    ValueAxis axis = ValueAxis.holding(min, max, false, ticks);
    double tickWidth =
        axis.ticks().stream()
            .mapToDouble(t -> Type.width(axis.text(t), Face.REGULAR, SIZE))
            .max()
            .orElse(0);
    double left = MARGIN + tickWidth + GAP;
    double right = width - MARGIN;
    double slot = (right - left) / Math.max(1, picture.groups().size());
    List<String> names = picture.groups().stream().map(SpreadPicture.Group::name).toList();
    GroupLabels labels = GroupLabels.fit(names, slot, SIZE, MOST_NAMES * height);
    double top = MARGIN + line / 2;
    double bottom = height - MARGIN - labels.height() - GAP;
    for (double tick : axis.ticks()) {
      double y = axis.place(tick, bottom, top);
      String text = axis.text(tick);
      double w = Type.width(text, Face.REGULAR, SIZE);
      marks.add(new Mark.Line(left, y, right, y, 0.8, Ink.FAINT));
      marks.add(
          Mark.Label.of(
              text, left - GAP - w / 2, y, SIZE, Face.REGULAR, Ink.MUTED, false, Mark.Role.TICK));
    }
    for (int g = 0; g < picture.groups().size(); g++) {
      double centre = left + (g + 0.5) * slot;
      marks.addAll(labels.at(g, centre, bottom + GAP));
      group(marks, picture, g, centre, slot, v -> axis.place(v, bottom, top));
    }
    return new Scene(width, height, marks);
  }

  private static void group(
      List<Mark> marks,
      SpreadPicture picture,
      int index,
      double centre,
      double slot,
      java.util.function.DoubleUnaryOperator y) {
    SpreadPicture.Group group = picture.groups().get(index);
    double box = Math.min(WIDEST_BOX, slot * 0.22);
    double boxLeft = centre + slot * 0.2 - box / 2;
    Summary s = group.summary().summary();
    if (s.n() > 1) {
      double q1 = s.lowerQuartile().value();
      double q3 = s.upperQuartile().value();
      double reach = FENCE * (q3 - q1);
      double low = Arrays.stream(group.values()).filter(v -> v >= q1 - reach).min().orElse(q1);
      double high = Arrays.stream(group.values()).filter(v -> v <= q3 + reach).max().orElse(q3);
      double middle = boxLeft + box / 2;
      marks.add(
          new Mark.Line(middle, y.applyAsDouble(high), middle, y.applyAsDouble(low), 1, Ink.DEEP));
      double top = y.applyAsDouble(q3);
      marks.add(
          new Mark.Bar(boxLeft, top, box, y.applyAsDouble(q1) - top, Ink.MIST, Ink.DEEP, index));
      double median = y.applyAsDouble(s.median().value());
      marks.add(new Mark.Line(boxLeft, median, boxLeft + box, median, 2, Ink.DEEP));
      double mean = y.applyAsDouble(s.mean().value());
      marks.add(new Mark.Dot(middle, mean, 2.6, Ink.PAPER, Ink.DARK, index, Mark.NONE));
    }
    if (!picture.dots()) {
      return;
    }
    double radius =
        Math.max(SMALLEST_DOT, Math.min(LARGEST_DOT, LARGEST_DOT * MANY / Math.max(MANY, s.n())));
    double[] places = Arrays.stream(group.values()).map(y).toArray();
    double[] sideways = Swarm.spread(places, radius, 0, slot * 0.2);
    Ink ink = s.n() == 1 ? Ink.AMBER : Ink.DEEP;
    for (int i = 0; i < places.length; i++) {
      marks.add(
          new Mark.Dot(
              centre - slot * 0.16 + sideways[i],
              places[i],
              radius,
              ink,
              Ink.PAPER,
              index,
              group.rows()[i]));
    }
  }
}
