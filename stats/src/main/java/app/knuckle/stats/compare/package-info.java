/**
 * Which means differ: pairs under a procedure, and the letters that sum up the decisions.
 *
 * <p>In come {@link app.knuckle.stats.means.Estimates}; out go a {@link
 * app.knuckle.stats.compare.Comparison} and its {@link app.knuckle.stats.compare.Letters}. How the
 * means were estimated is nobody's business here.
 */
package app.knuckle.stats.compare;
