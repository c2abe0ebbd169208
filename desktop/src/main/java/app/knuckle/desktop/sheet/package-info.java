/**
 * A sheet of cells: any number of rows, of which only those in view are painted. In goes what the
 * cells say, out come the cells selected and the texts written into them; what either means is
 * known elsewhere.
 */
package app.knuckle.desktop.sheet;
