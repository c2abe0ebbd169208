package app.knuckle.desktop.figure;

import app.knuckle.figures.style.Paper;

/** Sizes that a figure is wanted in. */
enum Preset {
  /** One column of a journal. */
  ONE_COLUMN("One column", new Paper(85, 62, 8)),
  /** Both columns of a journal. */
  TWO_COLUMNS("Two columns", new Paper(174, 105, 9)),
  /** A slide of 16 to 9. */
  SLIDE("Slide", new Paper(254, 143, 18)),
  /** Half the width of a poster. */
  POSTER("Poster", new Paper(400, 270, 28));

  private final String title;
  private final Paper paper;

  Preset(String title, Paper paper) {
    this.title = title;
    this.paper = paper;
  }

  String title() {
    return title;
  }

  Paper paper() {
    return paper;
  }
}
