/** Two inquiries side by side. */
package app.knuckle.desktop.beside;
