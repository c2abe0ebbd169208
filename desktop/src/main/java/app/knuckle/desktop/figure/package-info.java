/** The Figure joint: the picture of the means at its true shape, what is on it, and its export. */
package app.knuckle.desktop.figure;
