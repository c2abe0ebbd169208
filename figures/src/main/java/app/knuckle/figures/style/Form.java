package app.knuckle.figures.style;

/** The kinds of figures. */
public enum Form {
  /** Bars from zero to the mean. */
  BARS("Bars"),
  /** A point at the mean. */
  POINTS("Points"),
  /** Points joined within each colour: the profile of an interaction. */
  LINES("Lines"),
  /** Median and quartiles of the values as measured, with the mean. */
  BOXES("Boxes"),
  /** The single values and a line at their mean. */
  VALUES("Values"),
  /** The values of each unit or block joined from group to group. */
  UNITS("Units joined"),
  /** The response against the first covariate, with a line for each group. */
  SLOPES("Slopes"),
  /** The differences of all pairs against zero. */
  PAIRS("Pairs"),
  /** The units on the first two canonical variates of several responses. */
  CANONICAL("Canonical variates");

  private final String title;

  Form(String title) {
    this.title = title;
  }

  /** The name on a control, such as "Bars". */
  public String title() {
    return title;
  }

  /**
   * Whether it shows a mean for each group, side by side: false for slopes, pairs and canonical
   * variates.
   */
  public boolean isOfGroups() {
    return ordinal() < SLOPES.ordinal();
  }
}
