package app.knuckle.stats.associations;

import app.knuckle.stats.Outcome;
import java.util.List;

/**
 * How several measurements are correlated, two at a time: matrices by column and column, in which
 * null stands where there is no number.
 */
public sealed interface Association extends Outcome {

  /** The coefficients: between -1 and 1. */
  List<List<Double>> coefficients();

  /** How often chance alone would go as far from 0: null on the diagonal. */
  List<List<Double>> ps();

  /**
   * Coefficients that are tested by t.
   *
   * @param form pearson or spearman
   * @param n number of rows
   * @param coefficients of values or of ranks
   * @param t of them against 0
   * @param df of t
   * @param ps of both tails
   */
  record ByT(
      String form,
      int n,
      List<List<Double>> coefficients,
      List<List<Double>> t,
      int df,
      @Named("p") List<List<Double>> ps)
      implements Association {}

  /**
   * Pearson's.
   *
   * @param r the coefficients
   * @param low limits
   * @param high limits
   */
  record Pearson(@Flat ByT r, List<List<Double>> low, List<List<Double>> high)
      implements Association {
    @Override
    public List<List<Double>> coefficients() {
      return r.coefficients();
    }

    @Override
    public List<List<Double>> ps() {
      return r.ps();
    }
  }

  /**
   * Spearman's.
   *
   * @param rho the coefficients
   * @param exactP counted over all orders of few rows
   */
  record Spearman(@Flat ByT rho, List<List<Double>> exactP) implements Association {
    @Override
    public List<List<Double>> coefficients() {
      return rho.coefficients();
    }

    @Override
    public List<List<Double>> ps() {
      return rho.ps();
    }
  }

  /**
   * Kendall's.
   *
   * @param form kendall
   * @param n number of rows
   * @param coefficients tau-b
   * @param scores pairs that agree less those that disagree
   * @param variances of the scores
   * @param z of the scores
   * @param ps of both tails
   * @param exactP counted of few rows without ties
   */
  record Kendall(
      String form,
      int n,
      List<List<Double>> coefficients,
      List<List<Double>> scores,
      List<List<Double>> variances,
      List<List<Double>> z,
      @Named("p") List<List<Double>> ps,
      List<List<Double>> exactP)
      implements Association {}

  /**
   * Covariances.
   *
   * @param n number of rows
   * @param divisor n less one
   * @param matrix in the product of the units
   */
  record Covariance(int n, int divisor, List<List<Double>> matrix) implements Outcome {}
}
