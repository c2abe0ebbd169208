package app.knuckle.formats.report;

import app.knuckle.figures.scene.PanelSheets;
import java.util.Locale;

/** The paper that a page is printed on. */
public enum Paper {
  /** ISO 216, 210 by 297 mm. */
  A4("A4", 210, 297),
  /** ANSI Y14.1, 8.5 by 11 inches. */
  LETTER("US letter", 215.9, 279.4);

  /** Left free on every side, in points. */
  public static final double MARGIN = 62;

  private static final double POINTS_PER_MM = 72 / 25.4;

  private final String title;
  private final double widthMm;
  private final double heightMm;

  Paper(String title, double widthMm, double heightMm) {
    this.title = title;
    this.widthMm = widthMm;
    this.heightMm = heightMm;
  }

  /** The name on a control, such as "A4". */
  public String title() {
    return title;
  }

  /** The name in files, such as "letter". */
  public String key() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** How wide a picture is of which two stand side by side, in millimetres. */
  public double halfMm() {
    return (width() - 2 * MARGIN - PanelSheets.GAP) / 2 / POINTS_PER_MM;
  }

  /** How wide a sheet is, upright, in points, 72 an inch. */
  public double width() {
    return widthMm * POINTS_PER_MM;
  }

  /** How tall a sheet is, upright, in points, 72 an inch. */
  public double height() {
    return heightMm * POINTS_PER_MM;
  }
}
