package app.knuckle.stats.anova;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.linear.Effect;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.stats.linear.Term;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.statistics.distribution.FDistribution;

/**
 * An analysis of variance.
 *
 * @param squares kind of the sums of squares
 * @param rows sources in order, each layer followed by its error
 * @param totalDf degrees of freedom of all values about their mean
 * @param totalSs sum of squares of all values about their mean
 * @param fit how well the model fits
 */
public record AnovaTable(
    Squares squares, List<Row> rows, double totalDf, double totalSs, ModelFit fit) {

  public AnovaTable {
    rows = List.copyOf(rows);
  }

  /**
   * A row of the table.
   *
   * @param source its name
   * @param term null for an error
   * @param effect null for an error, or when it cannot be estimated
   * @param error the layer it is tested in, or whose error it is
   */
  public record Row(String source, Term term, Effect effect, Stratum error) {

    /** Whether this is the error of a layer: false for a term. */
    public boolean isError() {
      return term == null;
    }
  }

  /**
   * How well a model fits.
   *
   * @param n rows that took part
   * @param grandMean mean of all of them
   * @param residualSd square root of the (last) error mean square
   * @param cvPercent residual SD in percent of the grand mean's size
   * @param rSquared share of the total that the model explains
   * @param adjustedRSquared the same, corrected for its degrees of freedom
   * @param modelF test of the whole model
   * @param modelP its probability
   * @param modelDf its degrees of freedom
   * @param errorDf degrees of freedom of the (last) error
   * @param rank independent coefficients, the general mean counted
   */
  public record ModelFit(
      int n,
      double grandMean,
      Quantity residualSd,
      Quantity cvPercent,
      Quantity rSquared,
      Quantity adjustedRSquared,
      Quantity modelF,
      Quantity modelP,
      double modelDf,
      double errorDf,
      int rank) {}

  /** The layer that is judged against last: the error of the last row. */
  public Stratum finest() {
    return rows.get(rows.size() - 1).error();
  }

  /**
   * The table of a fit with one layer.
   *
   * @param layer the fit
   * @param squares kind of the sums of squares
   * @param alpha level of significance
   * @return the table
   */
  public static AnovaTable of(Stratum layer, Squares squares, double alpha) {
    Fit fit = layer.fit();
    int r = layer.response();
    double explained = fit.explained().of(r);
    double total = explained + layer.errorSs();
    List<Row> rows = new ArrayList<>();
    for (Term term : fit.model().terms()) {
      rows.add(row(layer, term, squares, total, alpha));
    }
    rows.add(new Row(layer.error(), null, null, layer));
    return new AnovaTable(squares, rows, fit.rows() - 1.0, total, modelFit(layer, total, alpha));
  }

  /** The row of one term; a term without degrees of freedom cannot be estimated. */
  static Row row(Stratum layer, Term term, Squares squares, double total, double alpha) {
    Fit.Sum sum = layer.fit().squares(term, squares);
    Effect effect =
        sum == null || sum.df() == 0
            ? null
            : layer.sum() != null && !layer.errorMs().exists()
                ? Effect.untested(sum.df(), sum.of(layer.response()), total, layer.errorMs().why())
                : Effect.against(
                    sum.df(),
                    sum.of(layer.response()),
                    layer.errorDf(),
                    layer.errorSs(),
                    total,
                    layer.fit().rows(),
                    alpha);
    return new Row(term.source(), term, effect, layer);
  }

  private static ModelFit modelFit(Stratum layer, double total, double alpha) {
    Fit fit = layer.fit();
    Fit.Sum explained = fit.explained();
    double grand = fit.origin(layer.response()) + fit.grandDeviation(layer.response());
    Quantity sd = layer.errorMs().map(Math::sqrt);
    Effect model =
        explained.df() == 0
            ? null
            : Effect.against(
                explained.df(),
                explained.of(layer.response()),
                layer.errorDf(),
                layer.errorSs(),
                total,
                fit.rows(),
                alpha);
    Quantity none = Quantity.absent(Absence.NO_TERM);
    double totalMs = total / (fit.rows() - 1.0);
    return new ModelFit(
        fit.rows(),
        grand,
        sd,
        sd.percentOf(grand, Absence.GRAND_MEAN_ZERO),
        model == null ? none : model.etaSquared(),
        total > 0 ? layer.errorMs().map(e -> 1 - e / totalMs) : Quantity.absent(Absence.ALL_EQUAL),
        model == null ? none : model.f(),
        model == null ? none : model.p(),
        explained.df(),
        layer.errorDf(),
        fit.rank());
  }

  /**
   * The row of a term.
   *
   * @param term any
   * @return null if there is none
   */
  public Row row(Term term) {
    return rows.stream()
        .filter(r -> r.term() != null && r.term().isSameAs(term))
        .findFirst()
        .orElse(null);
  }

  /**
   * P of the test of a term.
   *
   * @param term any
   * @return absent where no row of the table tests it
   */
  public Quantity pOf(Term term) {
    Row row = row(term);
    return row == null || row.effect() == null
        ? Quantity.absent(Absence.NO_OVERALL_TEST)
        : row.effect().p();
  }

  /**
   * P of an F with both degrees of freedom multiplied, as for departures from sphericity.
   *
   * @param f observed
   * @param df of the effect
   * @param errorDf of the error
   * @param factor from 0 to 1
   * @return the probability
   */
  public static double correctedP(double f, double df, double errorDf, double factor) {
    return FDistribution.of(factor * df, factor * errorDf).survivalProbability(f);
  }
}
