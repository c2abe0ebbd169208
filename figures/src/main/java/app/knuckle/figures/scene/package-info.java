/**
 * A laid-out picture: marks in points, and the one painter that draws them.
 *
 * <p>Every picture of the product becomes a {@link app.knuckle.figures.scene.Scene}; screen, PNG,
 * SVG and PDF only lend a {@code Graphics2D}, so that they cannot differ. Layout lives in {@code
 * means} and {@code spread}, files in {@code export}.
 */
package app.knuckle.figures.scene;
