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
  /** A digit a value. */
  STEMS("Stem and leaf"),
  /** Ordered values against those of a normal distribution. */
  QUANTILES("Normal quantiles"),
  /** Value after value as in the records. */
  ORDER("In order"),
  /** Against the covariate, or another response. */
  AGAINST("Against"),
  /** Every column of numbers against every other. */
  TOGETHER("Each with each");

  private final String title;

  LookKind(String title) {
    this.title = title;
  }

  String title() {
    return title;
  }

  /** Whether the picture comes with a table of its own, in place of the summaries. */
  boolean hasTable() {
    return this == HISTOGRAM || this == STACKED || this == QUANTILES || this == TOGETHER;
  }
}
