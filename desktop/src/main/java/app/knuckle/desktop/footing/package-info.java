/** The Footing joint: whether the answer can stand on these data, and what to do if not. */
package app.knuckle.desktop.footing;
