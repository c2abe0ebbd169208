/**
 * Records as read: columns of numbers and categories, column by column, never altered.
 *
 * <p>Files are read in {@code formats}; what a user changes is a step of the trail in {@code prep}.
 */
package app.knuckle.study.table;
