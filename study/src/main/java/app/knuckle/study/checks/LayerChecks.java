package app.knuckle.study.checks;

import app.knuckle.stats.Alike;
import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.stats.linear.Term;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.findings.CheckedOn;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.findings.Results;
import app.knuckle.study.prep.Frame;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Checks of what an experiment of several layers leaves: row by row in the finest layer, once each
 * unit has its own mean, and unit by unit in the coarser ones.
 */
public final class LayerChecks {

  /** Multiplications that are done before the window notices. */
  private static final double MOST_WORK = 2e8;

  /** With fewer degrees of freedom the deviations are bound to each other, and show no shape. */
  private static final int FEWEST_DF = 3;

  private final Residuals finest;
  private final List<GroupCheck> coarser = new ArrayList<>();

  /** How far apart values may be and still be alike. */
  private final double within;

  private LayerChecks(Residuals finest, double within) {
    this.finest = finest;
    this.within = within;
  }

  /**
   * Values of the units that took part.
   *
   * @param values one a row, NaN for none
   * @param units who each row belongs to
   * @param leftOut codes of units that took no part
   * @return NaN for those as well
   */
  public static double[] without(double[] values, Factor units, List<Integer> leftOut) {
    double[] whole = values.clone();
    for (int row = 0; row < whole.length; row++) {
      whole[row] = leftOut.contains(units.codes()[row]) ? Double.NaN : whole[row];
    }
    return whole;
  }

  /**
   * Starts with the finest layer.
   *
   * @param parts the columns
   * @param values of the response, row by row; NaN where a row took no part
   * @param units factors whose every level has a mean of its own
   * @param covariates that vary within units
   * @param terms of that layer
   * @return checks without those of coarser layers
   */
  public static LayerChecks of(
      Parts parts,
      double[] values,
      List<Factor> units,
      List<Covariate> covariates,
      List<Term> terms) {
    List<Factor> factors = new ArrayList<>(units);
    terms.stream()
        .flatMap(t -> t.names().stream())
        .distinct()
        .forEach(name -> factors.add(parts.factor(name)));
    List<Term> all = new ArrayList<>();
    units.forEach(unit -> all.add(Term.of(unit.name())));
    covariates.forEach(covariate -> all.add(Term.of(covariate.name())));
    all.addAll(terms);
    double columns = units.stream().mapToInt(Factor::size).sum();
    return new LayerChecks(
        parts.rows() * columns * columns > MOST_WORK
            ? null
            : Residuals.of(
                Fit.of(new Model(factors, covariates, all, true), List.of(values)), values),
        Alike.within(values));
  }

  /**
   * Adds a coarser layer.
   *
   * @param layer whose error names the check
   * @param names of its units
   * @param deviations of their means from what the model says of them
   * @return these checks
   */
  public LayerChecks layer(Stratum layer, List<String> names, double[] deviations) {
    if (layer.errorDf() >= FEWEST_DF) {
      List<GroupCheck> checks =
          GroupChecks.ofOne(new CheckedOn.Layer(layer.error()), deviations, within, false);
      checks.set(0, checks.get(0).ofUnits(names, Arrays.stream(deviations).boxed().toList()));
      coarser.addAll(checks);
    }
    return this;
  }

  /**
   * The analysis with these checks.
   *
   * @param analysis without them
   * @param frame in whose rows residuals stand
   * @return the analysis
   */
  public Results on(Results analysis, Frame frame) {
    List<GroupCheck> checks = new ArrayList<>();
    if (finest != null) {
      checks.addAll(
          GroupChecks.ofOne(
              CheckedOn.Whole.RESIDUALS, finest.residuals(), finest.alikeWithin(), false));
      checks.add(GroupChecks.farthest(finest, frame));
    }
    checks.addAll(coarser);
    return analysis.checking(checks, Optional.ofNullable(finest));
  }
}
