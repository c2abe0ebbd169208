/** Blocks of a page as they look on paper, on screen. */
package app.knuckle.desktop.paper;
