package app.knuckle.cross;

import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;
import org.ejml.interfaces.decomposition.SingularValueDecomposition_F64;

/** Least squares through the singular values of the whole matrix. */
final class Dense {
  /** Columns are scaled to length 1; below this a singular value is rounding. */
  private static final double ROUNDING = 1e-9;

  final int rank;
  final double[] b;
  final double rss;
  final double[] residuals;
  private final double[][] basis;
  private final double[] inverse;
  private final double[] scale;
  private final double[][] left;

  Dense(double[][] x, double[] y) {
    int n = y.length;
    int p = x[0].length;
    scale = new double[p];
    DMatrixRMaj m = new DMatrixRMaj(n, p);
    for (int j = 0; j < p; j++) {
      double length = 0;
      for (int i = 0; i < n; i++) {
        length += x[i][j] * x[i][j];
      }
      scale[j] = length > 0 ? Math.sqrt(length) : 1;
      for (int i = 0; i < n; i++) {
        m.set(i, j, x[i][j] / scale[j]);
      }
    }
    SingularValueDecomposition_F64<DMatrixRMaj> svd =
        DecompositionFactory_DDRM.svd(n, p, true, true, true);
    svd.decompose(m);
    double[] w = svd.getSingularValues();
    DMatrixRMaj u = svd.getU(null, false);
    DMatrixRMaj v = svd.getV(null, false);
    double top = 0;
    for (int k = 0; k < svd.numberOfSingularValues(); k++) {
      top = Math.max(top, w[k]);
    }
    int kept = 0;
    int[] which = new int[svd.numberOfSingularValues()];
    for (int k = 0; k < which.length; k++) {
      if (w[k] > ROUNDING * top) {
        which[kept++] = k;
      }
    }
    rank = kept;
    basis = new double[rank][p];
    left = new double[n][rank];
    inverse = new double[rank];
    b = new double[p];
    residuals = y.clone();
    // Twice, so that what the first pass leaves of rounding goes too.
    for (int pass = 0; pass < 2; pass++) {
      double[] rest = residuals.clone();
      for (int k = 0; k < rank; k++) {
        inverse[k] = 1 / w[which[k]];
        double dot = 0;
        for (int i = 0; i < n; i++) {
          left[i][k] = u.get(i, which[k]);
          dot += left[i][k] * rest[i];
        }
        for (int i = 0; i < n; i++) {
          residuals[i] -= left[i][k] * dot;
        }
        for (int j = 0; j < p; j++) {
          basis[k][j] = v.get(j, which[k]);
          b[j] += basis[k][j] * inverse[k] * dot / scale[j];
        }
      }
    }
    double sum = 0;
    for (double r : residuals) {
      sum += r * r;
    }
    rss = sum;
  }

  /** Whether a combination of coefficients lies in the row space. */
  boolean estimable(double[] l) {
    double[] rest = scaled(l);
    double size = 0;
    for (double v : rest) {
      size += v * v;
    }
    for (double[] row : basis) {
      double dot = 0;
      for (int j = 0; j < rest.length; j++) {
        dot += row[j] * rest[j];
      }
      for (int j = 0; j < rest.length; j++) {
        rest[j] -= dot * row[j];
      }
    }
    double left = 0;
    for (double v : rest) {
      left += v * v;
    }
    return left <= 1e-14 * size;
  }

  private double[] scaled(double[] l) {
    double[] own = l.clone();
    for (int j = 0; j < own.length; j++) {
      own[j] /= scale[j];
    }
    return own;
  }

  double value(double[] l) {
    double sum = 0;
    for (int j = 0; j < l.length; j++) {
      sum += l[j] * b[j];
    }
    return sum;
  }

  /** L (X'X)^- M'. */
  double product(double[] l, double[] m) {
    double[] a = scaled(l);
    double[] c = scaled(m);
    double sum = 0;
    for (int k = 0; k < rank; k++) {
      double one = 0;
      double two = 0;
      for (int j = 0; j < a.length; j++) {
        one += basis[k][j] * a[j];
        two += basis[k][j] * c[j];
      }
      sum += one * two * inverse[k] * inverse[k];
    }
    return sum;
  }

  double leverage(int i) {
    double sum = 0;
    for (int k = 0; k < rank; k++) {
      sum += left[i][k] * left[i][k];
    }
    return sum;
  }
}
