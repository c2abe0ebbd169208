package app.knuckle.desktop.figure;

import app.knuckle.figures.means.MeansFigure;

/** Sizes that a figure is wanted in. */
enum Preset {
  /** One column of a journal. */
  ONE_COLUMN("One column", 85, 62, 8),
  /** Both columns of a journal. */
  TWO_COLUMNS("Two columns", 174, 105, 9),
  /** A slide of 16 to 9. */
  SLIDE("Slide", 254, 143, 18),
  /** Half the width of a poster. */
  POSTER("Poster", 400, 270, 28);

  private final String title;
  private final double width;
  private final double height;
  private final double type;

  Preset(String title, double width, double height, double type) {
    this.title = title;
    this.width = width;
    this.height = height;
    this.type = type;
  }

  String title() {
    return title;
  }

  MeansFigure.Style apply(MeansFigure.Style style) {
    return style.sized(width, height, type);
  }
}
