/**
 * What is open and shared by all joints: inquiries, their answers, what was done and can be undone.
 *
 * <p>{@link app.knuckle.desktop.workbench.Workbench} holds what is open, a {@link
 * app.knuckle.desktop.workbench.SlipViewModel} one inquiry with its {@link
 * app.knuckle.desktop.workbench.Answer}. It knows no joint and not the window; who keeps it
 * listens.
 */
package app.knuckle.desktop.workbench;
