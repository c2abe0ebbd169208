/** A small table typed in from nothing. */
package app.knuckle.desktop.typing;
