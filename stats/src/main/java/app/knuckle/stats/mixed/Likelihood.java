package app.knuckle.stats.mixed;

import app.knuckle.stats.mixed.MixedRows.Layout;
import java.util.Arrays;
import java.util.stream.IntStream;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/**
 * The restricted likelihood of a mixed model. The random terms that are not among the errors, and
 * the fixed part, are eliminated by the mixed-model equations, whose size is that of coordinates
 * and levels, never that of rows.
 *
 * @see "Patterson, H. D. and Thompson, R. (1971). Recovery of inter-block information when block
 *     sizes are unequal. Biometrika 58, 545-554"
 * @see "Henderson, C. R. (1975). Best linear unbiased estimation and prediction under a selection
 *     model. Biometrics 31, 423-447"
 * @see "Harville, D. A. (1977). Maximum likelihood approaches to variance component estimation and
 *     to related problems. J. Amer. Statist. Assoc. 72, 320-338"
 */
final class Likelihood {

  private final MixedRows rows;
  private final Layout layout;
  private final Errors errors;
  private final int parameters;

  Likelihood(MixedRows rows, Layout layout, Errors errors, int parameters) {
    this.rows = rows;
    this.layout = layout;
    this.errors = errors;
    this.parameters = parameters;
  }

  int parameters() {
    return parameters;
  }

  MixedRows rows() {
    return rows;
  }

  Layout layout() {
    return layout;
  }

  Errors errors() {
    return errors;
  }

  /**
   * The likelihood at some parameters.
   *
   * @param value minus twice its logarithm, of the scaled response
   * @param gradient first derivatives of the value
   * @param hessian second derivatives of the value
   * @param information expected, of the log likelihood
   */
  record Point(double value, double[] gradient, double[][] hessian, double[][] information) {}

  /**
   * Looks at some parameters.
   *
   * @param t variances at least 0, then what else there is
   * @return null where the covariance is not positive definite
   */
  Point at(double[] t) {
    Errors.Products k = errors.at(t);
    Eliminated p = k == null ? null : eliminate(k, t, true);
    if (p == null) {
      return null;
    }
    int[] inner = errors.parameters();
    int y = p.size() - 1;
    double logs = k.logDeterminant() + p.logDeterminant();
    for (int o = 0; o < layout.terms().length; o++) {
      double s = t[layout.terms()[o]];
      logs += s > 0 ? rows.random.get(layout.terms()[o]).size() * Math.log(s) : 0;
    }
    double value =
        (rows.size() - rows.rank()) * Math.log(2 * Math.PI) + logs + p.product().get(y, y);
    double[] gradient = new double[parameters];
    double[][] hessian = new double[parameters][parameters];
    double[][] information = new double[parameters][parameters];
    Eliminated.Between between = p.new Between(k.first());
    for (int a = 0; a < inner.length; a++) {
      gradient[inner[a]] = k.traces().first()[a] - p.trace(k.first()[a]) - between.response(a);
    }
    for (int o = 0; o < layout.terms().length; o++) {
      int[] own = p.rowsOf(o);
      double trace = 0;
      double squares = 0;
      for (int r : own) {
        trace += p.product().get(r, r);
        squares += p.product().get(r, y) * p.product().get(r, y);
      }
      gradient[layout.terms()[o]] = trace - squares;
      for (int other = o; other < layout.terms().length; other++) {
        set(o, other, products(p, own, p.rowsOf(other), y), hessian, information);
      }
      for (int a = 0; a < inner.length; a++) {
        double both = 0;
        double along = 0;
        for (int r : own) {
          both += between.own(a, r);
          along += p.product().get(r, y) * between.withResponse(a, r);
        }
        fill(layout.terms()[o], inner[a], both, along, hessian, information);
      }
    }
    for (int a = 0; a < inner.length; a++) {
      for (int b = a; b < inner.length; b++) {
        double trace =
            k.traces().second()[a][b] - 2 * p.trace(k.second()[a][b]) + between.trace(a, b);
        double along = between.response(a, b, k.second()[a][b]);
        fill(inner[a], inner[b], trace, along, hessian, information);
        if (k.bent() != null) {
          double bend =
              k.traces().bent()[a][b] - p.trace(k.bent()[a][b]) - between.response(k.bent()[a][b]);
          hessian[inner[a]][inner[b]] += bend;
          hessian[inner[b]][inner[a]] = hessian[inner[a]][inner[b]];
        }
      }
    }
    return new Point(value, gradient, hessian, information);
  }

  private void set(
      int o, int other, double[] products, double[][] hessian, double[][] information) {
    fill(layout.terms()[o], layout.terms()[other], products[0], products[1], hessian, information);
  }

  /** The sum of squares of a block of P's products, and y'PZZ'PZZ'Py. */
  private static double[] products(Eliminated p, int[] own, int[] others, int y) {
    double squares = 0;
    double along = 0;
    for (int r : own) {
      double row = 0;
      for (int s : others) {
        double x = p.product().get(r, s);
        squares += x * x;
        row += x * p.product().get(s, y);
      }
      along += row * p.product().get(r, y);
    }
    return new double[] {squares, along};
  }

  private static void fill(
      int i, int j, double trace, double along, double[][] hessian, double[][] information) {
    hessian[i][j] = -trace + 2 * along;
    hessian[j][i] = hessian[i][j];
    information[i][j] = trace / 2;
    information[j][i] = trace / 2;
  }

  /**
   * Takes columns out.
   *
   * @param k products by the errors
   * @param t parameters
   * @param withFixed whether the fixed part goes with the random terms, as in P; else it stays, as
   *     in the inverse of V
   * @return null where what is left is not positive definite
   */
  Eliminated eliminate(Errors.Products k, double[] t, boolean withFixed) {
    Eliminated e = new Eliminated(layout, k.all(), t, withFixed);
    return e.isPossible() ? e : null;
  }

  /** The estimate of all parameters that stands for equal shares of the response's variance. */
  double[] equalShares(int variances) {
    double[] t = new double[parameters];
    Arrays.fill(t, 0, variances, 1.0 / variances);
    return t;
  }

  /** Places from 0 to a number. */
  static int[] first(int n) {
    return IntStream.range(0, n).toArray();
  }

  /** Some rows and columns. */
  static DMatrixRMaj part(DMatrixRMaj m, int[] rows, int[] columns) {
    DMatrixRMaj part = new DMatrixRMaj(rows.length, columns.length);
    CommonOps_DDRM.extract(m, rows, rows.length, columns, columns.length, part);
    return part;
  }
}
