/** Tests by permuting the values among the groups. */
package app.knuckle.stats.resampling;
