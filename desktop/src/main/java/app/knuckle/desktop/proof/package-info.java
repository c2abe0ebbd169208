/** The page on which the numbers are proved. */
package app.knuckle.desktop.proof;
