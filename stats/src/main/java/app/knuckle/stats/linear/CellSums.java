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

  /** Factors whose levels are combined where the sums are taken; those before are folded first. */
  private static final int ABREAST = 3;

  /** Stands for a factor that there is not. */
  private static final int[] NO_FACTOR = new int[STRIP];

  /** Slots of a combination: n, x, xx; or n, x, xx, y, xy, yy; padded. */
  private static final int ONE = 4;

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
   * @return by combination, {@link #stride} apart: n, x, xx, and of two variables y, xy, yy
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
    double[] sums = new double[stride() * (combinations + 1)];
    int[] folded = new int[STRIP];
    int whole = Math.max(0, factors.size() - ABREAST + 1);
    for (int start = from; start < to; start += STRIP) {
      int n = Math.min(to - start, STRIP);
      if (factors.size() > ABREAST) {
        fold(start, n, folded);
        add(start, n, folded, 0, whole, sums);
      } else {
        add(start, n, codes(0), at(0, start), 1, sums);
      }
    }
    return sums;
  }

  /** Combinations of all factors but the last two; below 0 for rows without a level of some. */
  private void fold(int start, int n, int[] folded) {
    Arrays.fill(folded, 0);
    for (Factor factor : factors.subList(0, factors.size() - ABREAST + 1)) {
      int[] codes = factor.codes();
      int size = factor.size();
      for (int i = 0; i < n; i++) {
        int before = folded[i];
        int code = codes[start + i];
        folded[i] = (before | code) < 0 ? -1 : before * size + code;
      }
    }
  }

  private int[] codes(int factor) {
    return factor < factors.size() ? factors.get(factor).codes() : NO_FACTOR;
  }

  private int at(int factor, int start) {
    return factor < factors.size() ? start : 0;
  }

  private int size(int factor) {
    return factor < factors.size() ? factors.get(factor).size() : 1;
  }

  /**
   * Takes a strip: rows by three codes, of which the last two are those of factors from next on.
   */
  private void add(int start, int n, int[] a, int atA, int next, double[] sums) {
    int[] b = codes(next);
    int[] c = codes(next + 1);
    int atB = at(next, start);
    int atC = at(next + 1, start);
    if (y == null) {
      addOne(start, n, a, atA, b, atB, size(next), c, atC, size(next + 1), sums);
    } else {
      addTwo(start, n, a, atA, b, atB, size(next), c, atC, size(next + 1), sums);
    }
  }

  // One row at a time, without a branch: so the compiler finds that no index leaves its array.

  private void addOne(
      int start,
      int n,
      int[] a,
      int atA,
      int[] b,
      int atB,
      int sizeB,
      int[] c,
      int atC,
      int sizeC,
      double[] sums) {
    double[] values = x;
    double origin = originX;
    for (int i = 0; i < n; i++) {
      int p = a[atA + i];
      int q = b[atB + i];
      int r = c[atC + i];
      double dx = values[start + i] - origin;
      int slot = ((p * sizeB + q) * sizeC + r + 1) & ~((p | q | r) >> 31);
      int at = dx == dx ? ONE * slot : 0;
      sums[at] += 1;
      sums[at + 1] += dx;
      sums[at + 2] += dx * dx;
    }
  }

  private void addTwo(
      int start,
      int n,
      int[] a,
      int atA,
      int[] b,
      int atB,
      int sizeB,
      int[] c,
      int atC,
      int sizeC,
      double[] sums) {
    double[] valuesX = x;
    double[] valuesY = y;
    for (int i = 0; i < n; i++) {
      int p = a[atA + i];
      int q = b[atB + i];
      int r = c[atC + i];
      double dx = valuesX[start + i] - originX;
      double dy = valuesY[start + i] - originY;
      int slot = ((p * sizeB + q) * sizeC + r + 1) & ~((p | q | r) >> 31);
      int at = dx == dx & dy == dy ? TWO * slot : 0;
      sums[at] += 1;
      sums[at + 1] += dx;
      sums[at + 2] += dx * dx;
      sums[at + 3] += dy;
      sums[at + 4] += dx * dy;
      sums[at + 5] += dy * dy;
    }
  }
}
