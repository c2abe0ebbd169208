package app.knuckle.study.cells;

/**
 * What was counted in a group.
 *
 * @param total of the counts
 * @param size total exposure, or how many were tried
 * @param proportions whether it is a share of those tried, rather than a rate
 * @param alpha one less the confidence of intervals
 */
public record CountSummary(double total, double size, boolean proportions, double alpha) {}
