/**
 * Linear mixed models by restricted maximum likelihood: variances of random terms, fixed effects
 * judged after Kenward and Roger or Satterthwaite, and predictions of the random effects.
 *
 * <p>{@link app.knuckle.stats.mixed.MixedRows} puts the fixed part into orthonormal coordinates;
 * {@link app.knuckle.stats.mixed.Errors} inverts the part of the covariance that falls into groups
 * or units, so that nothing is ever dense in the rows; {@link app.knuckle.stats.mixed.Likelihood}
 * eliminates the other terms and gives the likelihood with its derivatives; {@link
 * app.knuckle.stats.mixed.LikelihoodSearch} finds its top within the limits; {@link
 * app.knuckle.stats.mixed.FixedPart} judges the fixed part; {@link
 * app.knuckle.stats.mixed.MixedFit} holds all of it, and is an {@link
 * app.knuckle.stats.linear.Estimator}.
 */
package app.knuckle.stats.mixed;
