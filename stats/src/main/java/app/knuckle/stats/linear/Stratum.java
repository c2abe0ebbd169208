package app.knuckle.stats.linear;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import java.util.Arrays;
import java.util.List;

/**
 * A layer of an experiment with an error of its own: whole plots, or subplots; units, or occasions.
 * Most experiments have one.
 *
 * @param error what its error is called: "error", "whole-plot error"
 * @param fit the model of this layer
 * @param response which response of the fit
 * @param scale by how much the response was enlarged for the fit, so that its squares count every
 *     row
 * @param sum the errors of other layers that its own is estimated by; null if it has its own
 */
public record Stratum(String error, Fit fit, int response, double scale, ErrorSum sum) {

  /**
   * A layer with an error of its own.
   *
   * @param error what its error is called
   * @param fit the model of this layer
   * @param response which response of the fit
   * @param scale by how much the response was enlarged
   */
  public Stratum(String error, Fit fit, int response, double scale) {
    this(error, fit, response, scale, null);
  }

  /**
   * A sum of mean squares, with signs, of the layers after this one: it estimates the error of a
   * layer that has no replicates.
   *
   * @param weights one a layer after this one
   * @param ms the sum, which may be 0 or less
   * @param df its degrees of freedom
   * @see "Satterthwaite, F. E. (1946). Biometrics Bulletin 2, 110-114"
   */
  public record ErrorSum(double[] weights, double ms, double df) {

    /**
     * The sum for some layers.
     *
     * @param layers whose mean squares are weighed
     * @param weights one a layer
     * @return the sum
     */
    public static ErrorSum of(List<Stratum> layers, double... weights) {
      double ms = 0;
      double squares = 0;
      for (int i = 0; i < weights.length; i++) {
        double part = weights[i] * layers.get(i).errorMs().value();
        ms += part;
        squares += part * part / layers.get(i).errorDf();
      }
      return new ErrorSum(weights, ms, ms * ms / squares);
    }

    boolean exists() {
      return ms > 0 && df > 0;
    }
  }

  /** Degrees of freedom of the error: at least 0. */
  public double errorDf() {
    return sum == null ? fit.error().df() : sum.exists() ? sum.df() : 0;
  }

  /** Sum of squares of the error: at least 0. */
  public double errorSs() {
    return sum == null ? fit.error().of(response) : sum.exists() ? sum.ms() * sum.df() : 0;
  }

  /**
   * The error mean square: absent without degrees of freedom, or where a sum of errors is not above
   * 0.
   */
  public Quantity errorMs() {
    return sum == null || sum.exists()
        ? Effect.errorMeanSquare(errorDf(), errorSs())
        : Quantity.absent(Absence.ERRORS_NOT_ABOVE_ZERO);
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
