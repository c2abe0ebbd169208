package app.knuckle.stats.mixed;

import app.knuckle.stats.mixed.MixedRows.Layout;
import app.knuckle.stats.mixed.UnitErrors.UnitCovariance;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * A model made ready for the search.
 *
 * @param likelihood of the rows
 * @param limits of the parameters
 * @param errors with the term of most levels in them; null unless errors are equal
 */
record Setup(Likelihood likelihood, LikelihoodSearch.Limits limits, GroupedErrors errors) {

  /** Where a correlation is looked for first. */
  private static final double FIRST_CORRELATION = 0.3;

  static Setup of(MixedModel model, MixedRows rows) {
    int terms = model.random().size();
    return switch (model.within()) {
      case EQUAL -> {
        int most =
            IntStream.range(0, terms).reduce(0, (a, b) -> size(model, b) > size(model, a) ? b : a);
        Layout layout = Layout.of(rows, most);
        GroupedErrors errors = new GroupedErrors(rows, layout, most, terms);
        yield new Setup(
            new Likelihood(rows, layout, errors, terms + 1), limits(terms, 1, true), errors);
      }
      case FIRST_ORDER ->
          units(model, rows, new UnitCovariance.FirstOrder(terms), 2, limits(terms, 1, true));
      case OWN_VARIANCES -> {
        int unit =
            IntStream.range(0, terms)
                .filter(k -> Estimability.sameGroups(model.random().get(k), model.units()))
                .findFirst()
                .orElse(-1);
        int occasions = model.occasions().size();
        yield units(
            model,
            rows,
            new UnitCovariance.OwnVariances(unit, terms, occasions),
            occasions,
            limits(terms, occasions, false));
      }
    };
  }

  private static int size(MixedModel model, int term) {
    return model.random().get(term).size();
  }

  private static Setup units(
      MixedModel model,
      MixedRows rows,
      UnitCovariance covariance,
      int own,
      LikelihoodSearch.Limits limits) {
    Layout layout = Layout.of(rows, covariance.term());
    UnitErrors errors =
        new UnitErrors(rows, layout, model.units(), model.occasions().codes(), covariance);
    int parameters = model.random().size() + own;
    return new Setup(new Likelihood(rows, layout, errors, parameters), limits, null);
  }

  private static LikelihoodSearch.Limits limits(int terms, int residuals, boolean positive) {
    boolean[] must = new boolean[terms + residuals];
    Arrays.fill(must, terms, must.length, positive);
    return new LikelihoodSearch.Limits(must.length, must);
  }

  /** Estimates by mean squares; null where there are none. */
  Moments moments(MixedRows rows) {
    return errors == null ? null : Moments.of(rows, likelihood.layout(), errors);
  }

  /** Where to begin: at the estimates by mean squares, and at equal shares. */
  List<double[]> starts(Moments moments) {
    double[] equal = equal(likelihood.parameters(), limits.variances());
    double[] start = moments == null ? null : moments.start();
    boolean usable = start != null && start[start.length - 1] > 0;
    return Stream.of(usable ? start : halves(), equal).toList();
  }

  /** Half for the residual, the other for all else. */
  private double[] halves() {
    double[] t = equal(likelihood.parameters(), limits.variances());
    int terms = likelihood.rows().random.size();
    for (int i = 0; i < limits.variances(); i++) {
      t[i] = i < terms ? 0.5 / terms : 0.5;
    }
    return t;
  }

  /** Equal variances that sum to that of the response. */
  static double[] equal(int parameters, int variances) {
    double[] t = new double[parameters];
    Arrays.fill(t, 0, variances, 1.0 / variances);
    Arrays.fill(t, variances, parameters, FIRST_CORRELATION);
    return t;
  }
}
