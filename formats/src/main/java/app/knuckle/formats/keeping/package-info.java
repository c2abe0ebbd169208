/**
 * Studies on disk: the {@code .knuckle} file, saved in one piece, and the journal of unsaved work.
 *
 * <p>Both hold the same parts, {@code study.json} and one CSV a table, in a zip or in a folder.
 */
package app.knuckle.formats.keeping;
