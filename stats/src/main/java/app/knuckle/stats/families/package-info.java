/** Laws of statistics as printed tables have them: a value for a tail, a tail for a value. */
package app.knuckle.stats.families;
