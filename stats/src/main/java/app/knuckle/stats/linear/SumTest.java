package app.knuckle.stats.linear;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import org.apache.commons.statistics.distribution.FDistribution;

/**
 * A sum of squares tested against an error.
 *
 * @param df degrees of freedom of the sum
 * @param errorDf degrees of freedom of the error
 * @param ss the sum
 * @param f the ratio of the mean squares
 * @param p its probability
 */
public record SumTest(double df, double errorDf, double ss, Quantity f, Quantity p) {

  /**
   * Tests a sum.
   *
   * @param df degrees of freedom of the sum
   * @param ss the sum
   * @param errorDf degrees of freedom of the error
   * @param errorSs sum of squares of the error
   * @param nothing why there is nothing to test when df is 0
   * @return the test
   */
  public static SumTest of(double df, double ss, double errorDf, double errorSs, Absence nothing) {
    Quantity none =
        df == 0
            ? Quantity.absent(nothing)
            : !(errorDf > 0)
                ? Quantity.absent(Absence.NO_DF_FOR_THE_ERROR)
                : !(errorSs > 0) ? Quantity.absent(Absence.EQUAL_WITHIN_GROUPS) : null;
    if (none != null) {
      return new SumTest(df, errorDf, ss, none, none);
    }
    double f = ss / df / (errorSs / errorDf);
    return new SumTest(
        df,
        errorDf,
        ss,
        Quantity.of(f),
        Quantity.of(FDistribution.of(df, errorDf).survivalProbability(f)));
  }
}
