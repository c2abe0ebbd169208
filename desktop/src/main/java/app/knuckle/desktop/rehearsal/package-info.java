/** The page on which make-believe records are planned. */
package app.knuckle.desktop.rehearsal;
