package app.knuckle.study.design;

import java.util.Arrays;
import java.util.List;

/**
 * A part that columns play in an inquiry. What holds for parts of every kind is asked here, so that
 * another part is known wherever columns are checked, renamed, moved, remembered or written. They
 * stand in the order in which files have them.
 */
public enum Part {
  /** What was measured. */
  MEASURED("measured", Holds.OWN),
  /** What was done. */
  TREATMENT("treatments", Holds.OWN),
  /** Where units are more alike. */
  BLOCK("blocks", Holds.OWN),
  /** Treatments laid on whole plots. */
  WHOLE_PLOT("wholePlots", Holds.TREATMENTS),
  /** Treatments laid in strips. */
  STRIP("strips", Holds.TREATMENTS),
  /** Who was seen repeatedly. */
  UNIT("unit", Holds.ONE),
  /** Treatments that vary within a unit. */
  OCCASION("occasions", Holds.TREATMENTS),
  /** What matches pairs. */
  PAIRS("pairs", Holds.ONE),
  /** Measured beforehand. */
  COVARIATE("covariates", Holds.OWN),
  /** How many were tried. */
  OUT_OF("outOf", Holds.ONE),
  /** What counts are out of. */
  EXPOSURE("exposure", Holds.ONE);

  /** Which columns a part takes. */
  private enum Holds {
    /** Columns that play no other part. */
    OWN,
    /** One such column at most. */
    ONE,
    /** Some of the treatments. */
    TREATMENTS
  }

  private final String key;
  private final Holds holds;

  Part(String key, Holds holds) {
    this.key = key;
    this.holds = holds;
  }

  /** The name in files, such as "wholePlots". */
  public String key() {
    return key;
  }

  /** Whether one column at most plays it. */
  public boolean isOfOne() {
    return holds == Holds.ONE;
  }

  /** Whether those who play it are treatments, rather than columns that play it alone. */
  public boolean isOfTreatments() {
    return holds == Holds.TREATMENTS;
  }

  /** Parts of which a column can play one only, in the order in which they are looked at. */
  public static List<Part> alone() {
    return Arrays.stream(values()).filter(part -> !part.isOfTreatments()).toList();
  }

  /** The columns that play any part in an inquiry, each once. */
  public static List<String> columns(Inquiry inquiry) {
    return Arrays.stream(values()).flatMap(part -> inquiry.in(part).stream()).distinct().toList();
  }
}
