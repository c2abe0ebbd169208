package app.knuckle.desktop.look;

/** Ways to look at groups. */
enum LookKind {
  /** Every value as a dot, beside a box. */
  DOTS("Dots and boxes"),
  /** Counts in bins, with a normal curve. */
  HISTOGRAM("Histogram"),
  /** A smooth curve of where values lie. */
  DENSITY("Density"),
  /** Value after value as in the records. */
  ORDER("In order"),
  /** Against the covariate, or another response. */
  AGAINST("Against");

  private final String title;

  LookKind(String title) {
    this.title = title;
  }

  String title() {
    return title;
  }
}
