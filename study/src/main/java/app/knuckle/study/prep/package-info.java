/**
 * The prep trail: steps that make a frame from a table without touching the table.
 *
 * <p>In come a {@link app.knuckle.study.table.Table} and a list of {@link
 * app.knuckle.study.prep.Step}s; out comes a {@link app.knuckle.study.prep.Frame}. Rows are never
 * removed, only left out of play, with the reason.
 */
package app.knuckle.study.prep;
