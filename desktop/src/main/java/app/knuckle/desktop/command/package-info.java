/** The command line. Only {@code run} and {@code --version} work without a display. */
package app.knuckle.desktop.command;
