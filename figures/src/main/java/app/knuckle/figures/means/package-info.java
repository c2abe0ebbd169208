/**
 * The figure of group means: what it shows, and where every mark goes.
 *
 * <p>{@link app.knuckle.figures.means.MeansFigure} says what is shown, without a single coordinate;
 * {@link app.knuckle.figures.means.MeansLayout} makes a scene of it in which nothing collides.
 */
package app.knuckle.figures.means;
