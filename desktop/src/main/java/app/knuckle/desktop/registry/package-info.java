/** The registry of everything that can be done, as things stand now. */
package app.knuckle.desktop.registry;
