/** Everything that can be done, by the names that people have for it. */
package app.knuckle.desktop.moves;
