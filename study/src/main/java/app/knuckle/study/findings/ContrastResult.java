package app.knuckle.study.findings;

import app.knuckle.stats.Absence;
import app.knuckle.stats.compare.Contrast;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Compare;
import java.util.List;

/**
 * A question of one's own.
 *
 * @param name as the user calls it
 * @param of the treatments whose means are weighed
 * @param weights of the means
 * @param contrast the numbers; null if it cannot be estimated
 * @param why it cannot; null if it can
 * @param procedure scheffe, bonferroni or none
 * @param family dimension for Scheffe, number of contrasts for Bonferroni; 0 for none
 * @param degree of a trend; 0 for a contrast
 */
public record ContrastResult(
    String name,
    List<String> of,
    List<Compare.Weight> weights,
    Contrast contrast,
    Absence why,
    Procedure procedure,
    int family,
    int degree) {}
