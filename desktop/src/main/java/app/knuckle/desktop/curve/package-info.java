/** The distribution of a statistic, drawn with its tails. */
package app.knuckle.desktop.curve;
