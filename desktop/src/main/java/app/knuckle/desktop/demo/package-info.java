/** The demo study, read from the resources that ship with the application. */
package app.knuckle.desktop.demo;
