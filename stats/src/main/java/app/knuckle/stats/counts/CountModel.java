package app.knuckle.stats.counts;

import app.knuckle.stats.linear.Model;

/**
 * What is asked of a count.
 *
 * @param kind of count
 * @param fixed factors, covariates and terms
 * @param overdispersion whether the dispersion is estimated, rather than taken as the distribution
 *     says
 */
public record CountModel(CountKind kind, Model fixed, boolean overdispersion) {}
