package app.knuckle.study.design;

import java.util.Arrays;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * A part that columns play in an inquiry. What holds for parts of every kind is asked here, so that
 * another part is known wherever columns are checked, renamed, moved or remembered.
 */
public enum Part {
  /** What was measured. */
  MEASURED("measured", Holds.OWN, d -> d.measured, (d, c) -> d.measured = c),
  /** What was done. */
  TREATMENT("treatments", Holds.OWN, d -> d.treatments, (d, c) -> d.treatments = c),
  /** Where units are more alike. */
  BLOCK("blocks", Holds.OWN, d -> d.blocks, (d, c) -> d.blocks = c),
  /** Measured beforehand. */
  COVARIATE("covariates", Holds.OWN, d -> d.covariates, (d, c) -> d.covariates = c),
  /** Who was seen repeatedly. */
  UNIT("unit", Holds.ONE, d -> list(d.unit), (d, c) -> d.unit = only(c)),
  /** How many were tried. */
  OUT_OF("outOf", Holds.ONE, d -> list(d.outOf), (d, c) -> d.outOf = only(c)),
  /** What counts are out of. */
  EXPOSURE("exposure", Holds.ONE, d -> list(d.exposure), (d, c) -> d.exposure = only(c)),
  /** What matches pairs. */
  PAIRS("pairs", Holds.ONE, d -> list(d.pairs), (d, c) -> d.pairs = only(c)),
  /** Treatments laid on whole plots. */
  WHOLE_PLOT("wholePlots", Holds.TREATMENTS, d -> d.wholePlots, (d, c) -> d.wholePlots = c),
  /** Treatments laid in strips. */
  STRIP("strips", Holds.TREATMENTS, d -> d.strips, (d, c) -> d.strips = c),
  /** Treatments that vary within a unit. */
  OCCASION("occasions", Holds.TREATMENTS, d -> d.occasions, (d, c) -> d.occasions = c);

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
  private final Function<Inquiry.Draft, List<String>> get;
  private final BiConsumer<Inquiry.Draft, List<String>> set;

  Part(
      String key,
      Holds holds,
      Function<Inquiry.Draft, List<String>> get,
      BiConsumer<Inquiry.Draft, List<String>> set) {
    this.key = key;
    this.holds = holds;
    this.get = get;
    this.set = set;
  }

  /**
   * The name in files.
   *
   * @return such as "wholePlots"
   */
  public String key() {
    return key;
  }

  /**
   * Whether one column at most plays it.
   *
   * @return false for a part of several
   */
  public boolean isOfOne() {
    return holds == Holds.ONE;
  }

  /**
   * Whether those who play it are treatments.
   *
   * @return false for a part that a column plays alone
   */
  public boolean isOfTreatments() {
    return holds == Holds.TREATMENTS;
  }

  /**
   * Parts of which a column can play one only.
   *
   * @return in the order in which they are looked at
   */
  public static List<Part> alone() {
    return Arrays.stream(values()).filter(part -> !part.isOfTreatments()).toList();
  }

  /**
   * Who plays any.
   *
   * @param inquiry the question
   * @return names of columns, each once
   */
  public static List<String> columns(Inquiry inquiry) {
    return Arrays.stream(values()).flatMap(part -> part.in(inquiry).stream()).distinct().toList();
  }

  /**
   * Who plays it.
   *
   * @param inquiry the question
   * @return names of columns, in order
   */
  public List<String> in(Inquiry inquiry) {
    return get.apply(inquiry.draft());
  }

  /**
   * Who plays it.
   *
   * @param draft an inquiry in the making
   * @return names of columns, in order
   */
  public List<String> in(Inquiry.Draft draft) {
    return get.apply(draft);
  }

  /**
   * Gives it to others.
   *
   * @param draft an inquiry in the making
   * @param columns names of columns, in order; of a part of one the first counts
   */
  public void give(Inquiry.Draft draft, List<String> columns) {
    set.accept(draft, columns);
  }

  private static List<String> list(String column) {
    return Stream.ofNullable(column).toList();
  }

  private static String only(List<String> columns) {
    return columns.isEmpty() ? null : columns.get(0);
  }
}
