/**
 * The window around the joints: chain, slips, finding line; and the state that they share.
 *
 * <p>{@link app.knuckle.desktop.workbench.Workbench} holds what is open, a {@link
 * app.knuckle.desktop.workbench.SlipViewModel} one inquiry with its answer. Views only show and
 * pass on.
 */
package app.knuckle.desktop.window;
