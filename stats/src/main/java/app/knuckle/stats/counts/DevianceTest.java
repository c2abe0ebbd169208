package app.knuckle.stats.counts;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.linear.Term;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.apache.commons.statistics.distribution.FDistribution;

/**
 * What deviance drops by when a term joins a model.
 *
 * @param term the term
 * @param df degrees of freedom; absent where the term cannot be judged
 * @param deviance the drop
 * @param isF whether the statistic is an F, because the spread is estimated; else chi-squared
 * @param statistic absent without a spread to judge by
 * @param errorDf of an F
 * @param p probability
 * @see "McCullagh, P. and Nelder, J. A. (1989). Generalized Linear Models, 2.3"
 */
public record DevianceTest(
    Term term,
    Quantity df,
    Quantity deviance,
    boolean isF,
    Quantity statistic,
    Quantity errorDf,
    Quantity p) {

  static DevianceTest absent(Term term, Absence why) {
    Quantity none = Quantity.absent(why);
    return new DevianceTest(term, none, none, false, none, none, none);
  }

  static DevianceTest of(
      Term term, int df, double deviance, double spread, boolean estimated, long errorDf) {
    if (!estimated) {
      return new DevianceTest(
          term,
          Quantity.of(df),
          Quantity.of(deviance),
          false,
          Quantity.of(deviance),
          Quantity.absent(Absence.SPREAD_OF_THE_DISTRIBUTION),
          Quantity.of(ChiSquaredDistribution.of(df).survivalProbability(deviance)));
    }
    Quantity f = Quantity.finite(deviance / df / spread, Absence.NO_SPREAD_TO_JUDGE_BY);
    return new DevianceTest(
        term,
        Quantity.of(df),
        Quantity.of(deviance),
        true,
        f,
        errorDf > 0 ? Quantity.of(errorDf) : Quantity.absent(Absence.NO_ROW_LEFT),
        f.map(x -> FDistribution.of(df, errorDf).survivalProbability(x)));
  }

  /**
   * The value that the statistic would have to pass.
   *
   * @param alpha level of significance
   * @return absent where there is no test
   */
  public Quantity critical(double alpha) {
    if (!p.exists()) {
      return p;
    }
    return Quantity.of(
        isF
            ? FDistribution.of(df.value(), errorDf.value()).inverseSurvivalProbability(alpha)
            : ChiSquaredDistribution.of(df.value()).inverseSurvivalProbability(alpha));
  }
}
