/**
 * A scene as SVG, PDF or PNG. What is on screen is what these contain: all of them lend the one
 * painter a device.
 */
package app.knuckle.figures.export;
