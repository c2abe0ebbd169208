package app.knuckle.stats.distributions;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;
import org.ejml.interfaces.decomposition.EigenDecomposition_F64;

/**
 * Correlations as sums of a few shared variables and one of each variable's own.
 *
 * @see "Harman, H. H. and Jones, W. H. (1966). Factor analysis by minimizing residuals.
 *     Psychometrika 31, 351-368"
 */
final class Factors {
  /** Sweeps after which loadings that can be exact are. */
  private static final int SWEEPS = 4000;

  /** Loadings that change by less in a sweep have settled. */
  private static final double SETTLED = 1e-14;

  private static final int HALVINGS = 30;

  /** Variances below this are what rounding leaves. */
  private static final double NOTHING = 1e-12;

  /** Entries of a matrix and of the product of its roots that agree to this are the same. */
  private static final double ROUNDING = 1e-9;

  private Factors() {}

  /**
   * The loadings whose products come nearest the correlations beside the diagonal, one variable
   * after the other until they settle, made so small that what is left is a covariance.
   *
   * @param r correlations
   * @param factors how many shared variables
   * @param leastOwn variance that every variable keeps for itself at least
   * @return a row a variable, along principal axes
   */
  static double[][] nearest(double[][] r, int factors, double leastOwn) {
    double[][] l = axes(r, factors);
    for (int sweep = 0; sweep < SWEEPS; sweep++) {
      double moved = 0;
      for (int i = 0; i < l.length; i++) {
        double[] own = row(r, l, i, leastOwn);
        for (int k = 0; k < factors; k++) {
          moved = Math.max(moved, Math.abs(own[k] - l[i][k]));
        }
        l[i] = own;
      }
      if (moved < SETTLED) {
        break;
      }
    }
    return along(shrunk(r, l));
  }

  /** Principal axes of the correlations: where the sweeps begin. */
  private static double[][] axes(double[][] r, int factors) {
    EigenDecomposition_F64<DMatrixRMaj> eigen = DecompositionFactory_DDRM.eig(r.length, true, true);
    eigen.decompose(new DMatrixRMaj(r));
    int[] largest =
        IntStream.range(0, r.length)
            .boxed()
            .sorted(
                (a, b) -> Double.compare(eigen.getEigenvalue(b).real, eigen.getEigenvalue(a).real))
            .mapToInt(i -> i)
            .toArray();
    double[][] l = new double[r.length][factors];
    for (int k = 0; k < factors; k++) {
      double size = Math.sqrt(Math.max(0, eigen.getEigenvalue(largest[k]).real) / 2);
      for (int i = 0; i < r.length; i++) {
        l[i][k] = size * eigen.getEigenVector(largest[k]).get(i, 0);
      }
    }
    return l;
  }

  /** The best loadings of one variable for those of the others. */
  private static double[] row(double[][] r, double[][] l, int i, double leastOwn) {
    int factors = l[i].length;
    DMatrixRMaj squares = new DMatrixRMaj(factors, factors);
    DMatrixRMaj products = new DMatrixRMaj(factors, 1);
    for (int j = 0; j < l.length; j++) {
      for (int a = 0; a < factors && j != i; a++) {
        products.add(a, 0, r[i][j] * l[j][a]);
        for (int b = 0; b < factors; b++) {
          squares.add(a, b, l[j][a] * l[j][b]);
        }
      }
    }
    DMatrixRMaj own = new DMatrixRMaj(factors, 1);
    if (!CommonOps_DDRM.solve(squares, products, own)) {
      return l[i];
    }
    double size = Arrays.stream(own.data).map(x -> x * x).sum();
    double most = Math.min(1, Math.sqrt((1 - leastOwn) / size));
    return Arrays.stream(own.data).map(x -> size > 0 ? most * x : 0).toArray();
  }

  private static double[][] shrunk(double[][] r, double[][] l) {
    double least = 0;
    double most = 1;
    if (isCovariance(without(r, l))) {
      return l;
    }
    for (int halving = 0; halving < HALVINGS; halving++) {
      double between = (least + most) / 2;
      if (isCovariance(without(r, times(between, l)))) {
        least = between;
      } else {
        most = between;
      }
    }
    return times(least, l);
  }

  /** The same loadings turned to their principal axes, where features are widest. */
  private static double[][] along(double[][] l) {
    int factors = l[0].length;
    if (factors == 1) {
      return l;
    }
    DMatrixRMaj loadings = new DMatrixRMaj(l);
    DMatrixRMaj squares = new DMatrixRMaj(factors, factors);
    CommonOps_DDRM.multTransA(loadings, loadings, squares);
    EigenDecomposition_F64<DMatrixRMaj> eigen = DecompositionFactory_DDRM.eig(factors, true, true);
    eigen.decompose(squares);
    double[][] turned = new double[l.length][factors];
    for (int i = 0; i < l.length; i++) {
      for (int k = 0; k < factors; k++) {
        for (int a = 0; a < factors; a++) {
          turned[i][k] += l[i][a] * eigen.getEigenVector(k).get(a, 0);
        }
      }
    }
    return turned;
  }

  private static double[][] times(double size, double[][] l) {
    return Arrays.stream(l)
        .map(row -> Arrays.stream(row).map(x -> size * x).toArray())
        .toArray(double[][]::new);
  }

  /**
   * How far the products are from the correlations.
   *
   * @param r correlations
   * @param l loadings
   * @return the largest difference beside the diagonal
   */
  static double miss(double[][] r, double[][] l) {
    double[][] rest = without(r, l);
    double most = 0;
    for (int i = 0; i < r.length; i++) {
      for (int j = 0; j < i; j++) {
        most = Math.max(most, Math.abs(rest[i][j]));
      }
    }
    return most;
  }

  /**
   * What the shared variables leave.
   *
   * @param r correlations
   * @param l loadings
   * @return the covariances of the rest
   */
  static double[][] without(double[][] r, double[][] l) {
    double[][] rest = new double[l.length][l.length];
    for (int i = 0; i < l.length; i++) {
      for (int j = 0; j < l.length; j++) {
        double shared = 0;
        for (int k = 0; k < l[i].length; k++) {
          shared += l[i][k] * l[j][k];
        }
        rest[i][j] = r[i][j] - shared;
      }
    }
    return rest;
  }

  /** Whether the root gives the matrix back, which it does if no variance is below 0. */
  private static boolean isCovariance(double[][] a) {
    int[] order = IntStream.range(0, a.length).toArray();
    double[][] l = pivotedRoot(a, order);
    for (int i = 0; i < a.length; i++) {
      for (int j = 0; j <= i; j++) {
        double back = 0;
        for (int k = 0; k <= j; k++) {
          back += l[i][k] * l[j][k];
        }
        if (Math.abs(back - a[order[i]][order[j]]) > ROUNDING) {
          return false;
        }
      }
    }
    return true;
  }

  /**
   * The lower triangular root, the variable with most variance of its own first; a variable that
   * those before decide has 0 on its diagonal.
   *
   * @param covariance a covariance matrix
   * @param order of the variables, which is changed
   * @return a row a variable, in that order
   */
  static double[][] pivotedRoot(double[][] covariance, int[] order) {
    int n = covariance.length;
    double[][] l = new double[n][n];
    for (int i = 0; i < n; i++) {
      int best = i;
      for (int j = i + 1; j < n; j++) {
        // By more than rounding, so that equal ones keep their order.
        best =
            own(covariance, l, order, j, i) > own(covariance, l, order, best, i) + ROUNDING
                ? j
                : best;
      }
      int place = order[i];
      order[i] = order[best];
      order[best] = place;
      double[] row = l[i];
      l[i] = l[best];
      l[best] = row;
      double left = own(covariance, l, order, i, i);
      l[i][i] = left > NOTHING ? Math.sqrt(left) : 0;
      for (int j = i + 1; j < n && l[i][i] > 0; j++) {
        double sum = covariance[order[j]][order[i]];
        for (int k = 0; k < i; k++) {
          sum -= l[j][k] * l[i][k];
        }
        l[j][i] = sum / l[i][i];
      }
    }
    return l;
  }

  private static double own(double[][] a, double[][] l, int[] order, int j, int known) {
    double left = a[order[j]][order[j]];
    for (int k = 0; k < known; k++) {
      left -= l[j][k] * l[j][k];
    }
    return left;
  }
}
