package app.knuckle.stats.distributions;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;

/**
 * Every distribution answers any finite argument, and comes to an end: an answer that hangs fails
 * the build.
 */
class FarArgumentsTest {
  @Provide
  Arbitrary<Double> sizes() {
    return Arbitraries.doubles().between(-308, 308).map(e -> Math.pow(10, e));
  }

  @Provide
  Arbitrary<Double> degrees() {
    return Arbitraries.doubles().between(-1, 15).map(e -> Math.pow(10, e));
  }

  @Property(tries = 300, seed = "271828182")
  void noncentralT(
      @ForAll("sizes") double t,
      @ForAll("sizes") double noncentrality,
      @ForAll("degrees") double df,
      @ForAll boolean below) {
    NoncentralT distribution = NoncentralT.of(df, noncentrality);
    double sign = below ? -1 : 1;
    double up = distribution.survivalProbability(sign * t);
    double down = distribution.cumulativeProbability(sign * t);
    assertThat(up).isBetween(0.0, 1.0);
    assertThat(down).isBetween(0.0, 1.0);
    assertThat(up + down).isBetween(1 - 1e-9, 1 + 1e-9);
  }

  /** The limits of a noncentrality enclose the t that was seen. */
  @Property(tries = 100, seed = "271828182")
  void limitsOfTheNoncentrality(@ForAll("sizes") double t, @ForAll("degrees") double df) {
    double low = NoncentralT.noncentralityFor(t, df, 0.975);
    double high = NoncentralT.noncentralityFor(t, df, 0.025);
    assertThat(low > high).isFalse();
  }

  @Property(tries = 200, seed = "271828182")
  void noncentralF(
      @ForAll("sizes") double x,
      @ForAll("sizes") double noncentrality,
      @ForAll("degrees") double df) {
    double p = NoncentralF.of(3, df, noncentrality).survivalProbability(x);
    assertThat(p).isBetween(0.0, 1.0);
  }

  @Property(tries = 100, seed = "271828182")
  void studentizedRange(@ForAll("sizes") double q, @ForAll("degrees") double df) {
    StudentizedRangeDistribution distribution = StudentizedRangeDistribution.of(4, df);
    assertThat(distribution.survivalProbability(q)).isBetween(0.0, 1.0);
    assertThat(distribution.survivalProbability(q) + distribution.cumulativeProbability(q))
        .isBetween(1 - 1e-9, 1 + 1e-9);
  }

  @Property(tries = 6, seed = "271828182")
  void largestOfSeveralT(@ForAll("sizes") double t, @ForAll("degrees") double df) {
    DunnettDistribution distribution =
        DunnettDistribution.of(new double[] {.7, .5, .6}, 4 + df, true);
    assertThat(distribution.survivalProbability(t)).isBetween(0.0, 1.0);
    double far = distribution.inverseSurvivalProbability(1e-12);
    assertThat(distribution.survivalProbability(far)).isBetween(0.99e-12, 1.01e-12);
  }
}
