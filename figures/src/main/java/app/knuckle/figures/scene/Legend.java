package app.knuckle.figures.scene;

import java.util.ArrayList;
import java.util.List;

/**
 * What the colours mean: keys with names, in lines above a plot or in a column anywhere.
 *
 * @param names as shown
 * @param subjects the texts of the records that they stand for
 * @param inks one a name
 * @param size of the type, in points
 */
public record Legend(List<String> names, List<String> subjects, List<Ink> inks, double size) {

  /** Side of a key over the size of the type. */
  private static final double KEY = 0.9;

  private static final double GAP = 4;

  /** A column of names is cut at this share of the width of the picture. */
  private static final double MOST_COLUMN = 0.45;

  /**
   * How many lines the names take.
   *
   * @param room width of a line, in points
   * @return 0 without names
   */
  public int lines(double room) {
    int lines = names.isEmpty() ? 0 : 1;
    double x = 0;
    for (String name : names) {
      double w = Math.min(room, advance(name));
      if (x > 0 && x + w > room) {
        lines++;
        x = 0;
      }
      x += w;
    }
    return lines;
  }

  private double advance(String name) {
    return Type.width(name, Face.REGULAR, size) + size * KEY + 3 * GAP;
  }

  /**
   * Names in lines.
   *
   * @param left edge
   * @param top edge
   * @param room width of a line
   * @return keys and names
   */
  public List<Mark> inLines(double left, double top, double room) {
    List<Mark> marks = new ArrayList<>();
    double line = Type.height(size);
    double x = 0;
    double y = top + line / 2;
    for (int i = 0; i < names.size(); i++) {
      double w = Math.min(room, advance(names.get(i)));
      if (x > 0 && x + w > room) {
        x = 0;
        y += line;
      }
      entry(marks, i, left + x, y, w - size * KEY - 3 * GAP);
      x += w;
    }
    return marks;
  }

  /**
   * Names under one another, moved so far that all stay on the picture.
   *
   * @param x wished left edge
   * @param y wished top edge
   * @param width of the picture
   * @param height of the picture
   * @return keys and names
   */
  public List<Mark> inColumn(double x, double y, double width, double height) {
    List<Mark> marks = new ArrayList<>();
    double line = Type.height(size);
    double most = MOST_COLUMN * width;
    double wide = names.stream().mapToDouble(n -> Math.min(most, advance(n))).max().orElse(0);
    double left = Math.max(GAP, Math.min(x, width - wide));
    double top = Math.max(GAP, Math.min(y, height - line * names.size() - GAP));
    for (int i = 0; i < names.size(); i++) {
      entry(marks, i, left, top + (i + 0.5) * line, wide - size * KEY - 3 * GAP);
    }
    return marks;
  }

  private void entry(List<Mark> marks, int i, double x, double y, double room) {
    double side = size * KEY;
    String name = Type.shorten(names.get(i), Face.REGULAR, size, Math.max(size, room));
    double w = Type.width(name, Face.REGULAR, size);
    marks.add(new Mark.Bar(x, y - side / 2, side, side, inks.get(i), Ink.MUTED, Mark.NONE));
    marks.add(
        Mark.Label.of(
                name,
                x + side + GAP + w / 2,
                y,
                size,
                Face.REGULAR,
                Ink.DARK,
                false,
                Mark.Role.LEGEND)
            .about(subjects.get(i)));
  }
}
