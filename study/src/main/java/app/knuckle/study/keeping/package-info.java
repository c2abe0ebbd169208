/**
 * The study: tables and the inquiries put to them, as one value; and names for its changes.
 *
 * <p>Its file is read and written in {@code formats}.
 */
package app.knuckle.study.keeping;
