package app.knuckle.figures.scene;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;

/** Small pictures of one kind side by side, each with its title. */
public final class Multiples {

  private static final double SIZE = 11;
  private static final double GAP = 10;

  /** Width to height of a panel that reads well. */
  private static final double SHAPE = 1.5;

  private Multiples() {}

  /**
   * A picture.
   *
   * @param title above it
   * @param layout lays it out in a width and height
   */
  public record Panel(String title, BiFunction<Double, Double, Scene> layout) {}

  /**
   * Lays pictures out.
   *
   * @param panels one or more
   * @param width in points
   * @param height in points
   * @return the scene
   */
  public static Scene of(List<Panel> panels, double width, double height) {
    int k = panels.size();
    int columns = (int) Math.max(1, Math.min(k, Math.round(Math.sqrt(k * width / height / SHAPE))));
    int rows = (k + columns - 1) / columns;
    double line = Type.height(SIZE) + 2;
    double wide = (width - GAP * (columns - 1)) / columns;
    double tall = (height - GAP * (rows - 1)) / rows;
    List<Mark> marks = new ArrayList<>();
    for (int i = 0; i < k; i++) {
      double left = i % columns * (wide + GAP);
      double top = i / columns * (tall + GAP);
      String title = Type.shorten(panels.get(i).title(), Face.STRONG, SIZE, wide);
      marks.add(
          Mark.Label.of(
              title,
              left + Type.width(title, Face.STRONG, SIZE) / 2,
              top + line / 2,
              SIZE,
              Face.STRONG,
              Ink.DARK,
              false,
              Mark.Role.GROUP));
      Scene own = panels.get(i).layout().apply(wide, Math.max(1, tall - line));
      own.marks().forEach(mark -> marks.add(mark.moved(left, top + line)));
    }
    return new Scene(width, height, marks);
  }
}
