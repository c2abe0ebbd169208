/**
 * Work beside the interface thread. Whatever could be felt goes through a {@link
 * app.knuckle.desktop.background.Lane}.
 */
package app.knuckle.desktop.background;
