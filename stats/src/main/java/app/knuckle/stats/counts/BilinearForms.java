package app.knuckle.stats.counts;

import org.ejml.data.DMatrixRMaj;

/** Bilinear forms. */
final class BilinearForms {

  private BilinearForms() {}

  static double of(DMatrixRMaj m, double[] a, double[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      double row = 0;
      for (int j = 0; j < b.length; j++) {
        row += m.get(i, j) * b[j];
      }
      sum += a[i] * row;
    }
    return sum;
  }
}
