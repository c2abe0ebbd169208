/**
 * The window around the joints: chain, slips, finding line. Every joint is registered in {@link
 * app.knuckle.desktop.window.Joints}; views only show and pass on.
 */
package app.knuckle.desktop.window;
