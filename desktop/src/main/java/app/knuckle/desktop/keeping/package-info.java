/** Keeping work: saving and opening studies, the journal of unsaved work, files opened lately. */
package app.knuckle.desktop.keeping;
