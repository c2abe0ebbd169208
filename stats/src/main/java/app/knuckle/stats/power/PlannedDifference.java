package app.knuckle.stats.power;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.distributions.NoncentralT;
import app.knuckle.stats.distributions.StudentizedRangeDistribution;
import org.apache.commons.numbers.gamma.LogGamma;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * What a trial will show of the difference of two means.
 *
 * @param sed standard error of the difference, in units of the response
 * @param df degrees of freedom of the error behind it
 * @param critical t that a difference has to pass under the procedure
 */
public record PlannedDifference(double sed, double df, double critical) {

  private static final int BISECTIONS = 200;

  /**
   * A difference of two means of a family.
   *
   * @param sed standard error of the difference, above 0
   * @param df degrees of freedom, above 0
   * @param means of the family
   * @param procedure none, the least significant difference, or Tukey's
   * @param alpha level of significance
   * @return the difference
   * @throws IllegalArgumentException for another procedure
   */
  public static PlannedDifference of(
      double sed, double df, int means, Procedure procedure, double alpha) {
    boolean range = procedure == Procedure.TUKEY;
    boolean single =
        procedure == Procedure.NONE || procedure == Procedure.LEAST_SIGNIFICANT_DIFFERENCE;
    if (!range && !single) {
      throw new IllegalArgumentException(procedure.key());
    }
    double critical =
        range
            ? StudentizedRangeDistribution.of(means, df).inverseSurvivalProbability(alpha)
                / Math.sqrt(2)
            : TDistribution.of(df).inverseSurvivalProbability(alpha / 2);
    return new PlannedDifference(sed, df, critical);
  }

  /**
   * The probability that a difference is found.
   *
   * @param difference the true one, in units of the response
   * @return from alpha to 1
   */
  public double power(double difference) {
    NoncentralT distribution = NoncentralT.of(df, Math.abs(difference) / sed);
    return distribution.survivalProbability(critical)
        + distribution.cumulativeProbability(-critical);
  }

  /**
   * The least difference that is found with a probability.
   *
   * @param power between that of no difference and 1
   * @return in units of the response
   */
  public double least(double power) {
    double low = 0;
    double high = sed;
    while (power(high) < power) {
      low = high;
      high *= 2;
    }
    for (int i = 0; i < BISECTIONS && low != high; i++) {
      double middle = (low + high) / 2;
      if (middle == low || middle == high) {
        break;
      }
      if (power(middle) < power) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return (low + high) / 2;
  }

  /**
   * Half the width that its interval is expected to have: the critical value times the standard
   * error, times what a standard deviation of so many degrees of freedom is on average, in units of
   * the response.
   */
  public double expectedHalfWidth() {
    double average =
        Math.sqrt(2 / df) * Math.exp(LogGamma.value((df + 1) / 2) - LogGamma.value(df / 2));
    return critical * sed * average;
  }
}
