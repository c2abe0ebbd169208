package app.knuckle.stats.checks;

import app.knuckle.stats.Outcome;
import app.knuckle.stats.Quantity;
import java.util.List;

/**
 * Fences around the quartiles.
 *
 * @param n number of values
 * @param lowerQuartile a quarter of the values lie below
 * @param upperQuartile a quarter of the values lie above
 * @param inner one and a half times their distance outside of them; empty without values
 * @param outer three times their distance outside of them; empty without values
 * @param mild values between the two
 * @param extreme values beyond the outer ones
 */
public record Fences(
    int n,
    Quantity lowerQuartile,
    Quantity upperQuartile,
    List<Double> inner,
    List<Double> outer,
    List<Double> mild,
    List<Double> extreme)
    implements Outcome {}
