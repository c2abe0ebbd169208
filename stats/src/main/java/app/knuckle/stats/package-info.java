/**
 * What every computation shares: a number that may not exist ({@link app.knuckle.stats.Quantity})
 * and the means to stop a long one ({@link app.knuckle.stats.Progress}).
 *
 * <p>The subjects live in the packages below. Nothing here knows tables, files or screens.
 */
package app.knuckle.stats;
