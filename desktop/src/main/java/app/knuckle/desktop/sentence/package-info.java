/** Sentences whose words are chosen or typed in place. */
package app.knuckle.desktop.sentence;
