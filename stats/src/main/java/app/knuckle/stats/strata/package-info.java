/** Experiments with two layers of error: split-plots, and units seen on several occasions. */
package app.knuckle.stats.strata;
