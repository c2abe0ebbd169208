/** Small pictures of checks: points against two scales with lines, and bars. */
package app.knuckle.figures.scatter;
