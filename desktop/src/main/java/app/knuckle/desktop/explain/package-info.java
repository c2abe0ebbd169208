/** What can be read about, and how a page about it is asked for from anywhere in the window. */
package app.knuckle.desktop.explain;
