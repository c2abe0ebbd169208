/** The page of an inquiry: its blocks, what is asked of it, and how its numbers are written. */
package app.knuckle.formats.report;
