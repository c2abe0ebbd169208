/**
 * Least squares for designed experiments: from the moments of groups to the analysis of variance.
 *
 * <p>In come {@link app.knuckle.stats.summary.GroupMoments}; out go an {@link
 * app.knuckle.stats.linear.OneWay} fit with its table, and the {@link
 * app.knuckle.stats.means.Estimates} that every comparison stands on. Which means differ is decided
 * in {@code stats.compare}.
 */
package app.knuckle.stats.linear;
