/** How several measurements are correlated. */
package app.knuckle.stats.associations;
