/**
 * Distributions that the library of distributions lacks: the studentized range and the noncentral
 * F.
 *
 * <p>Upper tails are summed as tails, never as one minus the rest. Normal, t, F and chi-squared
 * come from Apache Commons Statistics and are used directly.
 */
package app.knuckle.stats.distributions;
