/** How a figure is shown: what is drawn, on what scale, in which order, colours, words and size. */
package app.knuckle.figures.style;
