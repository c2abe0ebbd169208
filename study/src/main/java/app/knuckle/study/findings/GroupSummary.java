package app.knuckle.study.findings;

import app.knuckle.stats.summary.Summary;

/**
 * What one group of a response is like.
 *
 * @param level of the treatment; null for all groups together
 * @param summary of its values
 */
public record GroupSummary(String level, Summary summary) {}
