package app.knuckle.stats.linear;

import java.util.Arrays;

/**
 * Least squares by Householder reflections, column after column in the order given: a column that
 * depends on those before it is passed over and stays known as their combination. Libraries pivot
 * by size, which would lose the order that sums of squares need.
 *
 * @see "Golub, G. H. (1965). Numerical methods for solving linear least squares problems.
 *     Numerische Mathematik 7, 206-216"
 */
final class OrderedQr {

  /**
   * A column of which less than this share is left, after those before it, depends on them. Columns
   * are centred and scaled beforehand, so rounding leaves about 1e-15 times the square root of the
   * rows; real designs leave far more than this.
   */
  static final double DEPENDENT = 1e-9;

  /**
   * A part of less than this share of a response's length is none: the columns say all of it, and
   * the rest is rounding. What was measured is never that close to a model.
   */
  private static final double NOTHING_LEFT = 1e-13;

  private final double[][] columns;
  private final double[][] right;
  private final int[] place;
  private final int rank;

  /**
   * Reduces a system.
   *
   * @param columns of the design, one array each; overwritten
   * @param right the responses, one array each; overwritten
   */
  OrderedQr(double[][] columns, double[][] right) {
    this(columns, right, new double[right.length]);
  }

  /**
   * Reduces a system whose responses were rounded before.
   *
   * @param columns of the design, one array each; overwritten
   * @param right the responses, one array each; overwritten
   * @param rounding the length of what recording has rounded off of each response
   */
  OrderedQr(double[][] columns, double[][] right, double[] rounding) {
    this.columns = columns;
    this.right = right;
    place = new int[columns.length];
    int rows = right[0].length;
    double[] sizes = Arrays.stream(columns).mapToDouble(c -> norm(c, 0)).toArray();
    double[] lengths = Arrays.stream(right).mapToDouble(r -> norm(r, 0)).toArray();
    int next = 0;
    for (int j = 0; j < columns.length; j++) {
      double left = next < rows ? norm(columns[j], next) : 0;
      if (!(left > DEPENDENT * sizes[j])) {
        place[j] = -1;
        Arrays.fill(columns[j], Math.min(next, rows), rows, 0);
        continue;
      }
      place[j] = next;
      reflect(j, next, left);
      next++;
    }
    rank = next;
    for (int r = 0; r < right.length; r++) {
      cleanse(right[r], Math.max(rounding[r], NOTHING_LEFT * lengths[r]));
    }
  }

  /** Parts of a response that are rounding become 0: along each column, and all that is left. */
  private void cleanse(double[] response, double rounding) {
    for (int i = 0; i < rank; i++) {
      response[i] = Math.abs(response[i]) <= rounding ? 0 : response[i];
    }
    if (norm(response, rank) <= rounding) {
      Arrays.fill(response, rank, response.length, 0);
    }
  }

  private static double norm(double[] column, int from) {
    double scale = 0;
    for (int i = from; i < column.length; i++) {
      scale = Math.max(scale, Math.abs(column[i]));
    }
    if (scale == 0) {
      return 0;
    }
    double sum = 0;
    for (int i = from; i < column.length; i++) {
      double x = column[i] / scale;
      sum += x * x;
    }
    return scale * Math.sqrt(sum);
  }

  /** Turns column j so that nothing is left of it below row k, and all columns after it with it. */
  private void reflect(int j, int k, double size) {
    double[] v = columns[j];
    double end = v[k] > 0 ? -size : size;
    double head = v[k] - end;
    v[k] = head;
    double scale = -1 / (end * head); // 2 / v'v
    for (int other = j + 1; other < columns.length; other++) {
      turn(columns[other], v, k, scale);
    }
    for (double[] response : right) {
      turn(response, v, k, scale);
    }
    Arrays.fill(v, k + 1, v.length, 0);
    v[k] = end;
  }

  private static void turn(double[] x, double[] v, int k, double scale) {
    double factor = dot(x, v, k) * scale;
    if (factor != 0) {
      for (int i = k; i < x.length; i++) {
        x[i] -= factor * v[i];
      }
    }
  }

  /** Four sums side by side: one alone would wait for each addition to end. */
  private static double dot(double[] x, double[] v, int from) {
    double a = 0;
    double b = 0;
    double c = 0;
    double d = 0;
    int i = from;
    for (; i + 3 < x.length; i += 4) {
      a += v[i] * x[i];
      b += v[i + 1] * x[i + 1];
      c += v[i + 2] * x[i + 2];
      d += v[i + 3] * x[i + 3];
    }
    for (; i < x.length; i++) {
      a += v[i] * x[i];
    }
    return (a + b) + (c + d);
  }

  int rank() {
    return rank;
  }

  /** The row of the triangle that a column has for its own; -1 if it depends on those before it. */
  int place(int column) {
    return place[column];
  }

  /** A column of the triangle. */
  double[] column(int j) {
    return Arrays.copyOf(columns[j], rank);
  }

  /** A response in the coordinates of the columns. */
  double[] coordinates(int response) {
    return Arrays.copyOf(right[response], rank);
  }

  /** Sums of products of what the columns leave of the responses. */
  double[][] residual() {
    int m = right.length;
    double[][] sums = new double[m][m];
    for (int a = 0; a < m; a++) {
      for (int b = 0; b <= a; b++) {
        double sum = 0;
        for (int i = rank; i < right[a].length; i++) {
          sum += right[a][i] * right[b][i];
        }
        sums[a][b] = sum;
        sums[b][a] = sum;
      }
    }
    return sums;
  }
}
