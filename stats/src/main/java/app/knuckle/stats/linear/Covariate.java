package app.knuckle.stats.linear;

/**
 * A covariate: a number for each row.
 *
 * @param name as the user calls it
 * @param values one a row, less the origin; NaN for none; to be read only
 * @param origin what was taken from every value, so that averages far from 0 keep their digits
 */
public record Covariate(String name, double[] values, double origin) {

  /**
   * A covariate as it was measured.
   *
   * @param name as the user calls it
   * @param values one a row, NaN for none; to be read only
   */
  public Covariate(String name, double[] values) {
    this(name, values, 0);
  }
}
