/** Tests of what an analysis stands on: normality, equal spread, odd values. */
package app.knuckle.stats.checks;
