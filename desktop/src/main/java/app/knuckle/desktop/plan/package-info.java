/** The page on which a trial is planned. */
package app.knuckle.desktop.plan;
