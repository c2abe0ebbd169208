/** Widgets used by more than one joint. They hold no knowledge of statistics. */
package app.knuckle.desktop.controls;
