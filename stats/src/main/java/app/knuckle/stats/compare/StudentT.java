package app.knuckle.stats.compare;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * An estimate with its t test.
 *
 * @param estimate of a difference, a contrast, a slope
 * @param se its standard error
 * @param df degrees of freedom behind it
 * @param statistic the estimate over its standard error
 * @param p in the direction asked
 * @param low lower limit; absent in the direction that has none
 * @param high upper limit; absent in the direction that has none
 */
public record StudentT(
    double estimate,
    Quantity se,
    Quantity df,
    Quantity statistic,
    Quantity p,
    Quantity low,
    Quantity high) {

  /**
   * Tests an estimate against 0.
   *
   * @param estimate of what is asked
   * @param se its standard error
   * @param df degrees of freedom
   * @param direction in which it is looked for
   * @param alpha level of significance
   * @return the test
   */
  public static StudentT of(
      double estimate, Quantity se, Quantity df, Direction direction, double alpha) {
    Quantity t =
        !df.exists()
            ? df
            : se.exists() && se.value() == 0
                ? Quantity.absent(Absence.NO_SPREAD_TO_COMPARE)
                : se.map(s -> estimate / s);
    if (!t.exists()) {
      return new StudentT(estimate, se, df, t, t, t, t);
    }
    TDistribution distribution = TDistribution.of(df.value());
    double upper = distribution.survivalProbability(t.value());
    double lower = distribution.cumulativeProbability(t.value());
    double p =
        switch (direction) {
          case EITHER -> Math.min(1, 2 * Math.min(upper, lower));
          case GREATER -> upper;
          case LESS -> lower;
        };
    double half =
        se.value()
            * distribution.inverseSurvivalProbability(
                direction == Direction.EITHER ? alpha / 2 : alpha);
    Quantity none = Quantity.absent(Absence.ONE_LIMIT);
    return new StudentT(
        estimate,
        se,
        df,
        t,
        Quantity.of(p),
        direction == Direction.LESS ? none : Quantity.of(estimate - half),
        direction == Direction.GREATER ? none : Quantity.of(estimate + half));
  }

  /**
   * The same difference beside other degrees of freedom, for a procedure that judges several by
   * those of one; its own p and limits go by its own.
   *
   * @param other degrees of freedom
   * @return the test with these
   */
  StudentT withDf(double other) {
    return new StudentT(estimate, se, Quantity.of(other), statistic, p, low, high);
  }

  /**
   * The p that would answer another direction.
   *
   * @param direction either, or one side
   * @return absent where there is no statistic
   */
  public Quantity p(Direction direction) {
    return statistic.exists()
        ? of(estimate, se, df, direction, USUAL_ALPHA).p()
        : Quantity.absent(statistic.why());
  }

  /** Limits are not asked for; any level serves. */
  private static final double USUAL_ALPHA = 0.05;
}
