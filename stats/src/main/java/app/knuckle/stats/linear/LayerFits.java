package app.knuckle.stats.linear;

import app.knuckle.stats.Quantity;
import java.util.ArrayList;
import java.util.List;

/** Fits of the two layers of an experiment, and their common table. */
public final class LayerFits {

  private LayerFits() {}

  /**
   * The layer of whole units.
   *
   * @param factors of both layers, so that a mean means the same in both
   * @param own how many of them, from the first, belong to this layer
   * @param terms of this layer
   * @param values one a unit
   * @return the fit
   */
  public static Fit between(List<Factor> factors, int own, List<Term> terms, double[] values) {
    if (own > factors.size()) {
      throw new IllegalArgumentException(own + " of " + factors.size() + " factors");
    }
    return Fit.of(new Model(factors, List.of(), terms, true), List.of(values));
  }

  /**
   * The layer of parts, on deviations from the means of their units.
   *
   * @param factors of both layers
   * @param terms of this layer
   * @param deviations one a part of a unit
   * @param units how many units there are, whose means were taken out
   * @return the fit
   */
  public static Fit within(List<Factor> factors, List<Term> terms, double[] deviations, int units) {
    return Fit.of(new Model(factors, List.of(), terms, false), List.of(deviations), units);
  }

  /**
   * The table of both layers.
   *
   * @param units the coarser layer
   * @param parts the finer layer
   * @param squares kind of the sums of squares
   * @param alpha level of significance
   * @param n units
   * @param each parts in each
   * @param grandMean of all values
   * @return the table
   */
  public static AnovaTable table(
      Stratum units,
      Stratum parts,
      Squares squares,
      double alpha,
      int n,
      int each,
      double grandMean) {
    double total =
        units.fit().explained().of(0)
            + units.errorSs()
            + parts.fit().explained().of(0)
            + parts.errorSs();
    List<AnovaTable.Row> rows = new ArrayList<>();
    for (Stratum layer : List.of(units, parts)) {
      for (Term term : layer.fit().model().terms()) {
        rows.add(AnovaTable.row(layer, term, squares, total, alpha));
      }
      rows.add(new AnovaTable.Row(layer.error(), null, null, layer));
    }
    Quantity sd = parts.errorMs().map(Math::sqrt);
    Quantity none = Quantity.absent("a layout of two layers has no single fit");
    return new AnovaTable(
        squares,
        rows,
        n * (double) each - 1,
        total,
        new AnovaTable.ModelFit(
            n * each,
            grandMean,
            sd,
            grandMean == 0
                ? Quantity.absent("the grand mean is 0")
                : sd.map(s -> 100 * s / Math.abs(grandMean)),
            none,
            none,
            none,
            none,
            Double.NaN,
            parts.errorDf(),
            0));
  }
}
