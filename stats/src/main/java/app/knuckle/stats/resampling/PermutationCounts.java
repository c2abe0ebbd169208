package app.knuckle.stats.resampling;

import java.util.Arrays;
import java.util.Collection;
import org.apache.commons.statistics.distribution.FDistribution;

/**
 * How often each F occurred among the arrangements: the distribution that the observed one is held
 * against, counted in bins of equal width that reach beyond what the distribution of F calls rare.
 */
final class PermutationCounts {

  /** Fine enough for a picture of a hand's width. */
  private static final int BINS = 60;

  /** The bins reach to where the distribution of F leaves this share. */
  private static final double RARE = 1e-3;

  /** An F observed this many times farther out than that is not waited for. */
  private static final double FAR = 2;

  private static final double AIR = 1.15;

  private final double width;
  private final long[] counts = new long[BINS + 1];

  PermutationCounts(double observed, double df, double errorDf) {
    double rare = FDistribution.of(df, errorDf).inverseSurvivalProbability(RARE);
    width = (observed > FAR * rare ? rare : Math.max(rare, observed)) * AIR / BINS;
  }

  void add(double f) {
    // What is beyond the last bin, or has no error at all, is counted together.
    counts[f < width * BINS ? (int) (f / width) : BINS]++;
  }

  /** Width of the bins, and counts of all parts together, the last of what lies beyond. */
  static PermutationDistribution together(Collection<PermutationCounts> parts) {
    double[] sum = new double[BINS + 1];
    for (PermutationCounts part : parts) {
      Arrays.setAll(sum, b -> sum[b] + part.counts[b]);
    }
    double width = parts.iterator().next().width;
    return new PermutationDistribution(width, Arrays.stream(sum).boxed().toList());
  }
}
