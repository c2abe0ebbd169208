package app.knuckle.study.design;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.prep.Step;
import java.util.ArrayList;
import java.util.List;

/**
 * One question put to one table. A value: a changed question is another inquiry.
 *
 * @param name as the user calls it
 * @param prepare steps of the prep trail, in order
 * @param measured columns, asked one by one
 * @param treatments columns that say what was done to a unit; one at most for now
 * @param alpha level of significance, between 0 and 1
 * @param compare what to compare, by which procedures
 */
public record Inquiry(
    String name,
    List<Step> prepare,
    List<String> measured,
    List<String> treatments,
    double alpha,
    List<Compare> compare) {

  /** The level of significance unless the user says otherwise. */
  public static final double USUAL_ALPHA = 0.05;

  public Inquiry {
    prepare = List.copyOf(prepare);
    measured = List.copyOf(measured);
    treatments = List.copyOf(treatments);
    compare = List.copyOf(compare);
    if (!(alpha > 0 && alpha < 1)) {
      throw new IllegalArgumentException("alpha lies between 0 and 1: " + alpha);
    }
  }

  /**
   * Means to compare.
   *
   * @param of the treatments whose means they are
   * @param procedure how
   */
  public record Compare(List<String> of, Procedure procedure) {
    public Compare {
      of = List.copyOf(of);
    }
  }

  /**
   * An inquiry about one response and one treatment, all pairs by Tukey.
   *
   * @param measured name of the response; null when not chosen
   * @param treatment name of the treatment; null when not chosen
   * @return the inquiry, named after the two
   */
  public static Inquiry about(String measured, String treatment) {
    return new Inquiry("", List.of(), List.of(), List.of(), USUAL_ALPHA, List.of())
        .measuring(measured)
        .treating(treatment);
  }

  /**
   * The same with another name.
   *
   * @param other the name
   * @return the changed inquiry
   */
  public Inquiry named(String other) {
    return new Inquiry(other, prepare, measured, treatments, alpha, compare);
  }

  /**
   * The same about another response.
   *
   * @param column its name; null for none
   * @return the changed inquiry
   */
  public Inquiry measuring(String column) {
    List<String> one = column == null ? List.of() : List.of(column);
    return new Inquiry(name, prepare, one, treatments, alpha, compare);
  }

  /**
   * The same about another treatment; its means are compared as those of the one before were.
   *
   * @param column its name; null for none
   * @return the changed inquiry
   */
  public Inquiry treating(String column) {
    if (column == null) {
      return new Inquiry(name, prepare, measured, List.of(), alpha, List.of());
    }
    List<String> one = List.of(column);
    List<Compare> same =
        compare.isEmpty()
            ? List.of(new Compare(one, Procedure.TUKEY))
            : compare.stream().map(c -> new Compare(one, c.procedure())).toList();
    return new Inquiry(name, prepare, measured, one, alpha, same);
  }

  /**
   * The same at another level of significance.
   *
   * @param level between 0 and 1
   * @return the changed inquiry
   */
  public Inquiry at(double level) {
    return new Inquiry(name, prepare, measured, treatments, level, compare);
  }

  /**
   * The same after another trail.
   *
   * @param steps the trail
   * @return the changed inquiry
   */
  public Inquiry after(List<Step> steps) {
    return new Inquiry(name, steps, measured, treatments, alpha, compare);
  }

  /**
   * The same with one more step at the end of the trail.
   *
   * @param step the step
   * @return the changed inquiry
   */
  public Inquiry then(Step step) {
    List<Step> steps = new ArrayList<>(prepare);
    steps.add(step);
    return after(steps);
  }
}
