/** The Records joint: the table, its columns at a glance, the trail, and how the file was read. */
package app.knuckle.desktop.records;
