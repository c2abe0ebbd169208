package app.knuckle.stats.summary;

import app.knuckle.stats.RowParts;
import java.util.List;

/**
 * Count, mean and sum of squares of every group: all that least squares needs to know of the rows.
 *
 * <p>Each group is summed about its first value, which is exact for neighbouring doubles, in one
 * pass: {@code S1 = Sum (y - y0), S2 = Sum (y - y0)^2, SS = S2 - S1^2/n}. Where the first value lay
 * so far out that the last subtraction would lose digits, a second pass sums about the mean. Means
 * are kept as deviations from one common origin (a value of the data), so that the difference of
 * two means near 1e12 keeps the digits that the values carry.
 */
public final class GroupMoments {

  /**
   * A group is summed again when {@code S1^2/n} exceeds this many times SS: the subtraction then
   * costs more than three of the sixteen digits, and ten are promised.
   */
  private static final double CANCELLATION = 1e3;

  /** Rows for which it pays to start another part. */
  private static final int ROWS_OF_A_PART = 1 << 16;

  private final double origin;
  private final long[] counts;
  private final double[] deviations;
  private final double[] sumsOfSquares;
  private final long missing;

  private GroupMoments(
      double origin, long[] counts, double[] deviations, double[] sumsOfSquares, long missing) {
    this.origin = origin;
    this.counts = counts;
    this.deviations = deviations;
    this.sumsOfSquares = sumsOfSquares;
    this.missing = missing;
  }

  /**
   * Moments of groups of which only summaries are known.
   *
   * @param n values in each group
   * @param means of the groups
   * @param sds standard deviations of the groups
   * @return the moments
   */
  public static GroupMoments ofSummaries(long[] n, double[] means, double[] sds) {
    double[] deviations = new double[n.length];
    double[] squares = new double[n.length];
    for (int g = 0; g < n.length; g++) {
      deviations[g] = means[g] - means[0];
      squares[g] = (n[g] - 1) * sds[g] * sds[g];
    }
    return new GroupMoments(means[0], n.clone(), deviations, squares, 0);
  }

  /**
   * Sums the rows of every group. Rows with a NaN value or a group of -1 are passed over.
   *
   * @param values one value a row; NaN when missing, otherwise finite
   * @param groups the group of each row, from 0 to {@code groupCount - 1}, or -1 for none
   * @param groupCount number of groups
   * @return the moments
   * @throws IllegalArgumentException if the arrays differ in length
   */
  public static GroupMoments of(double[] values, int[] groups, int groupCount) {
    if (values.length != groups.length) {
      throw new IllegalArgumentException(values.length + " values, " + groups.length + " groups");
    }
    double[] first = firstOfEach(values, groups, groupCount);
    // One slot more, in front, for the rows without a group: no branch in the loop over all rows.
    double[] shift = new double[groupCount + 1];
    System.arraycopy(first, 0, shift, 1, groupCount);
    List<Sums> parts =
        RowParts.each(
            values.length, ROWS_OF_A_PART, (from, to) -> Sums.of(values, groups, shift, from, to));
    long[] counts = new long[groupCount];
    double[] s1 = new double[groupCount];
    double[] s2 = new double[groupCount];
    long missing = values.length;
    for (int g = 0; g < groupCount; g++) {
      for (Sums part : parts) {
        counts[g] += part.counts[g + 1];
        s1[g] += part.s1[g + 1];
        s2[g] += part.s2[g + 1];
      }
      missing -= counts[g];
    }
    return finish(values, groups, first, counts, s1, s2, missing);
  }

  /** Sums of some rows by slot: slot 0 takes the rows without a group. */
  private static final class Sums {
    private final int[] counts;
    private final double[] s1;
    private final double[] s2;

    private Sums(int slots) {
      counts = new int[slots];
      s1 = new double[slots];
      s2 = new double[slots];
    }

    static Sums of(double[] values, int[] groups, double[] shift, int from, int to) {
      Sums sums = new Sums(shift.length);
      sums.add(values, groups, shift, from, to);
      if (sums.metGap()) {
        sums = new Sums(shift.length);
        sums.addAllButGaps(values, groups, shift, from, to);
      }
      return sums;
    }

    /** Whether a row with a group had no value. */
    private boolean metGap() {
      double total = 0;
      for (int slot = 1; slot < s1.length; slot++) {
        total += s1[slot];
      }
      return Double.isNaN(total);
    }

    /** As plain as can be, so that the compiler takes several rows at once. */
    private void add(double[] values, int[] groups, double[] shift, int from, int to) {
      int[] n = counts;
      double[] u = s1;
      double[] v = s2;
      for (int i = from; i < to; i++) {
        int slot = groups[i] + 1;
        double d = values[i] - shift[slot];
        n[slot]++;
        u[slot] += d;
        v[slot] += d * d;
      }
    }

    /** The same for columns that have gaps, which would otherwise make every sum a gap. */
    private void addAllButGaps(double[] values, int[] groups, double[] shift, int from, int to) {
      for (int i = from; i < to; i++) {
        int slot = groups[i] + 1;
        double d = values[i] - shift[slot];
        if (d == d) { // Not NaN: the cheapest test there is.
          counts[slot]++;
          s1[slot] += d;
          s2[slot] += d * d;
        }
      }
    }
  }

  private static double[] firstOfEach(double[] values, int[] groups, int groupCount) {
    double[] first = new double[groupCount];
    boolean[] met = new boolean[groupCount];
    int unmet = groupCount;
    for (int i = 0; i < values.length && unmet > 0; i++) {
      int g = groups[i];
      if (g >= 0 && !met[g] && !Double.isNaN(values[i])) {
        first[g] = values[i];
        met[g] = true;
        unmet--;
      }
    }
    return first;
  }

  private static GroupMoments finish(
      double[] values,
      int[] groups,
      double[] first,
      long[] counts,
      double[] s1,
      double[] s2,
      long missing) {
    int k = first.length;
    double[] ss = new double[k];
    boolean again = false;
    for (int g = 0; g < k; g++) {
      double correction = counts[g] == 0 ? 0 : s1[g] * s1[g] / counts[g];
      ss[g] = Math.max(0, s2[g] - correction);
      again |= correction > CANCELLATION * ss[g];
    }
    if (again) {
      ss = aboutMeans(values, groups, first, counts, s1);
    }
    double origin = 0;
    for (int g = k - 1; g >= 0; g--) {
      origin = counts[g] > 0 ? first[g] : origin;
    }
    double[] deviations = new double[k];
    for (int g = 0; g < k; g++) {
      deviations[g] = counts[g] == 0 ? Double.NaN : (first[g] - origin) + s1[g] / counts[g];
    }
    return new GroupMoments(origin, counts, deviations, ss, missing);
  }

  private static double[] aboutMeans(
      double[] values, int[] groups, double[] first, long[] counts, double[] s1) {
    int k = first.length;
    double[] shift = new double[k];
    for (int g = 0; g < k; g++) {
      shift[g] = s1[g] / Math.max(1, counts[g]);
    }
    double[] left = new double[k];
    double[] squares = new double[k];
    for (int i = 0; i < values.length; i++) {
      int g = groups[i];
      if (g >= 0) {
        double d = (values[i] - first[g]) - shift[g];
        if (d == d) {
          left[g] += d;
          squares[g] += d * d;
        }
      }
    }
    for (int g = 0; g < k; g++) {
      if (counts[g] > 0) {
        // What rounding left of the mean: the corrected two-pass sum (Chan, Golub, LeVeque 1983).
        squares[g] = Math.max(0, squares[g] - left[g] * left[g] / counts[g]);
      }
    }
    return squares;
  }

  /** Number of groups: the count given to {@link #of}. */
  public int groups() {
    return counts.length;
  }

  /**
   * Values in a group.
   *
   * @param group from 0
   * @return the count
   */
  public long count(int group) {
    return counts[group];
  }

  /** Values in all groups. */
  public long total() {
    long n = 0;
    for (long c : counts) {
      n += c;
    }
    return n;
  }

  /** Rows passed over: no value, or no group. Returns the count. */
  public long missing() {
    return missing;
  }

  /** The value from which means are counted: a value of the data; 0 if there is none. */
  public double origin() {
    return origin;
  }

  /**
   * Mean of a group, less the origin.
   *
   * @param group from 0
   * @return the deviation; NaN for an empty group
   */
  public double deviation(int group) {
    return deviations[group];
  }

  /**
   * Sum of squares of a group about its own mean.
   *
   * @param group from 0
   * @return at least 0; 0 for an empty group
   */
  public double sumOfSquares(int group) {
    return sumsOfSquares[group];
  }
}
