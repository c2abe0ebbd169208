package app.knuckle.stats.linear;

/**
 * A covariate: a number for each row.
 *
 * @param name as the user calls it
 * @param values one a row, NaN for none; to be read only
 */
public record Covariate(String name, double[] values) {}
