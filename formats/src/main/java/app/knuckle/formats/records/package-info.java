/**
 * Files of records: delimited text and workbooks become a {@link app.knuckle.study.table.Table}.
 *
 * <p>{@link app.knuckle.formats.records.RecordsFile} guesses how a file is written, shows a preview
 * and reads it; the guess is a value that the user may change. Nothing is fetched, and a file that
 * cannot be read is refused with its place.
 */
package app.knuckle.formats.records;
