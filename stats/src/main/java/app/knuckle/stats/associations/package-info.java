/** How several measurements go together. */
package app.knuckle.stats.associations;
