package app.knuckle.stats.linear;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Rows reduced to the cells that they fill: for each combination of levels that occurs the size and
 * means, and the products of deviations within cells. A linear model needs no more, so that its
 * cost grows with the rows only here.
 *
 * <p>Variables are the covariates, then the responses. Each is taken as its deviation from one of
 * its own values, which is exact, so that a large offset costs no digits.
 */
final class Cells {

  /** Combinations up to here are counted in a table, beyond in a map. */
  private static final long LARGEST_TABLE = 1L << 22;

  private final int[][] codes;
  private final long[] counts;
  private final double[][] means;
  private final double[][][] within;
  private final double[] origins;
  private final int rows;

  private Cells(
      int[][] codes,
      long[] counts,
      double[][] means,
      double[][][] within,
      double[] origins,
      int rows) {
    this.codes = codes;
    this.counts = counts;
    this.means = means;
    this.within = within;
    this.origins = origins;
    this.rows = rows;
  }

  /**
   * Reduces rows.
   *
   * @param factors a row without a level of any of them takes no part
   * @param variables one array each; a row without a value of any of them takes no part
   * @param apart whether the products within each cell are wanted, rather than their sum
   */
  static Cells of(List<Factor> factors, List<double[]> variables, boolean apart) {
    int n = variables.get(0).length;
    int q = variables.size();
    double[][] values = variables.toArray(new double[0][]);
    int[][] levels = factors.stream().map(Factor::codes).toArray(int[][]::new);
    int[] cellOf = new int[n];
    Map<Long, Integer> seen = new HashMap<>();
    long combinations = 1;
    for (Factor factor : factors) {
      combinations = Math.multiplyExact(combinations, Math.max(1, factor.size()));
    }
    int[] table = combinations <= LARGEST_TABLE ? filled((int) combinations) : null;
    int cells = 0;
    int rows = 0;
    int[] first = new int[16];
    double[] origins = new double[q];
    for (int row = 0; row < n; row++) {
      long key = 0;
      boolean whole = true;
      for (int f = 0; f < levels.length; f++) {
        int code = levels[f][row];
        whole &= code >= 0;
        key = key * factors.get(f).size() + code;
      }
      for (int v = 0; v < q; v++) {
        whole &= !Double.isNaN(values[v][row]);
      }
      if (!whole) {
        cellOf[row] = -1;
        continue;
      }
      if (rows++ == 0) {
        for (int v = 0; v < q; v++) {
          origins[v] = values[v][row];
        }
      }
      int cell;
      if (table != null) {
        cell = table[(int) key];
      } else {
        cell = seen.getOrDefault(key, -1);
      }
      if (cell < 0) {
        cell = cells++;
        if (table != null) {
          table[(int) key] = cell;
        } else {
          seen.put(key, cell);
        }
        if (cell == first.length) {
          first = Arrays.copyOf(first, 2 * cell);
        }
        first[cell] = row;
      }
      cellOf[row] = cell;
    }
    long[] counts = new long[cells];
    double[][] means = means(values, cellOf, counts, origins);
    int[][] codes = new int[cells][levels.length];
    for (int cell = 0; cell < cells; cell++) {
      for (int f = 0; f < levels.length; f++) {
        codes[cell][f] = levels[f][first[cell]];
      }
    }
    double[][][] within = new double[apart ? cells : 1][q][q];
    for (int a = 0; a < q; a++) {
      for (int b = 0; b <= a; b++) {
        products(
            values[a],
            values[b],
            origins[a],
            origins[b],
            means[a],
            means[b],
            cellOf,
            apart,
            within,
            a,
            b);
      }
    }
    return new Cells(codes, counts, means, within, origins, rows);
  }

  private static int[] filled(int size) {
    int[] table = new int[size];
    Arrays.fill(table, -1);
    return table;
  }

  private static double[][] means(
      double[][] values, int[] cellOf, long[] counts, double[] origins) {
    double[][] sums = new double[values.length][counts.length];
    for (int cell : cellOf) {
      if (cell >= 0) {
        counts[cell]++;
      }
    }
    for (int v = 0; v < values.length; v++) {
      double[] column = values[v];
      double[] sum = sums[v];
      double origin = origins[v];
      for (int row = 0; row < column.length; row++) {
        if (cellOf[row] >= 0) {
          sum[cellOf[row]] += column[row] - origin;
        }
      }
      for (int cell = 0; cell < counts.length; cell++) {
        sum[cell] /= counts[cell];
      }
    }
    return sums;
  }

  private static void products(
      double[] x,
      double[] y,
      double originX,
      double originY,
      double[] meanX,
      double[] meanY,
      int[] cellOf,
      boolean apart,
      double[][][] within,
      int a,
      int b) {
    double[] sums = new double[within.length];
    for (int row = 0; row < x.length; row++) {
      int cell = cellOf[row];
      if (cell >= 0) {
        double dx = x[row] - originX - meanX[cell];
        double dy = y[row] - originY - meanY[cell];
        sums[apart ? cell : 0] += dx * dy;
      }
    }
    for (int cell = 0; cell < sums.length; cell++) {
      within[cell][a][b] = sums[cell];
      within[cell][b][a] = sums[cell];
    }
  }

  int size() {
    return counts.length;
  }

  int rows() {
    return rows;
  }

  /** Level of a factor in a cell. */
  int code(int cell, int factor) {
    return codes[cell][factor];
  }

  long count(int cell) {
    return counts[cell];
  }

  /** Mean of a variable in a cell, less its origin. */
  double mean(int cell, int variable) {
    return means[variable][cell];
  }

  /** Sums of products within a cell; within all cells together if they were not kept apart. */
  double[][] within(int cell) {
    return within[cell];
  }

  boolean isApart() {
    return within.length == counts.length && counts.length > 1;
  }

  double origin(int variable) {
    return origins[variable];
  }

  /** Mean of a variable over all rows, less its origin. */
  double grandMean(int variable) {
    double sum = 0;
    for (int cell = 0; cell < counts.length; cell++) {
      sum += counts[cell] * means[variable][cell];
    }
    return sum / rows;
  }
}
