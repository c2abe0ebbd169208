package app.knuckle.stats.mixed;

import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;
import org.ejml.dense.row.linsol.chol.LinearSolverChol_DDRM;
import org.ejml.interfaces.decomposition.CholeskyDecomposition_F64;

/**
 * The inverse of a positive definite matrix.
 *
 * @param inverse of the same size, symmetric
 * @param logDeterminant of the matrix itself
 */
record PositiveDefinite(DMatrixRMaj inverse, double logDeterminant) {

  /**
   * Inverts a matrix.
   *
   * @param matrix symmetric; kept as it is
   * @return null if it is not positive definite
   */
  static PositiveDefinite of(DMatrixRMaj matrix) {
    int n = matrix.numRows;
    if (n == 0) {
      return new PositiveDefinite(new DMatrixRMaj(0, 0), 0);
    }
    CholeskyDecomposition_F64<DMatrixRMaj> cholesky = DecompositionFactory_DDRM.chol(n, true);
    LinearSolverChol_DDRM solver =
        new LinearSolverChol_DDRM(
            (org.ejml.dense.row.decomposition.chol.CholeskyDecompositionCommon_DDRM) cholesky);
    if (!solver.setA(matrix.copy())) {
      return null;
    }
    DMatrixRMaj triangle = cholesky.getT(null);
    double sum = 0;
    for (int i = 0; i < n; i++) {
      sum += 2 * Math.log(triangle.get(i, i));
    }
    DMatrixRMaj inverse = new DMatrixRMaj(n, n);
    solver.invert(inverse);
    return Double.isFinite(sum) ? new PositiveDefinite(inverse, sum) : null;
  }

  /** The solution of a system with some right sides. */
  DMatrixRMaj times(DMatrixRMaj right) {
    return CommonOps_DDRM.mult(inverse, right, null);
  }
}
