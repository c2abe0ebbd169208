package app.knuckle.stats.anova;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.stats.linear.Term;
import java.util.ArrayList;
import java.util.List;

/** Fits of the layers of an experiment, and their common table. */
public final class LayerFits {

  private LayerFits() {}

  /**
   * The layer of whole units.
   *
   * @param factors of both layers, so that a mean means the same in both
   * @param own how many of them, from the first, belong to this layer
   * @param terms of this layer
   * @param covariates means of units; their terms stand among those of this layer
   * @param values one a unit
   * @return the fit
   */
  public static Fit between(
      List<Factor> factors,
      int own,
      List<Term> terms,
      List<Covariate> covariates,
      double[] values) {
    if (own > factors.size()) {
      throw new IllegalArgumentException(own + " of " + factors.size() + " factors");
    }
    return Fit.of(new Model(factors, covariates, terms, true), List.of(values));
  }

  /**
   * The layer of parts, on deviations from the means of their units.
   *
   * @param factors of both layers
   * @param terms of this layer
   * @param covariates deviations from the means of their units, each a term before the treatments
   * @param deviations one a part of a unit
   * @param units how many units there are, whose means were taken out
   * @return the fit
   */
  public static Fit within(
      List<Factor> factors,
      List<Term> terms,
      List<Covariate> covariates,
      double[] deviations,
      int units) {
    List<Term> all = new ArrayList<>();
    covariates.forEach(c -> all.add(Term.of(c.name())));
    all.addAll(terms);
    return Fit.of(new Model(factors, covariates, all, false), List.of(deviations), units);
  }

  /**
   * The table of all layers.
   *
   * @param layers the coarser first
   * @param squares kind of the sums of squares
   * @param alpha level of significance
   * @param values how many there are
   * @param grandMean of all values
   * @return the table
   */
  public static AnovaTable table(
      List<Stratum> layers, Squares squares, double alpha, int values, double grandMean) {
    double total = 0;
    for (Stratum layer : layers) {
      total += layer.fit().explained().of(0) + layer.fit().error().of(0);
    }
    List<AnovaTable.Row> rows = new ArrayList<>();
    for (Stratum layer : layers) {
      for (Term term : layer.fit().model().terms()) {
        rows.add(AnovaTable.row(layer, term, squares, total, alpha));
      }
      if (layer.sum() == null) {
        rows.add(new AnovaTable.Row(layer.error(), null, null, layer));
      }
    }
    Stratum finest = layers.get(layers.size() - 1);
    Quantity sd = finest.errorMs().map(Math::sqrt);
    Quantity none = Quantity.absent(Absence.SEVERAL_LAYERS);
    return new AnovaTable(
        squares,
        rows,
        values - 1.0,
        total,
        new AnovaTable.ModelFit(
            values,
            grandMean,
            sd,
            sd.percentOf(grandMean, Absence.GRAND_MEAN_ZERO),
            none,
            none,
            none,
            none,
            Double.NaN,
            finest.errorDf(),
            0));
  }
}
