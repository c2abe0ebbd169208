package app.knuckle.stats.mixed;

import app.knuckle.stats.mixed.MixedRows.Layout;
import java.util.Arrays;

/**
 * What a mixed model leaves of each row, in units of the response.
 *
 * @param rows which rows of the records, in order
 * @param fitted the fixed part and the predicted effects
 * @param conditional the response less these
 * @param marginal the response less the fixed part alone
 * @param studentised conditional residuals by their own standard errors; NaN where there is none
 * @see "Nobre, J. S. and Singer, J. M. (2007). Residual analysis for linear mixed models.
 *     Biometrical Journal 49, 863-875"
 */
public record MixedResiduals(
    int[] rows, double[] fitted, double[] conditional, double[] marginal, double[] studentised) {

  static MixedResiduals of(
      Likelihood likelihood, double[] t, double[] coefficients, MixedModel model) {
    MixedRows rows = likelihood.rows();
    Layout layout = likelihood.layout();
    int n = rows.size();
    double[][] effects = new double[rows.random.size()][];
    Arrays.setAll(
        effects,
        k ->
            Effects.of(likelihood, t, k).effects().stream()
                .mapToDouble(u -> u / rows.scale)
                .toArray());
    Eliminated p = likelihood.eliminate(likelihood.errors().at(t), t, true);
    Errors.RowProducts products = likelihood.errors().rows(t);
    double[] columns = new double[layout.size()];
    double[] fitted = new double[n];
    double[] conditional = new double[n];
    double[] marginal = new double[n];
    double[] studentised = new double[n];
    for (int i = 0; i < n; i++) {
      double fixed = 0;
      for (int j = 0; j < coefficients.length; j++) {
        fixed += rows.fixed[i][j] * coefficients[j];
      }
      double drawn = 0;
      for (int k = 0; k < effects.length; k++) {
        drawn += effects[k][rows.level(k, i)];
      }
      marginal[i] = (rows.response[i] - fixed) * rows.scale;
      conditional[i] = (rows.response[i] - fixed - drawn) * rows.scale;
      fitted[i] = rows.fit.origin(0) + (fixed + drawn) * rows.scale;
      double error = error(t, model, rows.row[i]);
      double variance = error * error * precision(p, products, i, columns);
      studentised[i] =
          variance > 0 ? conditional[i] / (Math.sqrt(variance) * rows.scale) : Double.NaN;
    }
    return new MixedResiduals(rows.row, fitted, conditional, marginal, studentised);
  }

  /** The diagonal element of P. */
  private static double precision(
      Eliminated p, Errors.RowProducts products, int i, double[] columns) {
    double own = products.of(i, columns);
    int[] out = p.out();
    double sum = 0;
    for (int a = 0; a < out.length; a++) {
      double row = 0;
      for (int b = 0; b < out.length; b++) {
        row += p.inverse().get(a, b) * columns[out[b]];
      }
      sum += row * columns[out[a]];
    }
    return own - sum;
  }

  /** The variance of the error of a row. */
  private static double error(double[] t, MixedModel model, int row) {
    int terms = model.random().size();
    return switch (model.within()) {
      case EQUAL, FIRST_ORDER -> t[terms];
      case OWN_VARIANCES -> t[terms + model.occasions().codes()[row]];
    };
  }
}
