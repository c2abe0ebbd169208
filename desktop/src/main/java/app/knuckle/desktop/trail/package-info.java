/**
 * The prep trail on the Records joint: its steps, and the small editor in which a step is made.
 *
 * <p>{@link app.knuckle.desktop.trail.StepForm} says what each kind of step asks for; the editor
 * shows any of them.
 */
package app.knuckle.desktop.trail;
