package app.knuckle.stats.checks;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Outcome;
import app.knuckle.stats.Quantity;
import java.util.List;
import org.apache.commons.statistics.distribution.FDistribution;

/** A test of whether groups have equal variances. */
public sealed interface VarianceTest extends Outcome {

  /** What the test goes by: F, chi-squared or a ratio; absent where a group has no spread. */
  Quantity statistic();

  /**
   * The same test where it can tell nothing.
   *
   * @param why the reason
   * @return without any number but its degrees of freedom
   */
  VarianceTest without(Absence why);

  /**
   * A test of any number of groups.
   *
   * @param statistic F or chi-squared
   * @param df one number, or two for F
   * @param p upper tail
   */
  record OfGroups(Quantity statistic, List<Double> df, Quantity p) implements VarianceTest {
    @Override
    public VarianceTest without(Absence why) {
      return new OfGroups(Quantity.absent(why), df, Quantity.absent(why));
    }
  }

  /**
   * The ratio of two variances.
   *
   * @param statistic the ratio
   * @param df of the first and of the second
   * @param p of both sides
   * @param pGreater that the first is the larger
   * @param pLess that it is the smaller
   * @param low lower limit
   * @param high upper limit
   */
  record VarianceRatio(
      Quantity statistic,
      List<Double> df,
      Quantity p,
      Quantity pGreater,
      Quantity pLess,
      Quantity low,
      Quantity high)
      implements VarianceTest {

    @Override
    public VarianceTest without(Absence why) {
      Quantity none = Quantity.absent(why);
      return new VarianceRatio(none, df, none, none, none, none, none);
    }

    /**
     * The same ratio with another interval.
     *
     * @param alpha level of significance
     * @return the same with other limits
     */
    public VarianceRatio at(double alpha) {
      double d1 = df.get(0);
      double d2 = df.get(1);
      return !statistic.exists()
          ? this
          : new VarianceRatio(
              statistic,
              df,
              p,
              pGreater,
              pLess,
              statistic.map(
                  f -> f / FDistribution.of(d1, d2).inverseSurvivalProbability(alpha / 2)),
              statistic.map(
                  f -> f * FDistribution.of(d2, d1).inverseSurvivalProbability(alpha / 2)));
    }
  }
}
