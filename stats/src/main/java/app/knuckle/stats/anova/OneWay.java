package app.knuckle.stats.anova;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.linear.Effect;
import app.knuckle.stats.means.Covariance;
import app.knuckle.stats.means.DegreesOfFreedom;
import app.knuckle.stats.means.Estimates;
import app.knuckle.stats.summary.GroupMoments;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * Analysis of variance for one factor: do the means of k groups differ more than the spread inside
 * the groups would make them?
 *
 * @param moments count, mean and sum of squares of every group; no group empty
 * @param treatment the line of the factor
 * @param errorDf N - k
 * @param errorSs sum of squares inside the groups
 * @param errorMs residual mean square
 * @param totalSs sum of squares about the mean of all values
 * @param grandMean mean of all values
 * @param alpha level of significance
 * @see "Fisher, R. A. (1925). Statistical Methods for Research Workers, chapter 7"
 */
public record OneWay(
    GroupMoments moments,
    Effect treatment,
    double errorDf,
    double errorSs,
    Quantity errorMs,
    double totalSs,
    double grandMean,
    double alpha) {

  /**
   * Fits the group means.
   *
   * @param moments of two groups or more, none of them empty
   * @param alpha level of significance, between 0 and 1
   * @return the fit
   * @throws IllegalArgumentException if there are fewer than two groups or one is empty
   */
  public static OneWay fit(GroupMoments moments, double alpha) {
    int k = moments.groups();
    if (k < 2 || IntStream.range(0, k).anyMatch(g -> moments.count(g) == 0)) {
      throw new IllegalArgumentException("Two groups or more are needed, none empty: " + k);
    }
    double n = moments.total();
    double grand = 0;
    for (int g = 0; g < k; g++) {
      grand += moments.count(g) * moments.deviation(g);
    }
    grand /= n;
    double between = 0;
    double within = 0;
    for (int g = 0; g < k; g++) {
      double d = moments.deviation(g) - grand;
      between += moments.count(g) * d * d;
      within += moments.sumOfSquares(g);
    }
    double total = between + within;
    double errorDf = n - k;
    return new OneWay(
        moments,
        Effect.against(k - 1.0, between, errorDf, within, total, n, alpha),
        errorDf,
        within,
        Effect.errorMeanSquare(errorDf, within),
        total,
        moments.origin() + grand,
        alpha);
  }

  /**
   * The group means with their variances: what comparisons stand on. Returns the estimates, or
   * their absence as a reason when there is no error mean square.
   */
  public Estimates estimates() {
    int k = moments.groups();
    double[] variances = new double[k];
    double[] deviations = new double[k];
    long[] counts = new long[k];
    for (int g = 0; g < k; g++) {
      counts[g] = moments.count(g);
      variances[g] = errorMs.value() / counts[g];
      deviations[g] = moments.deviation(g);
    }
    return new Estimates(
        moments.origin(),
        deviations,
        counts,
        Covariance.independent(variances),
        DegreesOfFreedom.all(errorDf));
  }

  /** Residual standard deviation, in units of the response. */
  public Quantity residualSd() {
    return errorMs.map(Math::sqrt);
  }

  /** Residual standard deviation as a percentage of the grand mean: per cent. */
  public Quantity cvPercent() {
    return residualSd().percentOf(grandMean, Absence.GRAND_MEAN_ZERO);
  }

  /** Share of the total sum of squares that the groups account for: from 0 to 1. */
  public Quantity rSquared() {
    return treatment.etaSquared();
  }

  /**
   * One less the ratio of the residual mean square to the total one: at most 1; may be negative.
   */
  public Quantity adjustedRSquared() {
    double totalMs = totalSs / (moments.total() - 1);
    return totalSs > 0 ? errorMs.map(e -> 1 - e / totalMs) : Quantity.absent(Absence.ALL_EQUAL);
  }

  /**
   * Epsilon squared, (ss - df error ms) / total ss.
   *
   * @return at most 1; may be negative
   * @see "Kelley, T. L. (1935). Proceedings of the National Academy of Sciences 21, 554-559"
   */
  public Quantity epsilonSquared() {
    return totalSs > 0
        ? errorMs.map(e -> (treatment.ss() - treatment.df() * e) / totalSs)
        : Quantity.absent(Absence.ALL_EQUAL);
  }

  /**
   * Cohen's f, sqrt(ss / error ss).
   *
   * @return at least 0
   * @see "Cohen, J. (1988). Statistical Power Analysis for the Behavioral Sciences, chapter 8"
   */
  public Quantity cohenF() {
    return errorSs > 0
        ? Quantity.of(Math.sqrt(treatment.ss() / errorSs))
        : Quantity.absent(totalSs > 0 ? Absence.EQUAL_WITHIN_GROUPS : Absence.ALL_EQUAL);
  }

  /** Harmonic mean of the group sizes: at least 1. */
  public double harmonicN() {
    double inverse = 0;
    for (int g = 0; g < moments.groups(); g++) {
      inverse += 1.0 / moments.count(g);
    }
    return moments.groups() / inverse;
  }

  /** Standard error of a group mean at the harmonic group size, in units of the response. */
  public Quantity seOfMean() {
    return errorMs.map(e -> Math.sqrt(e / harmonicN()));
  }

  /**
   * Standard error of a difference of two group means at the harmonic group size, in units of the
   * response.
   */
  public Quantity seOfDifference() {
    return errorMs.map(e -> Math.sqrt(2 * e / harmonicN()));
  }

  /** Least significant difference at the harmonic group size, in units of the response. */
  public Quantity leastSignificantDifference() {
    return seOfDifference()
        .map(s -> s * TDistribution.of(errorDf).inverseSurvivalProbability(alpha / 2));
  }
}
