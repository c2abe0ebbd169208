/**
 * What an inquiry's computation gives, whole and immutable.
 *
 * <p>In come a table and an inquiry, out go {@link app.knuckle.study.findings.Findings}: records
 * used, summaries, tests, means, comparisons, sentences. Screens, reports and files only read them.
 */
package app.knuckle.study.findings;
