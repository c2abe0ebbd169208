package app.knuckle.desktop.footing;

import app.knuckle.study.design.Inquiry;

/**
 * What to ask instead.
 *
 * @param label on its button
 * @param inquiry the changed question, with a name of its own
 */
public record WayOn(String label, Inquiry inquiry) {}
