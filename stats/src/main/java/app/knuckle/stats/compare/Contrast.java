package app.knuckle.stats.compare;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.distributions.VarianceRatio;
import app.knuckle.stats.means.DegreesOfFreedom;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * A question of one's own: a weighted sum of means.
 *
 * @param test the sum with its t test, by the procedure
 * @param ss its sum of squares
 * @param f its F, the square of t
 */
public record Contrast(StudentT test, Quantity ss, Quantity f) {

  /**
   * A contrast as if it were the only one.
   *
   * @param estimate the weighted sum
   * @param se its standard error
   * @param df degrees of freedom
   * @param errorMs the error mean square it rests on
   * @param direction in which it is looked for
   * @param alpha level of significance
   * @return the contrast
   */
  public static Contrast plain(
      double estimate,
      Quantity se,
      Quantity df,
      Quantity errorMs,
      Direction direction,
      double alpha) {
    return of(StudentT.of(estimate, se, df, direction, alpha), errorMs);
  }

  private static Contrast of(StudentT test, Quantity errorMs) {
    Quantity f = test.statistic().map(t -> t * t);
    return new Contrast(test, f.exists() ? errorMs.map(e -> e * f.value()) : f, f);
  }

  /**
   * The same among all contrasts of the family.
   *
   * @param dimension means of the family less one
   * @param alpha level of significance
   * @return the contrast with Scheffe's p and limits
   * @see "Scheffe, H. (1953). A method for judging all contrasts in the analysis of variance.
   *     Biometrika 40, 87-104"
   */
  public Contrast scheffe(double dimension, double alpha) {
    if (!test.statistic().exists()) {
      return this;
    }
    double t = test.statistic().value();
    VarianceRatio distribution =
        VarianceRatio.of(dimension, DegreesOfFreedom.orInfinity(test.df().value()));
    double critical = Math.sqrt(dimension * distribution.inverseSurvivalProbability(alpha));
    return with(distribution.survivalProbability(t * t / dimension), critical);
  }

  /**
   * The same among several planned ones.
   *
   * @param planned how many
   * @param alpha level of significance
   * @return the contrast with Bonferroni's p and limits
   */
  public Contrast bonferroni(int planned, double alpha) {
    if (!test.statistic().exists()) {
      return this;
    }
    TDistribution distribution = TDistribution.of(test.df().value());
    double p =
        Math.min(1, 2 * distribution.survivalProbability(Math.abs(test.statistic().value())));
    return with(
        Adjustment.bonferroni(p, planned),
        distribution.inverseSurvivalProbability(alpha / (2.0 * planned)));
  }

  private Contrast with(double p, double critical) {
    double half = critical * test.se().value();
    return new Contrast(
        new StudentT(
            test.estimate(),
            test.se(),
            test.df(),
            test.statistic(),
            Quantity.of(p),
            Quantity.of(test.estimate() - half),
            Quantity.of(test.estimate() + half)),
        ss,
        f);
  }
}
