/** How likely an experiment is to find a difference, and how large it must be. */
package app.knuckle.stats.power;
