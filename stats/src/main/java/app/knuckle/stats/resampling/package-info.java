/** Tests by rearranging the values among the groups. */
package app.knuckle.stats.resampling;
