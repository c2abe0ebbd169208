package app.knuckle.figures.spread;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.stats.summary.StemAndLeaf;
import java.util.ArrayList;
import java.util.List;

/**
 * A stem and its leaves as a picture: stems at the left of a rule, a digit a value at its right.
 */
public final class StemsLayout {

  private static final double LARGEST = 18;
  private static final double GAP = 6;

  private StemsLayout() {}

  /**
   * Lays a display out; its type grows smaller until all lines have room.
   *
   * @param display of one value or more
   * @param width in points
   * @param height in points
   * @return the scene
   */
  public static Scene of(StemAndLeaf display, double width, double height) {
    List<Mark> marks = new ArrayList<>();
    int lines = display.lines().size();
    double size = LARGEST;
    while (size > 4 && Type.height(size) * lines > height) {
      size -= 0.5;
    }
    double type = size;
    double stems =
        display.lines().stream()
            .mapToDouble(l -> Type.width(l.stem(), Face.REGULAR, type))
            .max()
            .orElse(0);
    double line = Type.height(size);
    for (int l = 0; l < lines; l++) {
      StemAndLeaf.Line own = display.lines().get(l);
      double y = (l + 0.5) * line;
      double stem = Type.width(own.stem(), Face.REGULAR, size);
      marks.add(label(own.stem(), stems - stem / 2, y, size, Ink.MUTED));
      String leaves =
          Type.shorten(own.leaves(), Face.REGULAR, size, Math.max(1, width - stems - 3 * GAP));
      double wide = Type.width(leaves, Face.REGULAR, size);
      marks.add(label(leaves, stems + 2 * GAP + wide / 2, y, size, Ink.DARK));
    }
    double rule = stems + GAP;
    marks.add(new Mark.Line(rule, 0, rule, lines * line, 0.8, Ink.MUTED));
    return new Scene(width, height, marks);
  }

  private static Mark.Label label(String text, double x, double y, double size, Ink ink) {
    return Mark.Label.of(text, x, y, size, Face.REGULAR, ink, false, Mark.Role.TICK);
  }
}
