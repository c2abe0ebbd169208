/**
 * Counts and proportions by maximum likelihood: Poisson counts on the logarithm, binomial
 * proportions on the log odds, with the spread as the distribution says or estimated.
 *
 * <p>{@link app.knuckle.stats.counts.CountCells} pools rows that are alike in everything, so that
 * cost grows with cells; {@link app.knuckle.stats.counts.CountSolution} finds the top of the
 * likelihood, and which rows lie at its edge; {@link app.knuckle.stats.counts.CountFit} judges it,
 * and is an {@link app.knuckle.stats.linear.Estimator}.
 */
package app.knuckle.stats.counts;
