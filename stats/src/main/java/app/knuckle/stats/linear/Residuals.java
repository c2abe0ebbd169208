package app.knuckle.stats.linear;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Alike;
import app.knuckle.stats.Quantity;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * What a fit leaves of a response, row by row, and the test of the row that stands out most.
 *
 * <p>A studentised residual is scaled by its own standard error from a fit without its row, {@code
 * t = r sqrt((df - 1) / (SSE (1 - h) - r^2))}, and follows Student's t on {@code df - 1}; NaN where
 * the row has its fitted value to itself, or without it nothing is left.
 *
 * @param rows which took part, from 0, rising
 * @param fitted what the model says of each
 * @param residuals value less fitted value
 * @param leverages how far each row decides over its own fitted value, from 0 to 1
 * @param studentised residuals over their own standard errors; NaN where there is none
 * @param df degrees of freedom of these; may be 0 or less, where there are none
 * @param within how far apart values may be and still be alike, by rounding
 * @param marginal what is left when only the fixed part of a mixed model is taken off; null of a
 *     model without random effects
 * @param counts the same over what a distribution of counts gives; null of what was not counted
 * @see "Cook, R. D. and Weisberg, S. (1982). Residuals and Influence in Regression, 2.2.1 and
 *     equation 2.2.15"
 */
public record Residuals(
    int[] rows,
    double[] fitted,
    double[] residuals,
    double[] leverages,
    double[] studentised,
    double df,
    double within,
    double[] marginal,
    OfCounts counts) {

  /** With this much leverage a row has its fitted value to itself. */
  public static final double ALL_ITS_OWN = 1 - 1e-10;

  /** A difference of two numbers is lost below this share of them. */
  private static final double EXACT = 1e-12;

  /**
   * What another model leaves, whose rows have no fitted value to themselves.
   *
   * @param rows which took part, rising
   * @param fitted what the model says of each
   * @param residuals what is left of each
   * @param marginal what is left of each when only its fixed part is taken off
   * @param studentised residuals over their standard errors; NaN for none
   * @param df degrees of freedom by which these are judged
   * @return the residuals
   */
  public static Residuals given(
      int[] rows,
      double[] fitted,
      double[] residuals,
      double[] marginal,
      double[] studentised,
      double df) {
    double[] values = new double[rows.length];
    Arrays.setAll(values, i -> fitted[i] + residuals[i]);
    return new Residuals(
        rows.clone(),
        fitted.clone(),
        residuals.clone(),
        new double[rows.length],
        studentised.clone(),
        df,
        Alike.within(values),
        marginal.clone(),
        null);
  }

  /**
   * Residuals of counts over what their distribution gives them.
   *
   * @param pearson over the standard deviation
   * @param deviance signed roots of the rows' shares of the deviance
   */
  public record OfCounts(double[] pearson, double[] deviance) {}

  /**
   * What a model of counts leaves.
   *
   * @param rows which took part, rising
   * @param fitted expected count of each
   * @param residuals count less the expected one
   * @param leverages from 0 to 1
   * @param studentised by a fit without the row; NaN for none
   * @param counts residuals over what the distribution gives
   * @param df degrees of freedom of the studentised residuals; 0 where the spread is known
   * @return the residuals
   */
  public static Residuals ofCounts(
      int[] rows,
      double[] fitted,
      double[] residuals,
      double[] leverages,
      double[] studentised,
      OfCounts counts,
      double df) {
    Residuals all = given(rows, fitted, residuals, residuals, studentised, df);
    return new Residuals(
        all.rows,
        all.fitted,
        all.residuals,
        leverages.clone(),
        all.studentised,
        df,
        all.within,
        null,
        counts);
  }

  /**
   * Takes the residuals of a fit of one response.
   *
   * @param fit the fit
   * @param values the response, row by row; NaN for rows that took no part
   * @return the residuals of the rows that took part, in order
   */
  public static Residuals of(Fit fit, double[] values) {
    Model model = fit.model();
    List<Factor> factors = model.factors();
    List<Covariate> covariates = model.covariates();
    int[] rows =
        IntStream.range(0, values.length).filter(row -> takesPart(model, values, row)).toArray();
    double[] fitted = new double[rows.length];
    double[] residuals = new double[rows.length];
    double[] leverages = new double[rows.length];
    double[] z = fit.coordinates(0);
    Map<List<Integer>, double[]> known = new HashMap<>();
    for (int i = 0; i < rows.length; i++) {
      int row = rows[i];
      int[] levels = factors.stream().mapToInt(f -> f.codes()[row]).toArray();
      double[] at = covariates.stream().mapToDouble(c -> c.values()[row]).toArray();
      double[] v =
          at.length > 0
              ? fit.vectorOfRow(levels, at)
              : known.computeIfAbsent(
                  Arrays.stream(levels).boxed().toList(), k -> fit.vectorOfRow(levels, at));
      double mean = 0;
      double h = 0;
      for (int k = 0; k < v.length; k++) {
        mean += v[k] * z[k];
        h += v[k] * v[k];
      }
      residuals[i] = values[row] - fit.origin(0) - mean;
      fitted[i] = fit.origin(0) + mean;
      leverages[i] = Math.min(1, h);
    }
    Fit.Sum error = fit.error();
    double within = Alike.within(Arrays.stream(rows).mapToDouble(row -> values[row]).toArray());
    double[] studentised = new double[rows.length];
    for (int i = 0; i < rows.length; i++) {
      double r = residuals[i];
      double room = error.of(0) * (1 - leverages[i]);
      double left = room - r * r;
      // Without the row the fit is exact, but for rounding, where no more than that is left.
      boolean exact = !(left > EXACT * room + 2 * Math.abs(r) * within + within * within);
      boolean own = leverages[i] > ALL_ITS_OWN || error.df() < 2 || exact;
      studentised[i] = own ? Double.NaN : r * Math.sqrt((error.df() - 1) / left);
    }
    return new Residuals(
        rows, fitted, residuals, leverages, studentised, error.df() - 1.0, within, null, null);
  }

  private static boolean takesPart(Model model, double[] values, int row) {
    return !Double.isNaN(values[row])
        && model.factors().stream().allMatch(f -> f.codes()[row] >= 0)
        && model.covariates().stream().noneMatch(c -> Double.isNaN(c.values()[row]));
  }

  /**
   * How far apart residuals may be and still be alike: by rounding of the values, or by any amount
   * where the model has as many parameters as there are values. Returns at least 0.
   */
  public double alikeWithin() {
    return df < 0 ? Double.POSITIVE_INFINITY : within;
  }

  /**
   * The row that stands out most: its place among the rows that took part; -1 if no residual can be
   * studentised.
   */
  public int farthest() {
    int at = -1;
    for (int i = 0; i < rows.length; i++) {
      if (!Double.isNaN(studentised[i])
          && (at < 0 || Math.abs(studentised[i]) > Math.abs(studentised[at]))) {
        at = i;
      }
    }
    return at;
  }

  /**
   * Probability that one given row stands out as far as the farthest does: absent if no residual
   * can be studentised.
   */
  public Quantity p() {
    int at = farthest();
    return at < 0
        ? Quantity.absent(Absence.NO_RESIDUAL_HAS_SE)
        : Quantity.of(2 * TDistribution.of(df).survivalProbability(Math.abs(studentised[at])));
  }

  /** Probability that any row stands out as far: Bonferroni over the rows. Returns at most 1. */
  public Quantity adjustedP() {
    return p().map(p -> Math.min(1, p * rows.length));
  }
}
