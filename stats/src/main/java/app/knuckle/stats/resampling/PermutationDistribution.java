package app.knuckle.stats.resampling;

import app.knuckle.stats.Outcome;
import java.util.List;

/**
 * How often each F occurred among the arrangements.
 *
 * @param width of the bins, the first of which begins at 0
 * @param counts of arrangements, the last of what lies beyond all bins
 */
public record PermutationDistribution(double width, List<Double> counts) implements Outcome {}
