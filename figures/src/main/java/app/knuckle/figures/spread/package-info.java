/**
 * The picture of what the groups look like before any test: every value as a dot, and a box beside
 * them.
 */
package app.knuckle.figures.spread;
