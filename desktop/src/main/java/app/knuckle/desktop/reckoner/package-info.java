/** The page of answers without records. */
package app.knuckle.desktop.reckoner;
