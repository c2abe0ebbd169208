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
  private static final long LARGEST_TABLE = 1L << 16;

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
   * @param apart whether the products within each cell are wanted, rather than their sum; not of
   *     one variable alone
   */
  static Cells of(List<Factor> factors, List<double[]> variables, boolean apart) {
    double[][] values = variables.toArray(new double[0][]);
    long combinations = factors.stream().mapToLong(Factor::size).reduce(1, Cells::capped);
    if (values.length <= 2 && combinations <= LARGEST_TABLE) {
      Cells all = onePass(factors, values, codes(factors, (int) combinations), apart);
      if (all != null) {
        return all.filled();
      }
    }
    return numbered(factors, values, new int[values[0].length], apart);
  }

  /** Levels of every combination, the last factor running fastest. */
  private static int[][] codes(List<Factor> factors, int combinations) {
    int[][] codes = new int[combinations][factors.size()];
    for (int cell = 0; cell < combinations; cell++) {
      int rest = cell;
      for (int f = factors.size() - 1; f >= 0; f--) {
        codes[cell][f] = rest % factors.get(f).size();
        rest /= factors.get(f).size();
      }
    }
    return codes;
  }

  /** A sum of squares this small beside what was taken off it has lost digits. */
  private static final double CANCELLATION = 1e3;

  /** One or two variables in every combination; null if digits were lost. */
  private static Cells onePass(
      List<Factor> factors, double[][] values, int[][] codes, boolean apart) {
    int cells = codes.length;
    int variables = values.length;
    double[] origins = origins(factors, values);
    CellSums pass = new CellSums(factors, values, origins, cells);
    double[] sums = pass.take();
    long[] counts = new long[cells];
    double[][] means = new double[variables][cells];
    double[][][] within = new double[apart ? cells : 1][variables][variables];
    boolean exact = true;
    int rows = 0;
    double squares = 0;
    double taken = 0;
    for (int cell = 0; cell < cells; cell++) {
      int at = cell * pass.stride();
      double n = sums[at];
      if (n == 0) {
        continue;
      }
      counts[cell] = (long) n;
      rows += (int) n;
      means[0][cell] = sums[at + 1] / n;
      squares += sums[at + 2];
      taken += sums[at + 1] * means[0][cell];
      if (variables == 2) {
        double[][] own = within[apart ? cell : 0];
        means[1][cell] = sums[at + 3] / n;
        double xx = sums[at + 2] - sums[at + 1] * means[0][cell];
        double xy = sums[at + 4] - sums[at + 1] * means[1][cell];
        double yy = sums[at + 5] - sums[at + 3] * means[1][cell];
        exact &= sums[at + 2] <= CANCELLATION * xx && sums[at + 5] <= CANCELLATION * yy;
        own[0][0] += xx;
        own[0][1] += xy;
        own[1][0] += xy;
        own[1][1] += yy;
      }
    }
    if (variables == 1) {
      within[0][0][0] = squares - taken;
      exact = squares <= CANCELLATION * within[0][0][0];
    }
    return exact ? new Cells(codes, counts, means, within, origins, rows) : null;
  }

  /** The values of the first complete row. */
  private static double[] origins(List<Factor> factors, double[][] values) {
    double[] origins = new double[values.length];
    for (int row = 0; row < values[0].length; row++) {
      int at = row;
      if (factors.stream().allMatch(f -> f.codes()[at] >= 0)
          && Arrays.stream(values).noneMatch(v -> Double.isNaN(v[at]))) {
        for (int v = 0; v < origins.length; v++) {
          origins[v] = values[v][row];
        }
        break;
      }
    }
    return origins;
  }

  /** Without the combinations that no row has. */
  private Cells filled() {
    int[] kept =
        java.util.stream.IntStream.range(0, counts.length).filter(c -> counts[c] > 0).toArray();
    if (kept.length == counts.length) {
      return this;
    }
    boolean apart = within.length == counts.length;
    int[][] someCodes = new int[kept.length][];
    long[] someCounts = new long[kept.length];
    double[][] someMeans = new double[means.length][kept.length];
    double[][][] someWithin = apart ? new double[kept.length][][] : within;
    for (int i = 0; i < kept.length; i++) {
      someCodes[i] = codes[kept[i]];
      someCounts[i] = counts[kept[i]];
      for (int v = 0; v < means.length; v++) {
        someMeans[v][i] = means[v][kept[i]];
      }
      if (apart) {
        someWithin[i] = within[kept[i]];
      }
    }
    return new Cells(someCodes, someCounts, someMeans, someWithin, origins, rows);
  }

  private static Cells numbered(
      List<Factor> factors, double[][] values, int[] cellOf, boolean apart) {
    int combinations =
        (int)
            Math.min(
                LARGEST_TABLE + 1,
                factors.stream().mapToLong(Factor::size).reduce(1, Cells::capped));
    int cells =
        combinations <= LARGEST_TABLE
            ? numberByTable(factors, values, cellOf, combinations)
            : numberByMap(factors, values, cellOf);
    int[] first = new int[cells];
    Arrays.fill(first, -1);
    int rows = 0;
    int firstRow = -1;
    for (int row = 0; row < cellOf.length; row++) {
      int cell = cellOf[row];
      if (cell >= 0) {
        rows++;
        if (first[cell] < 0) {
          first[cell] = row;
          firstRow = firstRow < 0 ? row : firstRow;
        }
      }
    }
    double[] origins = new double[values.length];
    for (int v = 0; v < origins.length && firstRow >= 0; v++) {
      origins[v] = values[v][firstRow];
    }
    int[][] codes = new int[cells][factors.size()];
    for (int cell = 0; cell < cells; cell++) {
      for (int f = 0; f < factors.size(); f++) {
        codes[cell][f] = factors.get(f).codes()[first[cell]];
      }
    }
    long[] counts = new long[cells];
    double[][] means = new double[values.length][cells];
    double[][][] within = new double[apart ? cells : 1][values.length][values.length];
    twoPasses(values, cellOf, counts, means, within, origins, apart);
    return new Cells(codes, counts, means, within, origins, rows);
  }

  private static long capped(long a, long b) {
    return Math.min(LARGEST_TABLE + 1, a * Math.max(1, b));
  }

  private static int numberByTable(
      List<Factor> factors, double[][] values, int[] cellOf, int combinations) {
    int[] keys = Factor.combinations(factors, cellOf.length);
    int[] table = new int[combinations];
    Arrays.fill(table, -1);
    int cells = 0;
    for (int row = 0; row < cellOf.length; row++) {
      boolean whole = keys[row] >= 0;
      for (double[] column : values) {
        whole &= column[row] == column[row];
      }
      if (!whole) {
        cellOf[row] = -1;
        continue;
      }
      if (table[keys[row]] < 0) {
        table[keys[row]] = cells++;
      }
      cellOf[row] = table[keys[row]];
    }
    return cells;
  }

  private static int numberByMap(List<Factor> factors, double[][] values, int[] cellOf) {
    Map<List<Integer>, Integer> seen = new HashMap<>();
    for (int row = 0; row < cellOf.length; row++) {
      boolean whole = true;
      for (double[] column : values) {
        whole &= !Double.isNaN(column[row]);
      }
      List<Integer> key = new java.util.ArrayList<>();
      for (Factor factor : factors) {
        whole &= factor.codes()[row] >= 0;
        key.add(factor.codes()[row]);
      }
      cellOf[row] = whole ? seen.computeIfAbsent(key, k -> seen.size()) : -1;
    }
    return seen.size();
  }

  private static void twoPasses(
      double[][] values,
      int[] cellOf,
      long[] counts,
      double[][] means,
      double[][][] within,
      double[] origins,
      boolean apart) {
    Arrays.fill(counts, 0);
    double[][] found = means(values, cellOf, counts, origins);
    System.arraycopy(found, 0, means, 0, found.length);
    for (int a = 0; a < values.length; a++) {
      for (int b = 0; b <= a; b++) {
        double[] sums =
            products(
                new Centred(values[a], origins[a], means[a]),
                new Centred(values[b], origins[b], means[b]),
                cellOf,
                new double[within.length],
                apart);
        for (int cell = 0; cell < sums.length; cell++) {
          within[cell][a][b] = sums[cell];
          within[cell][b][a] = sums[cell];
        }
      }
    }
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

  /** A column about the means of its cells. */
  private record Centred(double[] values, double origin, double[] means) {}

  /** Adds products of two columns to the sums of their cells, or of all cells together. */
  private static double[] products(
      Centred x, Centred y, int[] cellOf, double[] sums, boolean apart) {
    double[] xs = x.values;
    double[] ys = y.values;
    for (int row = 0; row < xs.length; row++) {
      int cell = cellOf[row];
      if (cell >= 0) {
        double dx = xs[row] - x.origin - x.means[cell];
        double dy = ys[row] - y.origin - y.means[cell];
        sums[apart ? cell : 0] += dx * dy;
      }
    }
    return sums;
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
