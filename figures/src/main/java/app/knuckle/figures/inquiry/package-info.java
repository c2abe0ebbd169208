/** The figure of an inquiry in any of its forms, laid out from findings and a style. */
package app.knuckle.figures.inquiry;
