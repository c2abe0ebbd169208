package app.knuckle.stats.mixed;

import app.knuckle.stats.Quantity;

/**
 * A variance of a mixed model.
 *
 * @param term the random term; null for the residual
 * @param occasion whose residual it is; null where all have one
 * @param variance in squared units of the response, at least 0
 * @param precision how well it is known
 * @param limits by the likelihood
 * @param share of the sum of all variances
 * @param test that it is 0; null for a residual
 * @param moment its estimate by mean squares, which may be below 0
 */
public record Component(
    RandomTerm term,
    Occasion occasion,
    double variance,
    Precision precision,
    Limits limits,
    Share share,
    Test test,
    Quantity moment) {

  /** Whether it was estimated at its limit: true for a variance of 0. */
  public boolean atZero() {
    return variance == 0;
  }

  /**
   * An occasion.
   *
   * @param column that names occasions
   * @param level of it
   */
  public record Occasion(String column, String level) {}

  /**
   * Precision by the expected information.
   *
   * @param se standard error
   * @param df Satterthwaite's degrees of freedom
   * @param low lower limit by chi-squared
   * @param high upper limit
   */
  public record Precision(Quantity se, Quantity df, Quantity low, Quantity high) {}

  /**
   * The values that the likelihood does not speak against.
   *
   * @param low lower limit; 0 where nothing speaks against 0
   * @param high upper limit
   */
  public record Limits(Quantity low, Quantity high) {}

  /**
   * A share of all variances.
   *
   * @param share from 0 to 1
   * @param se its standard error
   * @param reliability how well the levels of the term can be distinguished, from 0 to 1
   */
  public record Share(Quantity share, Quantity se, Quantity reliability) {}

  /**
   * The likelihood-ratio test that a component is 0, which is at the boundary of what is possible.
   *
   * @param statistic at least 0
   * @param p half the tail of chi-squared with one degree of freedom; 1 at the boundary
   * @see "Self, S. G. and Liang, K.-Y. (1987). Asymptotic properties of maximum likelihood
   *     estimators under nonstandard conditions. J. Amer. Statist. Assoc. 82, 605-610"
   */
  public record Test(Quantity statistic, Quantity p) {}
}
