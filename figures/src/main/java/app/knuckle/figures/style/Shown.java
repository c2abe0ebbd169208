package app.knuckle.figures.style;

import java.util.Map;

/**
 * What stands on a figure.
 *
 * @param whisker what the whiskers show
 * @param above what stands above the means
 * @param values whether the single values are drawn
 * @param counts whether the number of values stands under each group
 * @param criticalBar whether a bar shows the least difference that counts
 * @param finding whether the result of the test stands above the plot
 * @param reference value of a level line; NaN for none
 */
public record Shown(
    Whisker whisker,
    Above above,
    boolean values,
    boolean counts,
    boolean criticalBar,
    boolean finding,
    double reference) {

  /** What stands above the means. */
  public enum Above {
    /** Letters of the comparison, or stars where each mean is compared with a reference. */
    LETTERS("letters or stars"),
    /** Brackets over pairs, with their p. */
    BRACKETS("brackets"),
    /** Nothing. */
    NOTHING("nothing");

    private final String title;

    Above(String title) {
      this.title = title;
    }

    /** The name on a control, such as "brackets". */
    public String title() {
      return title;
    }
  }

  /** SE, letters and single values. */
  static final Shown USUAL =
      new Shown(Whisker.STANDARD_ERROR, Above.LETTERS, true, false, false, false, Double.NaN);

  static Shown of(Settings s) {
    // Before there were brackets a study said only whether letters are shown.
    Above above = s.yes("letters", true) ? Above.LETTERS : Above.NOTHING;
    return new Shown(
        s.one(Whisker.class, "whisker", USUAL.whisker),
        s.one(Above.class, "above", above),
        s.yes("values", USUAL.values),
        s.yes("counts", USUAL.counts),
        s.yes("criticalBar", USUAL.criticalBar),
        s.yes("finding", USUAL.finding),
        s.number("reference", USUAL.reference));
  }

  void into(Map<String, String> settings) {
    settings.put("whisker", whisker.name());
    settings.put("above", above.name());
    settings.put("values", String.valueOf(values));
    settings.put("counts", String.valueOf(counts));
    settings.put("criticalBar", String.valueOf(criticalBar));
    settings.put("finding", String.valueOf(finding));
    settings.put("reference", String.valueOf(reference));
  }

  /**
   * The same with other whiskers.
   *
   * @param other what they show
   * @return the changed choice
   */
  public Shown with(Whisker other) {
    return new Shown(other, above, values, counts, criticalBar, finding, reference);
  }

  /**
   * The same with other marks above the means.
   *
   * @param other what stands there
   * @return the changed choice
   */
  public Shown with(Above other) {
    return new Shown(whisker, other, values, counts, criticalBar, finding, reference);
  }

  /**
   * The same with or without the single values.
   *
   * @param yes whether they are drawn
   * @return the changed choice
   */
  public Shown values(boolean yes) {
    return new Shown(whisker, above, yes, counts, criticalBar, finding, reference);
  }

  /**
   * The same with or without the numbers of values.
   *
   * @param yes whether they stand under the groups
   * @return the changed choice
   */
  public Shown counts(boolean yes) {
    return new Shown(whisker, above, values, yes, criticalBar, finding, reference);
  }

  /**
   * The same with or without the bar of the least difference that counts.
   *
   * @param yes whether it is drawn
   * @return the changed choice
   */
  public Shown criticalBar(boolean yes) {
    return new Shown(whisker, above, values, counts, yes, finding, reference);
  }

  /**
   * The same with or without the result of the test.
   *
   * @param yes whether it stands above the plot
   * @return the changed choice
   */
  public Shown finding(boolean yes) {
    return new Shown(whisker, above, values, counts, criticalBar, yes, reference);
  }

  /**
   * The same with a level line.
   *
   * @param value where it is drawn; NaN for none
   * @return the changed choice
   */
  public Shown reference(double value) {
    return new Shown(whisker, above, values, counts, criticalBar, finding, value);
  }
}
