package app.knuckle.stats.mixed;

import app.knuckle.stats.mixed.MixedRows.Layout;
import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;
import org.ejml.data.DMatrixRMaj;

/**
 * Independent errors of one variance, with one random term: every group of n rows has covariance
 * {@code s J + e I}, whose inverse is {@code 1/e} within the group and {@code 1/(n s + e)} for its
 * mean. Groups of one size are alike, so that products cost as much as there are sizes, however
 * many groups and rows there are.
 */
final class GroupedErrors implements Errors {

  private final MixedRows rows;
  private final Layout layout;
  private final int term;
  private final int residual;
  private final long[] counts;
  private final double[][] means;
  private final DMatrixRMaj within;
  private final Map<Long, Size> sizes = new TreeMap<>();

  /** Groups of one size: how many, and the products of their means. */
  private record Size(int[] groups, DMatrixRMaj means) {}

  /**
   * Reduces rows.
   *
   * @param rows of the model
   * @param layout the columns
   * @param term the random term whose levels are the groups
   * @param residual place of the variance of the errors among the parameters
   */
  GroupedErrors(MixedRows rows, Layout layout, int term, int residual) {
    this.rows = rows;
    this.layout = layout;
    this.term = term;
    this.residual = residual;
    int groups = rows.random.get(term).size();
    int c = layout.size();
    counts = new long[groups];
    means = new double[groups][c];
    for (int i = 0; i < rows.size(); i++) {
      int g = rows.level(term, i);
      counts[g]++;
      double[] sum = means[g];
      double[] q = rows.fixed[i];
      for (int j = 0; j < q.length; j++) {
        sum[j] += q[j];
      }
      for (int k = 0; k < layout.terms().length; k++) {
        sum[layout.starts()[k] + rows.level(layout.terms()[k], i)]++;
      }
      sum[c - 1] += rows.response[i];
    }
    for (int g = 0; g < groups; g++) {
      for (int j = 0; j < c; j++) {
        means[g][j] /= counts[g];
      }
    }
    within = within();
    for (int g = 0; g < groups; g++) {
      Size size =
          sizes.computeIfAbsent(counts[g], n -> new Size(new int[1], new DMatrixRMaj(c, c)));
      size.groups()[0]++;
      addSquare(size.means(), means[g], filled(means[g]));
    }
    sizes.values().forEach(size -> mirror(size.means()));
  }

  /** Products of deviations from the means of groups; most columns of nested terms have none. */
  private DMatrixRMaj within() {
    int c = layout.size();
    DMatrixRMaj sum = new DMatrixRMaj(c, c);
    for (int i = 0; i < rows.size(); i++) {
      double[] mean = means[rows.level(term, i)];
      double[] x = layout.row(rows, i);
      for (int j = 0; j < c; j++) {
        x[j] -= mean[j];
      }
      addSquare(sum, x, filled(x));
    }
    mirror(sum);
    return sum;
  }

  private static int[] filled(double[] x) {
    int count = 0;
    int[] places = new int[x.length];
    for (int j = 0; j < x.length; j++) {
      if (x[j] != 0) {
        places[count++] = j;
      }
    }
    return Arrays.copyOf(places, count);
  }

  private static void addSquare(DMatrixRMaj sum, double[] x, int[] filled) {
    int c = x.length;
    for (int a = 0; a < filled.length; a++) {
      double xa = x[filled[a]];
      int at = filled[a] * c;
      for (int b = a; b < filled.length; b++) {
        sum.data[at + filled[b]] += xa * x[filled[b]];
      }
    }
  }

  private static void mirror(DMatrixRMaj m) {
    for (int a = 0; a < m.numRows; a++) {
      for (int b = 0; b < a; b++) {
        m.data[a * m.numCols + b] = m.data[b * m.numCols + a];
      }
    }
  }

  /** Products of deviations from the means of groups. */
  DMatrixRMaj withinGroups() {
    return within.copy();
  }

  /** Products of the means of groups, each weighed by a power of its size. */
  DMatrixRMaj ofMeans(int power) {
    DMatrixRMaj sum = new DMatrixRMaj(layout.size(), layout.size());
    sizes.forEach((n, size) -> add(sum, size.means(), Math.pow(n, power)));
    return sum;
  }

  @Override
  public int[] parameters() {
    return new int[] {term, residual};
  }

  @Override
  public int term() {
    return term;
  }

  @Override
  public Products at(double[] t) {
    double s = t[term];
    double e = t[residual];
    if (!(e > 0) || s < 0) {
      return null;
    }
    int c = layout.size();
    DMatrixRMaj all = scaled(within, 1 / e);
    DMatrixRMaj[] first = {new DMatrixRMaj(c, c), scaled(within, 1 / (e * e))};
    DMatrixRMaj[][] second = {
      {new DMatrixRMaj(c, c), new DMatrixRMaj(c, c)}, {null, scaled(within, 1 / (e * e * e))}
    };
    Traces traces = new Traces(2);
    double logDeterminant = 0;
    for (Map.Entry<Long, Size> entry : sizes.entrySet()) {
      double n = entry.getKey();
      double groups = entry.getValue().groups()[0];
      DMatrixRMaj of = entry.getValue().means();
      double l = 1 / (n * s + e);
      add(all, of, n * l);
      add(first[0], of, n * n * l * l);
      add(first[1], of, n * l * l);
      add(second[0][0], of, n * n * n * l * l * l);
      add(second[0][1], of, n * n * l * l * l);
      add(second[1][1], of, n * l * l * l);
      traces.first()[0] += groups * l * n;
      traces.first()[1] += groups * (l + (n - 1) / e);
      traces.second()[0][0] += groups * l * l * n * n;
      traces.second()[0][1] += groups * l * l * n;
      traces.second()[1][1] += groups * (l * l + (n - 1) / (e * e));
      logDeterminant += groups * (-Math.log(l) + (n - 1) * Math.log(e));
    }
    return new Products(logDeterminant, all, first, second, null, traces);
  }

  private static DMatrixRMaj scaled(DMatrixRMaj m, double factor) {
    DMatrixRMaj product = m.copy();
    for (int i = 0; i < product.data.length; i++) {
      product.data[i] *= factor;
    }
    return product;
  }

  private static void add(DMatrixRMaj sum, DMatrixRMaj m, double factor) {
    for (int i = 0; i < m.data.length; i++) {
      sum.data[i] += factor * m.data[i];
    }
  }

  @Override
  public Sums sums(double[] t) {
    double[] own = new double[counts.length];
    double[][] columns = new double[counts.length][];
    for (int g = 0; g < own.length; g++) {
      double factor = counts[g] / (counts[g] * t[term] + t[residual]);
      own[g] = factor;
      columns[g] = Arrays.stream(means[g]).map(x -> x * factor).toArray();
    }
    return new Sums(own, columns);
  }

  @Override
  public RowProducts rows(double[] t) {
    return (i, columns) -> {
      int g = rows.level(term, i);
      double[] x = layout.row(rows, i);
      double l = 1 / (counts[g] * t[term] + t[residual]);
      for (int j = 0; j < x.length; j++) {
        columns[j] = (x[j] - means[g][j]) / t[residual] + l * means[g][j];
      }
      return (1 - 1.0 / counts[g]) / t[residual] + l / counts[g];
    };
  }
}
