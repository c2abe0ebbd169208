/** Tables of the analysis of variance, and what is read off them. */
package app.knuckle.stats.anova;
