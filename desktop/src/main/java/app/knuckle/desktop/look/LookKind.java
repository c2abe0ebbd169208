package app.knuckle.desktop.look;

/** Ways to look at groups. */
enum LookKind {
  /** Every value as a dot, beside a box. */
  DOTS("Dots and boxes"),
  /** Every value as a dot, those alike on top of each other. */
  STACKED("Stacked dots"),
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

  /** Whether values are put into bins, whose width can be chosen. */
  boolean hasBins() {
    return this == HISTOGRAM || this == STACKED;
  }
}
