/** A plan of a trial as a picture: its plots as they lie, and labels for them. */
package app.knuckle.figures.plan;
