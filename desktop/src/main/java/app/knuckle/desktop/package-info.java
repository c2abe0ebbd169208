/**
 * The application: {@link app.knuckle.desktop.Main} starts the command line or the window.
 *
 * <p>{@code command} is the command line, {@code shell} the window around the joints; every joint
 * of the chain has a package of its own with its page (what it says, ready to show), its view and
 * its style rules.
 */
package app.knuckle.desktop;
