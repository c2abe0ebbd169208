package app.knuckle.stats.checks;

import app.knuckle.stats.Outcome;
import app.knuckle.stats.Quantity;

/** A test of whether values could come from a normal distribution. */
public sealed interface ShapeTest extends Outcome {

  /** How many values were looked at: 0 or more. */
  int n();

  /** What the test goes by: absent of too few values, or of equal ones. */
  Quantity statistic();

  /**
   * Whether p is known to be large although it has no value: true beyond the range of an
   * approximation.
   */
  default boolean isLarge() {
    return false;
  }

  /**
   * Shapiro and Wilk's.
   *
   * @param n number of values
   * @param statistic W, above 0 and at most 1
   * @param z of its normal approximation
   * @param p upper tail
   */
  record ShapiroWilk(int n, Quantity statistic, Quantity z, Quantity p) implements ShapeTest {}

  /**
   * Anderson and Darling's.
   *
   * @param n number of values
   * @param statistic A squared
   * @param adjustedStatistic for the estimated mean and standard deviation
   * @param p of that
   */
  record AndersonDarling(int n, Quantity statistic, Quantity adjustedStatistic, Quantity p)
      implements ShapeTest {}

  /**
   * Lilliefors's.
   *
   * @param n number of values
   * @param statistic D, between 0 and 1
   * @param formulaP of Dallal and Wilkinson's formula
   * @param p the same up to 0.1, where the formula holds
   */
  record Lilliefors(int n, Quantity statistic, Quantity formulaP, Quantity p) implements ShapeTest {
    @Override
    public boolean isLarge() {
      return !p.exists() && formulaP.exists();
    }
  }
}
