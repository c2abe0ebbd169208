/**
 * Least squares for designed experiments: models of factors and covariates, fitted cell by cell.
 *
 * <p>In come a {@link app.knuckle.stats.linear.Model} and responses; out go {@link
 * app.knuckle.stats.linear.Strata}, whose {@link app.knuckle.stats.means.Estimates} every
 * comparison stands on. Tables are made in {@code stats.anova}; which means differ is decided in
 * {@code stats.compare}.
 */
package app.knuckle.stats.linear;
