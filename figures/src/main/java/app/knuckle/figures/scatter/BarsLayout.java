package app.knuckle.figures.scatter;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.GroupLabels;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.scene.ValueAxis;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Lays out bars in a given size. */
public final class BarsLayout {

  private static final double SIZE = 10.5;
  private static final double GAP = 4;
  private static final double WIDEST = 40;
  private static final double SHARE = 0.66;
  private static final double MOST_NAMES = 0.45;
  private static final int TICKS = 3;

  private BarsLayout() {}

  /**
   * Lays out the picture.
   *
   * @param bars one or more
   * @param width in points
   * @param height in points
   * @return the scene
   */
  public static Scene of(Bars bars, double width, double height) {
    List<Mark> marks = new ArrayList<>();
    double line = Type.height(SIZE);
    double most = Arrays.stream(bars.heights()).filter(h -> h > 0).max().orElse(1);
    ValueAxis axis = ValueAxis.holding(0, most, true, TICKS);
    double widest =
        axis.ticks().stream()
            .mapToDouble(t -> Type.width(axis.text(t), Face.REGULAR, SIZE))
            .max()
            .orElse(0);
    double left = line + GAP + widest + GAP;
    double right = width - GAP;
    double slot = (right - left) / Math.max(1, bars.names().size());
    GroupLabels labels = GroupLabels.fit(bars.names(), slot, SIZE, MOST_NAMES * height);
    double top = line / 2 + GAP;
    double bottom = height - labels.height() - 2 * GAP;
    for (double tick : axis.ticks()) {
      double y = axis.place(tick, bottom, top);
      marks.add(new Mark.Line(left, y, right, y, 0.6, Ink.FAINT));
      double w = Type.width(axis.text(tick), Face.REGULAR, SIZE);
      marks.add(label(axis.text(tick), left - GAP - w / 2, y, false));
    }
    marks.add(label(bars.title(), line / 2, (top + bottom) / 2, true));
    double wide = Math.min(WIDEST, slot * SHARE);
    for (int i = 0; i < bars.heights().length; i++) {
      double centre = left + (i + 0.5) * slot;
      marks.addAll(labels.at(i, centre, bottom + GAP));
      if (bars.heights()[i] > 0) {
        double y = axis.place(bars.heights()[i], bottom, top);
        Ink ink = bars.marked()[i] ? Ink.AMBER : Ink.TIDE;
        marks.add(new Mark.Bar(centre - wide / 2, y, wide, bottom - y, ink, ink, i));
      }
    }
    marks.add(new Mark.Line(left, bottom, right, bottom, 0.8, Ink.MUTED));
    return new Scene(width, height, marks);
  }

  private static Mark.Label label(String text, double x, double y, boolean turned) {
    return Mark.Label.of(text, x, y, SIZE, Face.REGULAR, Ink.MUTED, turned, Mark.Role.TICK);
  }
}
