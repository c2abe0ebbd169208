/** The report of an inquiry as a page that stands alone: no script, no network. */
package app.knuckle.formats.report;
