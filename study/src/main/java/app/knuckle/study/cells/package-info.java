/** The cells that treatments make of the rows, and what is in each. */
package app.knuckle.study.cells;
