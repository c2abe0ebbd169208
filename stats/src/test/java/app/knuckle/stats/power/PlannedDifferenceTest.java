package app.knuckle.stats.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.compare.Procedure;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class PlannedDifferenceTest {

  /** Digits that the noncentral distributions keep. */
  private static final double LAW = 1e-9;

  private static PlannedDifference single(double sed, double df, double alpha) {
    return PlannedDifference.of(sed, df, 2, Procedure.NONE, alpha);
  }

  @Property(tries = 60)
  void leastIsFoundWithItsPower(
      @ForAll @DoubleRange(min = 0.1, max = 10) double sed,
      @ForAll @IntRange(min = 2, max = 200) int df,
      @ForAll @DoubleRange(min = 0.3, max = 0.95) double power) {
    PlannedDifference test = PlannedDifference.of(sed, df, 4, Procedure.TUKEY, 0.05);
    assertThat(test.power(test.least(power))).isCloseTo(power, within(LAW));
  }

  @Property(tries = 60)
  void withoutADifferencePowerIsAlphaAndItOnlyRises(
      @ForAll @IntRange(min = 1, max = 200) int df,
      @ForAll @DoubleRange(min = 0.01, max = 0.2) double alpha,
      @ForAll @DoubleRange(min = 0.1, max = 3) double difference) {
    PlannedDifference test = single(1, df, alpha);
    assertThat(test.power(0)).isCloseTo(alpha, within(LAW));
    assertThat(test.power(difference)).isGreaterThan(alpha);
    assertThat(test.power(-difference)).isEqualTo(test.power(difference));
  }

  /** Of two means the studentized range is the t, and F is its square. */
  @Property(tries = 60)
  void twoMeansAreJudgedAlikeByAll(
      @ForAll @IntRange(min = 2, max = 100) int df,
      @ForAll @DoubleRange(min = 0, max = 4) double difference) {
    PlannedDifference t = single(0.8, df, 0.05);
    PlannedDifference range = PlannedDifference.of(0.8, df, 2, Procedure.TUKEY, 0.05);
    double ncp = difference * difference / 0.64;
    assertThat(range.power(difference)).isCloseTo(t.power(difference), within(LAW));
    assertThat(EffectPower.of(1, df, ncp, 0.05).power())
        .isCloseTo(t.power(difference), within(LAW));
  }

  /** A standard deviation of one degree of freedom is on average the root of 2 over pi. */
  @Test
  void halfWidthsAreTheAverageOnes() {
    PlannedDifference one = single(2, 1, 0.05);
    assertThat(one.expectedHalfWidth())
        .isCloseTo(one.critical() * 2 * Math.sqrt(2 / Math.PI), within(1e-12));
    PlannedDifference two = single(2, 2, 0.05);
    assertThat(two.expectedHalfWidth())
        .isCloseTo(two.critical() * 2 * Math.sqrt(Math.PI) / 2, within(1e-12));
  }

  @Test
  void procedureWhoseLawIsNotKnownIsRefused() {
    assertThatThrownBy(() -> PlannedDifference.of(1, 9, 3, Procedure.DUNCAN, 0.05))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
