/** The Compare joint: the ladder of means with letters, the difference board, the ranking. */
package app.knuckle.desktop.compare;
