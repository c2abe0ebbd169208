/** The Look joint: the groups before any test, as a picture and as numbers. */
package app.knuckle.desktop.look;
