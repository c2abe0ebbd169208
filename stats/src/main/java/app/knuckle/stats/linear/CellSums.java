package app.knuckle.stats.linear;

import app.knuckle.stats.RowParts;
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
   * Takes the sums: by combination, {@link #stride} apart: n, x, xx, and of two variables y, xy,
   * yy.
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
    for (int start = from; start < to; start += STRIP) {
      int n = Math.min(to - start, STRIP);
      Codes codes = codes(start, n, folded);
      if (y == null) {
        addOne(start, n, codes, sums);
      } else {
        addTwo(start, n, codes, sums);
      }
    }
    return sums;
  }

  /**
   * Three codes a row, each beginning somewhere in its array, and of how many levels the last are.
   */
  private record Codes(int[] a, int atA, int[] b, int atB, int sizeB, int[] c, int atC, int sizeC) {

    /** One more than the combination of a row; 0 without a level of some factor. */
    int slot(int i) {
      int p = a[atA + i];
      int q = b[atB + i];
      int r = c[atC + i];
      return ((p * sizeB + q) * sizeC + r + 1) & ~((p | q | r) >> 31);
    }
  }

  private Codes codes(int start, int n, int[] folded) {
    boolean many = factors.size() > ABREAST;
    if (many) {
      fold(start, n, folded);
    }
    int second = many ? factors.size() - 2 : 1;
    return new Codes(
        many ? folded : codes(0),
        many ? 0 : at(0, start),
        codes(second),
        at(second, start),
        size(second),
        codes(second + 1),
        at(second + 1, start),
        size(second + 1));
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

  /** Combinations of all factors but the last two; below 0 for rows without a level of some. */
  private void fold(int start, int n, int[] folded) {
    Arrays.fill(folded, 0);
    for (Factor factor : factors.subList(0, factors.size() - 2)) {
      int[] codes = factor.codes();
      int size = factor.size();
      for (int i = 0; i < n; i++) {
        int before = folded[i];
        int code = codes[start + i];
        folded[i] = (before | code) < 0 ? -1 : before * size + code;
      }
    }
  }

  /** One row at a time, without a branch: so the compiler takes several at once. */
  private void addOne(int start, int n, Codes of, double[] sums) {
    double[] values = x;
    double origin = originX;
    for (int i = 0; i < n; i++) {
      double dx = values[start + i] - origin;
      int at = dx == dx ? ONE * of.slot(i) : 0;
      sums[at] += 1;
      sums[at + 1] += dx;
      sums[at + 2] += dx * dx;
    }
  }

  private void addTwo(int start, int n, Codes of, double[] sums) {
    double[] valuesX = x;
    double[] valuesY = y;
    for (int i = 0; i < n; i++) {
      double dx = valuesX[start + i] - originX;
      double dy = valuesY[start + i] - originY;
      int at = dx == dx & dy == dy ? TWO * of.slot(i) : 0;
      sums[at] += 1;
      sums[at + 1] += dx;
      sums[at + 2] += dx * dx;
      sums[at + 3] += dy;
      sums[at + 4] += dx * dy;
      sums[at + 5] += dy * dy;
    }
  }
}
