/** Workbooks cell by cell, .xlsx and .ods, within bounds. */
package app.knuckle.formats.workbooks;
