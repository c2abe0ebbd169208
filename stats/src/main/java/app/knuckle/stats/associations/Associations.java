package app.knuckle.stats.associations;

import app.knuckle.stats.ranks.FenwickTree;
import app.knuckle.stats.ranks.Midranks;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * Correlations of columns, each as a square matrix in the order of the columns. What does not
 * exist, as with a constant column, is null.
 */
public final class Associations {

  private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

  /** Up to so many rows every order is enumerated for Spearman's coefficient. */
  private static final int MOST_ORDERS = 8;

  /** Up to so many rows Kendall's score is counted exactly. */
  private static final int MOST_KENDALL = 60;

  /** Coefficients this close are equal but for rounding. */
  private static final double SAME = 1e-12;

  private Associations() {}

  private interface Pair {
    Double of(double[] x, double[] y);
  }

  private static List<List<Double>> matrix(double[][] columns, Double diagonal, Pair pair) {
    List<List<Double>> rows = new ArrayList<>();
    for (int i = 0; i < columns.length; i++) {
      List<Double> row = new ArrayList<>();
      for (int j = 0; j < columns.length; j++) {
        Double value = i == j ? own(columns[i], diagonal) : pair.of(columns[i], columns[j]);
        row.add(value == null || !Double.isFinite(value) ? null : value);
      }
      rows.add(row);
    }
    return rows;
  }

  /** A constant goes together with nothing, not with itself either. */
  private static Double own(double[] column, Double diagonal) {
    return Arrays.stream(column).allMatch(v -> v == column[0]) ? null : diagonal;
  }

  private static double products(double[] x, double[] y) {
    double mx = Arrays.stream(x).map(v -> v - x[0]).sum() / x.length;
    double my = Arrays.stream(y).map(v -> v - y[0]).sum() / y.length;
    double sum = 0;
    for (int i = 0; i < x.length; i++) {
      sum += (x[i] - x[0] - mx) * (y[i] - y[0] - my);
    }
    return sum;
  }

  private static double r(double[] x, double[] y) {
    return products(x, y) / Math.sqrt(products(x, x) * products(y, y));
  }

  private static Double t(double r, int n) {
    return r * Math.sqrt((n - 2) / ((1 - r) * (1 + r)));
  }

  private static Double p(double t, int n) {
    return n < 3
        ? null
        : (Double) Math.min(1, 2 * TDistribution.of(n - 2.0).survivalProbability(Math.abs(t)));
  }

  /**
   * Pearson's coefficient.
   *
   * @param columns complete, of one length
   * @param alpha one less the confidence of the intervals
   * @return form, n, coefficients, t, df, p, low, high
   */
  public static Association.Pearson pearson(double[][] columns, double alpha) {
    int n = columns[0].length;
    double z = NORMAL.inverseSurvivalProbability(alpha / 2);
    return new Association.Pearson(
        byT("pearson", columns),
        matrix(columns, null, (x, y) -> limit(r(x, y), -z, n)),
        matrix(columns, null, (x, y) -> limit(r(x, y), z, n)));
  }

  private static Association.ByT byT(String form, double[][] columns) {
    int n = columns[0].length;
    return new Association.ByT(
        form,
        n,
        matrix(columns, 1.0, Associations::r),
        matrix(columns, null, (x, y) -> t(r(x, y), n)),
        n - 2,
        matrix(columns, null, (x, y) -> p(t(r(x, y), n), n)));
  }

  /** Fisher (1921): atanh r is nearly normal. */
  private static Double limit(double r, double z, int n) {
    double atanh = 0.5 * Math.log1p(2 * r / (1 - r));
    return n > 3 ? (Double) Math.tanh(atanh + z / Math.sqrt(n - 3.0)) : null;
  }

  /**
   * Spearman's coefficient.
   *
   * @param columns complete, of one length
   * @return form, n, coefficients, t, df, p, exactP
   */
  public static Association.Spearman spearman(double[][] columns) {
    int n = columns[0].length;
    double[][] ranks = Arrays.stream(columns).map(Midranks::of).toArray(double[][]::new);
    return new Association.Spearman(
        byT("spearman", ranks),
        matrix(ranks, null, (x, y) -> n <= MOST_ORDERS ? exactOrders(x, y) : null));
  }

  private static Double exactOrders(double[] x, double[] y) {
    double observed = Math.abs(r(x, y));
    if (Double.isNaN(observed)) {
      return null;
    }
    long[] counts = new long[2];
    orders(x, y.clone(), 0, observed, counts);
    return counts[0] / (double) counts[1];
  }

  private static void orders(double[] x, double[] y, int at, double observed, long[] counts) {
    if (at == y.length) {
      counts[0] += Math.abs(r(x, y)) >= observed - SAME ? 1 : 0;
      counts[1]++;
      return;
    }
    for (int i = at; i < y.length; i++) {
      double kept = y[at];
      y[at] = y[i];
      y[i] = kept;
      orders(x, y, at + 1, observed, counts);
      y[i] = y[at];
      y[at] = kept;
    }
  }

  /**
   * Kendall's tau-b.
   *
   * @param columns complete, of one length
   * @return form, n, coefficients, scores, variances, z, p, exactP
   * @see "Kendall, M. G. (1970). Rank correlation methods, 4th ed., chapters 3-5"
   */
  public static Association.Kendall kendall(double[][] columns) {
    int n = columns[0].length;
    return new Association.Kendall(
        "kendall",
        n,
        matrix(columns, 1.0, Associations::tau),
        matrix(columns, null, Associations::score),
        matrix(columns, null, Associations::variance),
        matrix(columns, null, Associations::z),
        matrix(
            columns,
            null,
            (x, y) -> Math.min(1, 2 * NORMAL.survivalProbability(Math.abs(z(x, y))))),
        matrix(columns, null, Associations::exactKendall));
  }

  /** Pairs that agree less those that disagree, counted in n log n steps on a tree of counts. */
  private static Double score(double[] x, double[] y) {
    int n = x.length;
    int[] order =
        IntStream.range(0, n)
            .boxed()
            .sorted(Comparator.comparingDouble(i -> x[i]))
            .mapToInt(Integer::intValue)
            .toArray();
    FenwickTree smaller = new FenwickTree(y);
    double s = 0;
    for (int from = 0, to; from < n; from = to) {
      for (to = from; to < n && x[order[to]] == x[order[from]]; to++) {
        double value = y[order[to]];
        int below = smaller.below(value);
        s += below - (from - below - smaller.equal(value));
      }
      for (int i = from; i < to; i++) {
        smaller.add(y[order[i]]);
      }
    }
    return s;
  }

  /** Sizes of the tied sets. */
  private static double[] ties(double[] x) {
    double[] sorted = x.clone();
    Arrays.sort(sorted);
    List<Double> sizes = new ArrayList<>();
    for (int i = 0; i < sorted.length; ) {
      int j = i;
      while (j < sorted.length && sorted[j] == sorted[i]) {
        j++;
      }
      sizes.add((double) (j - i));
      i = j;
    }
    return sizes.stream().mapToDouble(s -> s).toArray();
  }

  private static double sum(double[] ties, java.util.function.DoubleUnaryOperator of) {
    return Arrays.stream(ties).map(of).sum();
  }

  private static Double tau(double[] x, double[] y) {
    double n = x.length;
    double n0 = n * (n - 1) / 2;
    double n1 = sum(ties(x), t -> t * (t - 1) / 2);
    double n2 = sum(ties(y), t -> t * (t - 1) / 2);
    return score(x, y) / Math.sqrt((n0 - n1) * (n0 - n2));
  }

  private static Double variance(double[] x, double[] y) {
    double n = x.length;
    double[] t = ties(x);
    double[] u = ties(y);
    double first =
        n * (n - 1) * (2 * n + 5)
            - sum(t, a -> a * (a - 1) * (2 * a + 5))
            - sum(u, a -> a * (a - 1) * (2 * a + 5));
    double second = sum(t, a -> a * (a - 1)) * sum(u, a -> a * (a - 1)) / (2 * n * (n - 1));
    double third =
        n > 2
            ? sum(t, a -> a * (a - 1) * (a - 2))
                * sum(u, a -> a * (a - 1) * (a - 2))
                / (9 * n * (n - 1) * (n - 2))
            : 0;
    return first / 18 + second + third;
  }

  private static Double z(double[] x, double[] y) {
    return score(x, y) / Math.sqrt(variance(x, y));
  }

  /** Without ties the score has the distribution of the number of inversions. */
  private static Double exactKendall(double[] x, double[] y) {
    int n = x.length;
    if (n > MOST_KENDALL || ties(x).length < n || ties(y).length < n) {
      return null;
    }
    double[] distribution = {1};
    for (int i = 2; i <= n; i++) {
      double[] next = new double[distribution.length + i - 1];
      for (int s = 0; s < distribution.length; s++) {
        for (int add = 0; add < i; add++) {
          next[s + add] += distribution[s] / i;
        }
      }
      distribution = next;
    }
    int inversions = (int) Math.round((n * (n - 1.0) / 2 - score(x, y)) / 2);
    double up = 0;
    double down = 0;
    for (int s = 0; s < distribution.length; s++) {
      up += s >= inversions ? distribution[s] : 0;
      down += s <= inversions ? distribution[s] : 0;
    }
    return Math.min(1, 2 * Math.min(up, down));
  }

  /**
   * Covariances with divisor n - 1.
   *
   * @param columns complete, of one length, two rows or more
   * @return n, divisor, matrix
   */
  public static Association.Covariance covariance(double[][] columns) {
    int n = columns[0].length;
    List<List<Double>> rows = new ArrayList<>();
    for (double[] x : columns) {
      List<Double> row = new ArrayList<>();
      for (double[] y : columns) {
        row.add(products(x, y) / (n - 1.0));
      }
      rows.add(row);
    }
    return new Association.Covariance(n, n - 1, rows);
  }
}
