package app.knuckle.stats.counts;

import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Model;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * Rows pooled by all factors and covariates: what a model of counts needs of them. Within a cell
 * all rows have one rate, so that their likelihood is that of the cell's total and a constant.
 */
final class CountCells {

  private final CountKind kind;
  private final Model model;
  private final double[] y;
  private final double[] size;
  private final int[] first;
  private final Bins bins;
  private final double[] counts;
  private final double[] sizes;
  private final long[] rowsOf;
  private final double[] within;
  private final double[] squares;
  private final double[] saturated;
  private int[] rows;
  private int[] cellOf;

  /**
   * Pools rows.
   *
   * @param asked whose factors and covariates stand over the rows
   * @param y the counts, NaN where a row takes no part; to be kept as they are
   * @param size exposure, or how many were tried, above 0; null where each is 1
   */
  CountCells(CountModel asked, double[] y, double[] size) {
    kind = asked.kind();
    this.y = y;
    this.size = size;
    bins = Bins.of(asked.fixed(), y, size);
    first = bins.first();
    int n = first.length;
    counts = new double[n];
    sizes = new double[n];
    rowsOf = new long[n];
    within = new double[n];
    squares = new double[n];
    saturated = new double[n];
    for (int b = 0; b < bins.count(); b++) {
      int c = bins.cell(b);
      counts[c] += bins.rows(b) * bins.y(b);
      sizes[c] += bins.rows(b) * bins.size(b);
      rowsOf[c] += bins.rows(b);
    }
    for (int b = 0; b < bins.count(); b++) {
      add(bins.cell(b), bins.y(b), bins.size(b), bins.rows(b));
    }
    List<Integer> firsts = Arrays.stream(first).boxed().toList();
    model =
        new Model(
            asked.fixed().factors().stream().map(f -> cells(f, firsts)).toList(),
            asked.fixed().covariates().stream().map(c -> cells(c, firsts)).toList(),
            asked.fixed().terms(),
            true);
  }

  /** What rows of one count add to the sums of their cell. */
  private void add(int c, double own, double of, long times) {
    double expected = of * counts[c] / sizes[c];
    within[c] += times * 2 * Deviances.term(own, expected);
    if (kind == CountKind.PROPORTIONS) {
      within[c] += times * 2 * Deviances.term(of - own, of - expected);
      saturated[c] += times * Deviances.saturated(own, of);
    } else {
      saturated[c] += times * Deviances.saturated(own);
    }
    squares[c] += times * (own - expected) * (own - expected) / of;
  }

  /** Rows that are alike in cell, count and size. */
  private record Bins(int[] first, int[] cells, double[] ys, double[] sizes, long[] times) {

    static Bins of(Model model, double[] y, double[] size) {
      return model.covariates().isEmpty() && size == null
          ? CountTable.of(model.factors(), y)
              .map(Bins::of)
              .orElseGet(() -> oneByOne(model, y, null))
          : oneByOne(model, y, size);
    }

    private static Bins of(CountTable table) {
      int[] filled =
          IntStream.range(0, table.combinations())
              .filter(c -> table.first(c) >= 0)
              .boxed()
              .sorted(Comparator.comparingInt(table::first))
              .mapToInt(c -> c)
              .toArray();
      int n = 0;
      for (int combination : filled) {
        for (int own = 0; own < table.width(); own++) {
          n += table.rows(combination, own) > 0 ? 1 : 0;
        }
      }
      Bins bins =
          new Bins(
              Arrays.stream(filled).map(table::first).toArray(),
              new int[n],
              new double[n],
              new double[n],
              new long[n]);
      int next = 0;
      for (int cell = 0; cell < filled.length; cell++) {
        for (int own = 0; own < table.width(); own++) {
          int times = table.rows(filled[cell], own);
          if (times > 0) {
            bins.set(next++, cell, own, 1, times);
          }
        }
      }
      return bins;
    }

    private static Bins oneByOne(Model model, double[] y, double[] size) {
      int[] rows = IntStream.range(0, y.length).filter(r -> !Double.isNaN(y[r])).toArray();
      Map<List<Double>, Integer> known = new HashMap<>();
      List<Integer> first = new ArrayList<>();
      Bins bins =
          new Bins(
              null,
              new int[rows.length],
              new double[rows.length],
              new double[rows.length],
              new long[rows.length]);
      for (int i = 0; i < rows.length; i++) {
        int row = rows[i];
        Integer cell = known.putIfAbsent(key(model, row), first.size());
        if (cell == null) {
          cell = first.size();
          first.add(row);
        }
        bins.set(i, cell, y[row], size == null ? 1 : size[row], 1);
      }
      return new Bins(
          first.stream().mapToInt(r -> r).toArray(), bins.cells, bins.ys, bins.sizes, bins.times);
    }

    private void set(int b, int cell, double y, double size, long n) {
      cells[b] = cell;
      ys[b] = y;
      sizes[b] = size;
      times[b] = n;
    }

    int count() {
      return cells.length;
    }

    int cell(int b) {
      return cells[b];
    }

    double y(int b) {
      return ys[b];
    }

    double size(int b) {
      return sizes[b];
    }

    long rows(int b) {
      return times[b];
    }
  }

  /** Levels and covariates of a row. */
  private static List<Double> key(Model model, int row) {
    Double[] key = new Double[model.factors().size() + model.covariates().size()];
    int next = 0;
    for (Factor factor : model.factors()) {
      key[next++] = (double) factor.codes()[row];
    }
    for (Covariate covariate : model.covariates()) {
      key[next++] = covariate.values()[row];
    }
    return Arrays.asList(key);
  }

  /** Rows that are alike in cell, count and size, each kind once. */
  interface Alike {
    /** Takes rows of one kind. */
    void take(int cell, double count, double size, long rows);
  }

  /** Goes over all rows, those that are alike at once. */
  void each(Alike alike) {
    for (int b = 0; b < bins.count(); b++) {
      alike.take(bins.cell(b), bins.y(b), bins.size(b), bins.rows(b));
    }
  }

  /** Rows one by one, for those who ask about single rows. */
  private void sortRows(Model over) {
    rows = IntStream.range(0, y.length).filter(r -> !Double.isNaN(y[r])).toArray();
    cellOf = new int[rows.length];
    Map<List<Double>, Integer> known = new HashMap<>();
    for (int c = 0; c < first.length; c++) {
      known.put(key(over, first[c]), c);
    }
    for (int i = 0; i < rows.length; i++) {
      cellOf[i] = known.get(key(over, rows[i]));
    }
  }

  /** The rows that take part, each with its cell. */
  Rows rows(Model over) {
    if (rows == null) {
      sortRows(over);
    }
    return new Rows();
  }

  /** Single rows. */
  final class Rows {
    int size() {
      return rows.length;
    }

    int row(int i) {
      return rows[i];
    }

    int cell(int i) {
      return cellOf[i];
    }

    double count(int i) {
      return y[rows[i]];
    }

    double sizeOf(int i) {
      return size == null ? 1 : size[rows[i]];
    }
  }

  private static Factor cells(Factor factor, List<Integer> rows) {
    return new Factor(
        factor.name(),
        factor.levels(),
        rows.stream().mapToInt(row -> factor.codes()[row]).toArray());
  }

  private static Covariate cells(Covariate covariate, List<Integer> rows) {
    return new Covariate(
        covariate.name(),
        rows.stream().mapToDouble(row -> covariate.values()[row] + covariate.origin()).toArray());
  }

  CountKind kind() {
    return kind;
  }

  /** The model over cells in place of rows. */
  Model model() {
    return model;
  }

  int size() {
    return counts.length;
  }

  /** Rows that take part. */
  long rows() {
    return Arrays.stream(rowsOf).sum();
  }

  double count(int cell) {
    return counts[cell];
  }

  double sizeOf(int cell) {
    return sizes[cell];
  }

  long rowsOf(int cell) {
    return rowsOf[cell];
  }

  /** Deviance of a cell's rows from its own rate. */
  double within(int cell) {
    return within[cell];
  }

  /** Squared deviations of a cell's rows from its own rate, each over its size. */
  double squares(int cell) {
    return squares[cell];
  }

  /** The log likelihood of a cell's rows where each has its own count for a mean. */
  double saturated(int cell) {
    return saturated[cell];
  }

  /** Levels of a cell, one a factor. */
  int[] levels(int cell) {
    return model.factors().stream().mapToInt(f -> f.codes()[cell]).toArray();
  }

  /** Covariates of a cell, less their origins. */
  double[] at(int cell) {
    return model.covariates().stream().mapToDouble(c -> c.values()[cell]).toArray();
  }
}
