/**
 * What is wrong with an input, said as data: {@link app.knuckle.study.Refused}.
 *
 * <p>The way of the data through the packages below: {@code table} (as read), {@code prep} (the
 * trail, giving a frame), {@code design} (what was asked of it), {@code findings} (the answers),
 * {@code words} (the answers as sentences), {@code contract} (the two files).
 */
package app.knuckle.study;
