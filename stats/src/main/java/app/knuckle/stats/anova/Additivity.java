package app.knuckle.stats.anova;

import app.knuckle.stats.Absence;
import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.stats.linear.SumTest;
import app.knuckle.stats.linear.Term;

/**
 * Whether blocks and treatments add up: the square of the fitted values as one more covariate.
 *
 * @see "Tukey, J. W. (1949). One degree of freedom for non-additivity. Biometrics 5, 232-242"
 */
public final class Additivity {

  private Additivity() {}

  /**
   * The test.
   *
   * @param test of the one degree of freedom
   * @param remainderSs what is left of the error
   */
  public record Result(SumTest test, double remainderSs) {}

  /**
   * Tests a fit without covariates.
   *
   * @param layer the fit
   * @param values the response, one a row
   * @return the test
   */
  public static Result of(Stratum layer, double[] values) {
    Fit fit = layer.fit();
    int[] levels = new int[fit.model().factors().size()];
    double[] squares = new double[values.length];
    double grand = fit.grandDeviation(layer.response());
    for (int row = 0; row < values.length; row++) {
      boolean whole = !Double.isNaN(values[row]);
      for (int f = 0; f < levels.length; f++) {
        levels[f] = fit.model().factors().get(f).codes()[row];
        whole &= levels[f] >= 0;
      }
      // About the grand mean, which changes the square by a linear part that the model holds.
      double d = whole ? fit.fitted(layer.response(), levels, new double[0]) - grand : Double.NaN;
      squares[row] = d * d;
    }
    Covariate covariate = new Covariate("squared fitted values", squares);
    Fit more = Fit.of(fit.model().with(covariate), java.util.List.of(values));
    Fit.Sum sum = more.squares(Term.of(covariate.name()), Squares.AFTER_ALL);
    SumTest test =
        SumTest.of(
            sum.df(),
            sum.of(0),
            more.error().df(),
            more.error().of(0),
            Absence.NOTHING_LEFT_TO_TEST);
    return new Result(test, more.error().of(0));
  }
}
