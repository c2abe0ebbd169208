/**
 * What a group of values is like: counts, moments, order statistics.
 *
 * <p>{@link app.knuckle.stats.summary.GroupMoments} takes columns and gives the sufficient
 * statistics of every group in one pass; {@link app.knuckle.stats.summary.Summary} describes one
 * group in full.
 */
package app.knuckle.stats.summary;
