package app.knuckle.stats.linear;

import java.util.Arrays;

/**
 * The inverse of the triangle of a model whose columns are all independent: its rows are the
 * coefficients as combinations of the coordinates of a response.
 */
final class InverseTriangle {

  private final double[][] rows;

  /**
   * Inverts.
   *
   * @param triangle column by column, the diagonal without a zero
   */
  InverseTriangle(double[][] triangle) {
    int n = triangle.length;
    rows = new double[n][n];
    for (int j = 0; j < n; j++) {
      // Column j of the inverse, from the diagonal upward.
      rows[j][j] = 1 / triangle[j][j];
      for (int i = j - 1; i >= 0; i--) {
        double sum = 0;
        for (int k = i + 1; k <= j; k++) {
          sum += triangle[k][i] * rows[k][j];
        }
        rows[i][j] = -sum / triangle[i][i];
      }
    }
  }

  /**
   * What some coefficients add to all the others: the part of the coordinates that lies in the
   * space of their rows (Searle 1987, Linear Models for Unbalanced Data, section 8.2: the sum of
   * squares of the hypothesis that they are 0).
   *
   * @param from first coefficient
   * @param to after the last
   * @param coordinates one array a response
   * @return degrees of freedom and sums
   */
  Fit.Sum alone(int from, int to, double[][] coordinates) {
    double[][] own = new double[to - from][];
    Arrays.setAll(own, i -> rows[from + i].clone());
    double[][] right = new double[coordinates.length][];
    Arrays.setAll(right, r -> coordinates[r].clone());
    OrderedQr qr = new OrderedQr(own, right);
    double[][] z = new double[right.length][];
    Arrays.setAll(z, qr::coordinates);
    return Fit.Sum.over(z);
  }

  /**
   * Directions, in the coordinates of the fit, in which alone some coefficients differ from 0.
   *
   * @param from first coefficient
   * @param to after the last
   * @return orthogonal vectors of length 1, by Gram and Schmidt, twice so that no digit is lost
   */
  double[][] directions(int from, int to) {
    double[][] found = new double[to - from][];
    for (int i = 0; i < found.length; i++) {
      double[] own = rows[from + i].clone();
      for (int time = 0; time < 2; time++) {
        for (int other = 0; other < i; other++) {
          double dot = dot(own, found[other]);
          for (int k = 0; k < own.length; k++) {
            own[k] -= dot * found[other][k];
          }
        }
      }
      double size = Math.sqrt(dot(own, own));
      for (int k = 0; k < own.length; k++) {
        own[k] /= size;
      }
      found[i] = own;
    }
    return found;
  }

  private static double dot(double[] a, double[] b) {
    double sum = 0;
    for (int k = 0; k < a.length; k++) {
      sum += a[k] * b[k];
    }
    return sum;
  }
}
