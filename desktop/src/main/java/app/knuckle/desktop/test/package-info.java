/** The Test joint: the analysis of variance, its row in words and on its distribution, the fit. */
package app.knuckle.desktop.test;
