/**
 * The narrow waist: named means with their covariance and degrees of freedom.
 *
 * <p>Whatever can give {@link app.knuckle.stats.means.Estimates} can be compared, lettered, drawn
 * and put into words. Nothing after this package knows which method they came from.
 */
package app.knuckle.stats.means;
