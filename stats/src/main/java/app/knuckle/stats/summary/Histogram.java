package app.knuckle.stats.summary;

import java.util.Arrays;

/**
 * How many values fall between edges.
 *
 * @param edges k + 1 edges of k bins, rising
 * @param counts in each bin, its left edge belonging to it; the last bin has both its edges
 * @param countsRightClosed in each bin, its right edge belonging to it; the first has both
 * @param below values below the first edge
 * @param above values above the last edge
 */
public record Histogram(
    double[] edges, int[] counts, int[] countsRightClosed, int below, int above) {

  /** Bins at most, so that one far value does not make millions of empty ones. */
  private static final int MOST_BINS = 200;

  /** Widths that read well, times a power of ten. */
  private static final double[] ROUND = {5, 2, 1};

  /**
   * Counts values.
   *
   * @param values finite
   * @param edges two or more, strictly rising
   * @return the counts
   * @throws IllegalArgumentException if the edges do not rise
   */
  public static Histogram of(double[] values, double[] edges) {
    if (!rising(edges)) {
      throw new IllegalArgumentException("edges are two or more, each above the one before");
    }
    int bins = edges.length - 1;
    int[] counts = new int[bins];
    int[] rightClosed = new int[bins];
    int below = 0;
    int above = 0;
    for (double value : values) {
      if (value < edges[0]) {
        below++;
      } else if (value > edges[bins]) {
        above++;
      } else {
        int at =
            Arrays.binarySearch(edges, value + 0.0); // Minus zero would lie below an edge at 0.
        int left = at >= 0 ? at : -at - 2;
        counts[Math.min(left, bins - 1)]++;
        rightClosed[at >= 0 ? Math.max(at - 1, 0) : left]++;
      }
    }
    return new Histogram(edges.clone(), counts, rightClosed, below, above);
  }

  /**
   * Whether numbers can be edges.
   *
   * @param edges any numbers
   * @return whether there are two or more and each is above the one before
   */
  public static boolean rising(double[] edges) {
    boolean rising = edges.length >= 2;
    for (int i = 1; i < edges.length; i++) {
      rising &= edges[i - 1] < edges[i];
    }
    return rising;
  }

  /**
   * Round edges around all values: bins as wide as Freedman and Diaconis (1981) want, 2 IQR / cube
   * root of n, rounded down to 1, 2 or 5 times a power of ten.
   *
   * @param values finite, one or more
   * @return the edges
   */
  public static double[] roundEdges(double[] values) {
    double[] sorted = values.clone();
    Arrays.sort(sorted);
    double low = sorted[0];
    double high = sorted[sorted.length - 1];
    double wanted =
        2
            * (Summary.quantile(sorted, 0.75) - Summary.quantile(sorted, 0.25))
            / Math.cbrt(sorted.length);
    double width = roundDown(Math.max(wanted, (high - low) / (MOST_BINS / 2.5)));
    long first = (long) Math.floor(low / width);
    long last = Math.max((long) Math.ceil(high / width), first + 1);
    double[] edges = new double[(int) (last - first) + 1];
    for (int i = 0; i < edges.length; i++) {
      edges[i] = width < 1 ? (first + i) / Math.rint(1 / width) : (first + i) * width;
    }
    return rising(edges) ? edges : new double[] {Math.nextDown(low), Math.nextUp(high)};
  }

  private static double roundDown(double width) {
    if (!(width > 0)) {
      return 1;
    }
    double power = Math.pow(10, Math.floor(Math.log10(width)));
    return Arrays.stream(ROUND).filter(r -> r * power <= width).findFirst().orElse(1) * power;
  }
}
