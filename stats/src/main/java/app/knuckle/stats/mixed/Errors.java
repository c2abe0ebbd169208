package app.knuckle.stats.mixed;

import app.knuckle.stats.mixed.MixedRows.Layout;
import org.ejml.data.DMatrixRMaj;

/**
 * The part of the covariance that is inverted by itself, because it falls into groups of rows: the
 * errors, and one random term at most. Between the columns of a {@link Layout} it gives what the
 * likelihood needs of it, with K its inverse and R' its derivatives.
 */
interface Errors {

  /** Which parameters it holds: places among all parameters, in order. */
  int[] parameters();

  /** The random term that is in it: its place; -1 for none. */
  int term();

  /**
   * Products of the columns at some parameters.
   *
   * @param t all parameters
   * @return null where it is not positive definite
   */
  Products at(double[] t);

  /**
   * Sums of the rows of each group of the random term that is in it.
   *
   * @param t all parameters
   * @return null without such a term
   */
  Sums sums(double[] t);

  /**
   * One row times K.
   *
   * @param t all parameters
   * @return for each row its products with the columns and with itself
   */
  RowProducts rows(double[] t);

  /**
   * Products between columns.
   *
   * @param logDeterminant of the covariance
   * @param all X'KX
   * @param first X'KR'KX, one a parameter
   * @param second X'KR'KR'KX of two parameters, the later not before the earlier
   * @param bent X'KR''KX; null where there is no second derivative
   * @param traces what does not depend on columns
   */
  record Products(
      double logDeterminant,
      DMatrixRMaj all,
      DMatrixRMaj[] first,
      DMatrixRMaj[][] second,
      DMatrixRMaj[][] bent,
      Traces traces) {}

  /**
   * Traces.
   *
   * @param first of KR'
   * @param second of KR'KR'
   * @param bent of KR''
   */
  record Traces(double[] first, double[][] second, double[][] bent) {
    Traces(int parameters) {
      this(
          new double[parameters],
          new double[parameters][parameters],
          new double[parameters][parameters]);
    }
  }

  /**
   * Sums over groups, with 1 for the column of a group.
   *
   * @param own 1'K1 of each group
   * @param columns 1'KX of each group
   */
  record Sums(double[] own, double[][] columns) {}

  /** Products of single rows. */
  interface RowProducts {
    /**
     * Takes the products of a row.
     *
     * @param i the row, from 0
     * @param columns filled with its row of KX
     * @return its diagonal element of K
     */
    double of(int i, double[] columns);
  }
}
