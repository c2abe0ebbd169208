package app.knuckle.stats.distributions;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.apache.commons.statistics.distribution.TDistribution;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;

/** Where the largest of two has a closed form, or must agree with something simpler. */
class DunnettDistributionTest {

  private static final Percentage CLOSE = Percentage.withPercentage(1e-8);

  private static DunnettDistribution two(double r, double df, boolean twoSided) {
    double l = Math.sqrt(Math.abs(r));
    return DunnettDistribution.of(new double[] {l, Math.copySign(l, r)}, df, twoSided);
  }

  /** Sheppard: both lie below 0 with probability 1/4 + asin(r) / (2 pi), whatever the spread. */
  @Property(tries = 60)
  void theLargerOfTwoAboveNothing(
      @ForAll @DoubleRange(min = -0.99, max = 0.99) double r,
      @ForAll @DoubleRange(min = 1, max = 200) double df) {
    assertThat(two(r, df, false).survivalProbability(0))
        .isCloseTo(0.75 - Math.asin(r) / (2 * Math.PI), within(1e-9));
  }

  /** One difference, one-sided, is Student's t: with 1 degree of freedom far below -11.8. */
  @Test
  void theLowerEndIsFoundHoweverFarItLies() {
    DunnettDistribution one = DunnettDistribution.of(new double[1], 1, false);
    assertThat(one.inverseSurvivalProbability(0.999999))
        .isCloseTo(Math.tan(-Math.PI * 0.499999), Percentage.withPercentage(1e-4));
  }

  @Property(tries = 40)
  void twoThatShareNothingOfAKnownSpreadAreIndependent(
      @ForAll @DoubleRange(min = 0.1, max = 8) double t) {
    double one = 2 * NormalDistribution.of(0, 1).survivalProbability(t);
    assertThat(two(0, Double.POSITIVE_INFINITY, true).survivalProbability(t))
        .isCloseTo(one * (2 - one), CLOSE);
  }

  /** One difference is Student's t, down to tails that lie where s is far from 1. */
  @Property(tries = 60)
  void oneIsStudents(
      @ForAll @DoubleRange(min = 0, max = 50) double t,
      @ForAll @DoubleRange(min = 1, max = 60) double df) {
    double wanted = 2 * TDistribution.of(df).survivalProbability(t);
    assertThat(DunnettDistribution.of(new double[1], df, true).survivalProbability(t))
        .isCloseTo(wanted, CLOSE);
  }

  /** Two that share nearly all are nearly one; sharing never makes the largest larger. */
  @Property(tries = 12)
  void theMoreIsSharedTheLessTheLargestExceeds(
      @ForAll @DoubleRange(min = 0.5, max = 12) double t,
      @ForAll @DoubleRange(min = 1, max = 40) double df) {
    double one = 2 * TDistribution.of(df).survivalProbability(t);
    double before = 1;
    for (double r : new double[] {0, 0.5, 0.9, 0.98, 0.99, 0.995, 0.99999}) {
      double now = two(r, df, true).survivalProbability(t);
      assertThat(now).as("r = %s", r).isLessThan(before).isGreaterThan(one);
      assertThat(two(-r, df, true).survivalProbability(t)).isCloseTo(now, CLOSE);
      before = now;
    }
    assertThat(before).isLessThan(1.02 * one + 1e-3 * one * t);
  }

  @Property(tries = 10)
  void theCriticalValueIsWhereItsProbabilityIs(
      @ForAll @DoubleRange(min = 0.01, max = 0.5) double p,
      @ForAll @DoubleRange(min = -0.99, max = 0.99) double r,
      @ForAll @DoubleRange(min = 1, max = 40) double df) {
    DunnettDistribution distribution = two(r, df, true);
    assertThat(distribution.survivalProbability(distribution.inverseSurvivalProbability(p)))
        .isCloseTo(p, CLOSE);
  }
}
