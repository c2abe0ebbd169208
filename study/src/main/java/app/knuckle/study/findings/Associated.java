package app.knuckle.study.findings;

import app.knuckle.stats.Outcome;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.associations.Association;
import java.util.List;

/**
 * How several responses are correlated.
 *
 * @param associations coefficients, by Pearson, Spearman and Kendall
 * @param covariance of all
 * @param histograms one a response
 * @param stemAndLeaf one a response
 * @param distances one a row; empty of too many rows, or where the responses depend on each other
 */
public record Associated(
    List<Measured> associations,
    Measured covariance,
    List<Histogram> histograms,
    List<StemAndLeaf> stemAndLeaf,
    List<Distance> distances)
    implements Outcome {

  /**
   * Matrices of responses.
   *
   * @param measured the responses, in the order of rows and columns
   * @param matrices an {@link Association}, or covariances
   */
  public record Measured(List<String> measured, @Flat Outcome matrices) implements Outcome {}

  /**
   * Counts of values between edges.
   *
   * @param measured the response
   * @param edges rising
   * @param counts of bins that hold their lower edge
   * @param countsRightClosed of bins that hold their upper edge
   * @param below values below all edges
   * @param above values above all edges
   */
  public record Histogram(
      String measured,
      List<Double> edges,
      List<Long> counts,
      List<Long> countsRightClosed,
      long below,
      long above)
      implements Outcome {}

  /**
   * Values by their leading figures.
   *
   * @param measured the response
   * @param leafUnit what a leaf counts
   * @param lineWidth how much a line spans
   * @param mostLines so many at most
   * @param lines rising
   */
  public record StemAndLeaf(
      String measured, double leafUnit, double lineWidth, int mostLines, List<Line> lines)
      implements Outcome {}

  /**
   * A line of a display.
   *
   * @param stem leading figures
   * @param leaves one a value
   */
  public record Line(String stem, String leaves) implements Outcome {}

  /**
   * How far a row lies from the mean of all.
   *
   * @param row from 1
   * @param distance squared, in the metric of the covariances
   * @param p upper tail of chi-squared
   */
  public record Distance(int row, double distance, Quantity p) implements Outcome {}
}
