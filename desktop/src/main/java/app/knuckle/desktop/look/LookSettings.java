package app.knuckle.desktop.look;

import app.knuckle.study.look.Correlations;

/**
 * How the groups are looked at.
 *
 * @param kind of picture
 * @param other the column that the response is set against; empty for none
 * @param bins how many bins there are where nobody chose edges
 * @param edges of bins as typed; blank for none of one's own
 * @param rightClosed whether a value on an edge belongs to the bin below it
 * @param measure of what goes with what
 */
record LookSettings(
    LookKind kind,
    String other,
    int bins,
    String edges,
    boolean rightClosed,
    Correlations.Measure measure) {}
