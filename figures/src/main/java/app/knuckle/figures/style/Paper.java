package app.knuckle.figures.style;

import java.util.Map;

/**
 * The size of a figure.
 *
 * @param widthMm in millimetres, brought between the smallest and the largest
 * @param heightMm in millimetres, likewise
 * @param typeSize size of the type in points
 */
public record Paper(double widthMm, double heightMm, double typeSize) {

  /** Smallest side that can still be read, in millimetres. */
  public static final double SMALLEST_MM = 40;

  /** Largest side, about a poster's, in millimetres. */
  public static final double LARGEST_MM = 600;

  /** Points in a millimetre. */
  private static final double POINTS_PER_MM = 72 / 25.4;

  /** Type that is smaller cannot be read on paper, in points. */
  public static final double SMALLEST_TYPE = 4;

  /** Type of a poster's title, in points. */
  public static final double LARGEST_TYPE = 60;

  /** More groups than this are crowded in one column of a journal. */
  private static final int ONE_COLUMN = 9;

  /** More groups than this are crowded over the width of its page. */
  private static final int WHOLE_PAGE = 18;

  /** What a further group takes in millimetres, so that its name and letters stay readable. */
  private static final double GROUP_MM = 8;

  /** A figure does not grow wider by itself. */
  private static final double WIDEST_MM = 360;

  public Paper {
    widthMm = Math.min(LARGEST_MM, Math.max(SMALLEST_MM, widthMm));
    heightMm = Math.min(LARGEST_MM, Math.max(SMALLEST_MM, heightMm));
    typeSize = Math.min(LARGEST_TYPE, Math.max(SMALLEST_TYPE, typeSize));
  }

  /**
   * One journal column, two for many groups, wider for more.
   *
   * @param groups how many there are
   * @return the usual size
   */
  public static Paper usual(int groups) {
    if (groups <= ONE_COLUMN) {
      return new Paper(85, 62, 8);
    }
    double more = Math.max(0, groups - WHOLE_PAGE) * GROUP_MM;
    return new Paper(Math.min(WIDEST_MM, 170 + more), 100, 8);
  }

  static Paper of(Settings s, Paper otherwise) {
    return new Paper(
        s.number("widthMm", otherwise.widthMm),
        s.number("heightMm", otherwise.heightMm),
        s.number("typeSize", otherwise.typeSize));
  }

  void into(Map<String, String> settings) {
    settings.put("widthMm", String.valueOf(widthMm));
    settings.put("heightMm", String.valueOf(heightMm));
    settings.put("typeSize", String.valueOf(typeSize));
  }

  /** The width, in points. */
  public double width() {
    return widthMm * POINTS_PER_MM;
  }

  /** The height, in points. */
  public double height() {
    return heightMm * POINTS_PER_MM;
  }
}
