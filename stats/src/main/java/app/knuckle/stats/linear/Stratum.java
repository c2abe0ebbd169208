package app.knuckle.stats.linear;

import app.knuckle.stats.Quantity;
import java.util.Arrays;

/**
 * A layer of an experiment with an error of its own: whole plots, or subplots; units, or occasions.
 * Most experiments have one.
 *
 * @param error what its error is called: "error", "whole-plot error"
 * @param fit the model of this layer
 * @param response which response of the fit
 * @param scale by how much the response was enlarged for the fit, so that its squares count every
 *     row
 */
public record Stratum(String error, Fit fit, int response, double scale) {

  /**
   * Degrees of freedom of the error.
   *
   * @return at least 0
   */
  public double errorDf() {
    return fit.error().df();
  }

  /**
   * Sum of squares of the error.
   *
   * @return at least 0
   */
  public double errorSs() {
    return fit.error().of(response);
  }

  /**
   * The error mean square.
   *
   * @return absent without degrees of freedom
   */
  public Quantity errorMs() {
    return Effect.errorMeanSquare(errorDf(), errorSs());
  }

  /**
   * What the model of this layer leaves of its values.
   *
   * @param values those it was fitted to, enlarged
   * @return value less fitted value, on the scale of the response
   */
  public double[] deviations(double[] values) {
    return Arrays.stream(Residuals.of(fit, values).residuals()).map(r -> r / scale).toArray();
  }
}
