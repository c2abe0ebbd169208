/**
 * Several responses together: multivariate tests of an effect, and of equal covariance matrices.
 */
package app.knuckle.stats.multivariate;
