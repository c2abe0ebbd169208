package app.knuckle.stats.linear;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.distributions.NoncentralF;
import org.apache.commons.statistics.distribution.FDistribution;

/**
 * One line of an analysis of variance that is tested against an error.
 *
 * @param df degrees of freedom, at least 1
 * @param ss sum of squares, in squared units of the response
 * @param ms mean square
 * @param f how many times the error mean square the mean square is
 * @param p chance of an F as large or larger if the means are equal: P(F(df, errorDf) &gt; f)
 * @param criticalF the F that has upper tail alpha
 * @param etaSquared ss over the total sum of squares
 * @param partialEtaSquared ss / (ss + error ss)
 * @param omegaSquared (ss - df error ms) / (total ss + error ms); may be negative
 * @param partialOmegaSquared (ss - df error ms) / (ss + (N - df) error ms); may be negative
 * @param observedPower P(F' &gt; criticalF), F' noncentral with noncentrality df f
 * @see "Omega squared: Hays, W. L. (1963). Statistics for Psychologists; partial: Keren, G. and
 *     Lewis, C. (1979). Educational and Psychological Measurement 39, 119-128"
 */
public record Effect(
    double df,
    double ss,
    double ms,
    Quantity f,
    Quantity p,
    Quantity criticalF,
    Quantity etaSquared,
    Quantity partialEtaSquared,
    Quantity omegaSquared,
    Quantity partialOmegaSquared,
    Quantity observedPower) {

  /**
   * Tests a sum of squares against an error.
   *
   * @param df degrees of freedom of the effect, at least 1
   * @param ss its sum of squares, at least 0
   * @param errorDf degrees of freedom of the error, at least 0
   * @param errorSs its sum of squares, at least 0
   * @param totalSs sum of squares of all values about their mean
   * @param n values in all
   * @param alpha level of significance, between 0 and 1
   * @return the line; what cannot be had is absent with its reason
   */
  public static Effect against(
      double df,
      double ss,
      double errorDf,
      double errorSs,
      double totalSs,
      double n,
      double alpha) {
    double ms = ss / df;
    Quantity errorMs = errorMeanSquare(errorDf, errorSs);
    Quantity f =
        errorMs.value() == 0
            ? Quantity.absent(ss == 0 ? Absence.ALL_EQUAL : Absence.EQUAL_WITHIN_GROUPS)
            : errorMs.map(e -> ms / e);
    Quantity critical =
        errorDf > 0
            ? Quantity.finite(
                FDistribution.of(df, errorDf).inverseSurvivalProbability(alpha),
                Absence.FEW_DF_NO_CRITICAL_VALUE)
            : Quantity.absent(Absence.NO_TWO_VALUES);
    Quantity share = totalSs > 0 ? Quantity.of(ss / totalSs) : Quantity.absent(Absence.ALL_EQUAL);
    Quantity partial =
        ss + errorSs > 0 ? Quantity.of(ss / (ss + errorSs)) : Quantity.absent(Absence.ALL_EQUAL);
    boolean spread = totalSs > 0;
    return new Effect(
        df,
        ss,
        ms,
        f,
        f.mapFinite(
            x -> FDistribution.of(df, errorDf).survivalProbability(x),
            Absence.FEW_DF_NO_CRITICAL_VALUE),
        critical,
        share,
        partial,
        spread
            ? errorMs.map(e -> (ss - df * e) / (totalSs + e))
            : Quantity.absent(Absence.ALL_EQUAL),
        ss + errorSs > 0
            ? errorMs.map(e -> (ss - df * e) / (ss + (n - df) * e))
            : Quantity.absent(Absence.ALL_EQUAL),
        critical.exists()
            ? f.mapFinite(
                x -> NoncentralF.of(df, errorDf, df * x).survivalProbability(critical.value()),
                Absence.FEW_DF_NO_CRITICAL_VALUE)
            : critical);
  }

  /**
   * A sum of squares that nothing can be held against.
   *
   * @param df degrees of freedom of the effect, at least 1
   * @param ss its sum of squares, at least 0
   * @param totalSs sum of squares of all values about their mean
   * @param why there is no error
   * @return the line, without a test
   */
  public static Effect untested(double df, double ss, double totalSs, Absence why) {
    Quantity none = Quantity.absent(why);
    Quantity share = totalSs > 0 ? Quantity.of(ss / totalSs) : Quantity.absent(Absence.ALL_EQUAL);
    return new Effect(df, ss, ss / df, none, none, none, share, none, none, none, none);
  }

  /**
   * The error mean square, absent without degrees of freedom.
   *
   * @param errorDf degrees of freedom of the error, from 0
   * @param errorSs its sum of squares, from 0
   * @return absent without degrees of freedom
   */
  public static Quantity errorMeanSquare(double errorDf, double errorSs) {
    return errorDf > 0 ? Quantity.of(errorSs / errorDf) : Quantity.absent(Absence.NO_TWO_VALUES);
  }
}
