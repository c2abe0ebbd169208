package app.knuckle.stats.compare;

import app.knuckle.stats.Quantity;

/**
 * The critical range of a stepwise procedure for one span.
 *
 * @param means how many ranked means the range spans
 * @param q critical studentized range
 * @param difference the same in units of the response; absent when pairs have standard errors of
 *     their own
 */
public record CriticalRange(int means, double q, Quantity difference) {}
