/** How someone wants the program to be: its page, and its looks. */
package app.knuckle.desktop.settings;
