/** The manual: one page for each method, procedure, check and step, read where it is needed. */
package app.knuckle.desktop.manual;
