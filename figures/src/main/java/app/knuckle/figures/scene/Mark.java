package app.knuckle.figures.scene;

import java.awt.geom.Rectangle2D;
import java.util.regex.Pattern;

/**
 * One thing drawn, in points (1/72 inch) from the top left corner. It knows what it stands for, so
 * that a click needs no second geometry.
 */
public sealed interface Mark {

  /** Stands for no group or no row. */
  int NONE = -1;

  /** The box that the mark covers, in points. */
  Rectangle2D box();

  /**
   * The same elsewhere.
   *
   * @param right points to the right
   * @param down points downward
   * @return the mark
   */
  Mark moved(double right, double down);

  /**
   * A filled rectangle.
   *
   * @param x left edge
   * @param y top edge
   * @param width at least 0
   * @param height at least 0
   * @param fill ink inside
   * @param edge ink of the outline; null for none
   * @param group the group it stands for, or {@link #NONE}
   */
  record Bar(double x, double y, double width, double height, Ink fill, Ink edge, int group)
      implements Mark {
    @Override
    public Rectangle2D box() {
      return new Rectangle2D.Double(x, y, width, height);
    }

    @Override
    public Mark moved(double right, double down) {
      return new Bar(x + right, y + down, width, height, fill, edge, group);
    }
  }

  /**
   * A circle.
   *
   * @param x centre
   * @param y centre
   * @param radius above 0
   * @param fill ink inside; null for a hollow one
   * @param edge ink of the outline; null for none
   * @param group the group it stands for, or {@link #NONE}
   * @param row the row of the table it stands for, from 0, or {@link #NONE}
   */
  record Dot(double x, double y, double radius, Ink fill, Ink edge, int group, int row)
      implements Mark {
    @Override
    public Rectangle2D box() {
      return new Rectangle2D.Double(x - radius, y - radius, 2 * radius, 2 * radius);
    }

    @Override
    public Mark moved(double right, double down) {
      return new Dot(x + right, y + down, radius, fill, edge, group, row);
    }
  }

  /**
   * A straight line.
   *
   * @param x1 start
   * @param y1 start
   * @param x2 end
   * @param y2 end
   * @param width of the stroke
   * @param ink its colour
   */
  record Line(double x1, double y1, double x2, double y2, double width, Ink ink) implements Mark {
    @Override
    public Rectangle2D box() {
      return new Rectangle2D.Double(
          Math.min(x1, x2) - width / 2,
          Math.min(y1, y2) - width / 2,
          Math.abs(x2 - x1) + width,
          Math.abs(y2 - y1) + width);
    }

    @Override
    public Mark moved(double right, double down) {
      return new Line(x1 + right, y1 + down, x2 + right, y2 + down, width, ink);
    }
  }

  /**
   * A line of text.
   *
   * @param text what it says
   * @param x where its middle stands
   * @param y where its middle stands
   * @param width of the text before it is turned
   * @param height of the text before it is turned
   * @param size of the type, in points
   * @param face regular or strong
   * @param ink its colour
   * @param turned whether it reads from bottom to top
   * @param role what it is in the picture
   * @param subject the text of the records that it stands for, which own words may replace; empty
   *     for none
   */
  record Label(
      String text,
      double x,
      double y,
      double width,
      double height,
      double size,
      Face face,
      Ink ink,
      boolean turned,
      Role role,
      String subject)
      implements Mark {

    /** Control characters have no shape, and no place in an XML file: they are blanks here. */
    public Label {
      text = CONTROL.matcher(text).replaceAll(" ");
    }

    private static final Pattern CONTROL = Pattern.compile("[\\p{Cntrl}\\uFFFE\\uFFFF]|\\p{Cs}");

    /**
     * The same, standing for a text that own words may replace.
     *
     * @param original the text as the records have it
     * @return the label
     */
    public Label about(String original) {
      return new Label(text, x, y, width, height, size, face, ink, turned, role, original);
    }

    /**
     * A text as wide and high as it is set.
     *
     * @param text to write
     * @param x its middle
     * @param y its middle
     * @param size of the type
     * @param face of the type
     * @param ink its colour
     * @param turned whether it runs upward
     * @param role what it is for
     * @return the label
     */
    public static Label of(
        String text,
        double x,
        double y,
        double size,
        Face face,
        Ink ink,
        boolean turned,
        Role role) {
      double width = Type.width(text, face, size);
      return new Label(text, x, y, width, Type.height(size), size, face, ink, turned, role, "");
    }

    @Override
    public Rectangle2D box() {
      double w = turned ? height : width;
      double h = turned ? width : height;
      return new Rectangle2D.Double(x - w / 2, y - h / 2, w, h);
    }

    @Override
    public Mark moved(double right, double down) {
      return new Label(
          text, x + right, y + down, width, height, size, face, ink, turned, role, subject);
    }
  }

  /** What a label is in the picture. */
  enum Role {
    /** A number on the value axis. */
    TICK,
    /** The name of a group. */
    GROUP,
    /** The title of an axis. */
    TITLE,
    /** Letters of a mean. */
    LETTERS,
    /** A name of the legend. */
    LEGEND,
    /** A remark, such as a number of values or the p of a pair. */
    REMARK
  }
}
