package app.knuckle.stats.linear;

import app.knuckle.stats.summary.RowParts;
import java.util.Arrays;
import java.util.List;

/**
 * Counts, sums and sums of products of one or two variables in every combination of levels, by one
 * pass over the rows, in parts side by side.
 */
final class CellSums {

  /** Rows for which it pays to start another part. */
  private static final int ROWS_OF_A_PART = 1 << 16;

  /** Rows whose combinations are found at a time, so that they stay in the fastest cache. */
  private static final int STRIP = 1 << 10;

  /** Factors combined in one loop. */
  private static final int ABREAST = 3;

  /** Stands for a factor that there is not. */
  private static final int[] NO_FACTOR = new int[STRIP];

  /** Slots of a combination: n, x; or n, x, xx, y, xy, yy, padded. */
  private static final int ONE = 2;

  private static final int TWO = 8;

  private final List<Factor> factors;
  private final double[] x;
  private final double[] y;
  private final double originX;
  private final double originY;
  private final int combinations;

  /**
   * Sums to take.
   *
   * @param factors their combinations are numbered with the last factor running fastest
   * @param values one or two variables
   * @param origins taken off each variable
   * @param combinations their number
   */
  CellSums(List<Factor> factors, double[][] values, double[] origins, int combinations) {
    this.factors = factors;
    x = values[0];
    y = values.length == 1 ? null : values[1];
    originX = origins[0];
    originY = values.length == 1 ? 0 : origins[1];
    this.combinations = combinations;
  }

  /** Slots between one combination and the next. */
  int stride() {
    return y == null ? ONE : TWO;
  }

  /**
   * Takes the sums.
   *
   * @return by combination, {@link #stride} apart: of one variable n and x, and at the very end xx
   *     of all combinations together; of two n, x, xx, y, xy, yy
   */
  double[] take() {
    List<double[]> parts = RowParts.each(x.length, ROWS_OF_A_PART, this::part);
    double[] sums = parts.get(0);
    for (double[] later : parts.subList(1, parts.size())) {
      for (int i = 0; i < sums.length; i++) {
        sums[i] += later[i];
      }
    }
    return Arrays.copyOfRange(sums, stride(), sums.length);
  }

  /** Incomplete rows go to a slot in front, which may hold anything. */
  private double[] part(int from, int to) {
    double[] sums = new double[stride() * (combinations + 1) + 1];
    int[] cells = new int[STRIP];
    for (int start = from; start < to; start += STRIP) {
      int end = Math.min(to, start + STRIP);
      combine(start, end, cells);
      if (y == null) {
        addOne(start, end, cells, sums);
      } else {
        addTwo(start, end, cells, sums);
      }
    }
    return sums;
  }

  /** The combination of each row of a strip; -1 for rows without a level of some factor. */
  private void combine(int start, int end, int[] cells) {
    Arrays.fill(cells, 0);
    for (int f = 0; f < factors.size(); f += ABREAST) {
      combine(start, end - start, cells, padded(f), padded(f + 1), padded(f + 2));
    }
  }

  private Factor padded(int f) {
    return f < factors.size() ? factors.get(f) : null;
  }

  /** Three factors in one loop: a loop for each would read and write the strip three times. */
  private static void combine(int start, int n, int[] cells, Factor f, Factor g, Factor h) {
    int[] a = f.codes();
    int[] b = g == null ? NO_FACTOR : g.codes();
    int[] c = h == null ? NO_FACTOR : h.codes();
    int atB = g == null ? 0 : start;
    int atC = h == null ? 0 : start;
    int sizeA = f.size();
    int sizeB = g == null ? 1 : g.size();
    int sizeC = h == null ? 1 : h.size();
    for (int i = 0; i < n; i++) {
      int before = cells[i];
      int p = a[start + i];
      int q = b[atB + i];
      int r = c[atC + i];
      boolean whole = (before | p | q | r) >= 0;
      cells[i] = whole ? ((before * sizeA + p) * sizeB + q) * sizeC + r : -1;
    }
  }

  private void addOne(int start, int end, int[] cells, double[] sums) {
    double squares = 0;
    for (int row = start; row < end; row++) {
      double dx = x[row] - originX;
      int cell = dx == dx ? cells[row - start] : -1;
      int at = ONE * (cell + 1);
      sums[at] += 1;
      sums[at + 1] += dx;
      squares += cell < 0 ? 0 : dx * dx;
    }
    sums[sums.length - 1] += squares;
  }

  private void addTwo(int start, int end, int[] cells, double[] sums) {
    for (int row = start; row < end; row++) {
      double dx = x[row] - originX;
      double dy = y[row] - originY;
      int at = dx == dx & dy == dy ? TWO * (cells[row - start] + 1) : 0;
      sums[at] += 1;
      sums[at + 1] += dx;
      sums[at + 2] += dx * dx;
      sums[at + 3] += dy;
      sums[at + 4] += dx * dy;
      sums[at + 5] += dy * dy;
    }
  }
}
