package app.knuckle.study.findings;

import app.knuckle.stats.Facts;

/**
 * A check of one group, of all groups, or of what a model leaves.
 *
 * @param about normality, spread or outliers
 * @param test its name
 * @param on levels of the group as a map; or "residuals", "differences", "groups"
 * @param facts its numbers by their name
 * @param judgement how sound the footing is
 * @param words what it means, a sentence
 */
public record GroupCheck(
    String about,
    String test,
    Object on,
    Facts facts,
    CheckResult.Judgement judgement,
    String words) {}
