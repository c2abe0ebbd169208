package app.knuckle.stats.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.compare.Direction;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class PowerTest {

  private static final double ALPHA = 0.05;

  /** F of one degree of freedom is t squared, so d of two groups is twice f. */
  @Property(tries = 200)
  void twoGroupsAreAOneWayLayoutOfTwo(
      @ForAll @IntRange(min = 2, max = 60) int n,
      @ForAll @DoubleRange(min = 0.05, max = 2) double f) {
    double byF = EffectPower.of(new EffectPower.Sought(1, 2, f, ALPHA), n).power();
    TPower byT = TPower.of(n, n, 2 * f, Direction.EITHER, ALPHA);
    assertThat(byF).isCloseTo(byT.power(), within(1e-9));
  }

  /** An effect of one degree of freedom in six cells is a t of its error's degrees of freedom. */
  @Property(tries = 100)
  void aMainEffectOfTwoLevelsInAFactorialIsAContrast(
      @ForAll @IntRange(min = 2, max = 30) int n,
      @ForAll @DoubleRange(min = 0.05, max = 1) double f) {
    EffectPower effect = EffectPower.of(new EffectPower.Sought(1, 6, f, ALPHA), n);
    assertThat(effect.errorDf()).isEqualTo(6 * (n - 1));
    int pairs = 6 * n - 5; // the sample whose t has as many degrees of freedom
    double d = Math.sqrt(effect.noncentrality() / pairs);
    assertThat(effect.power())
        .isCloseTo(TPower.ofOne(pairs, d, Direction.EITHER, ALPHA).power(), within(1e-9));
  }

  @Property(tries = 60)
  void theSizeFoundIsTheSmallest(
      @ForAll @IntRange(min = 1, max = 6) int df,
      @ForAll @IntRange(min = 7, max = 12) int cells,
      @ForAll @DoubleRange(min = 0.1, max = 0.8) double f,
      @ForAll @DoubleRange(min = 0.3, max = 0.99) double wanted) {
    EffectPower.Sought sought = new EffectPower.Sought(df, cells, f, ALPHA);
    int n = EffectPower.n(sought, wanted).orElseThrow();
    assertThat(EffectPower.of(sought, n).power()).isGreaterThanOrEqualTo(wanted);
    assertThat(n == 2 || EffectPower.of(sought, n - 1).power() < wanted).isTrue();
    int pairs = TPower.nOfOne(f, Direction.GREATER, ALPHA, wanted).orElseThrow();
    assertThat(TPower.ofOne(pairs, f, Direction.GREATER, ALPHA).power())
        .isGreaterThanOrEqualTo(wanted);
    assertThat(pairs == 2 || TPower.ofOne(pairs - 1, f, Direction.GREATER, ALPHA).power() < wanted)
        .isTrue();
  }

  @Test
  void withoutAnEffectTheChanceIsTheLevelAndNoSizeHelps() {
    assertThat(TPower.of(9, 12, 0, Direction.EITHER, ALPHA).power()).isCloseTo(ALPHA, within(1e-9));
    assertThat(TPower.of(9, 12, 0, Direction.LESS, ALPHA).power()).isCloseTo(ALPHA, within(1e-9));
    assertThat(TPower.n(0, Direction.EITHER, ALPHA, 0.8)).isEmpty();
    assertThat(TPower.nOfOne(-0.5, Direction.GREATER, ALPHA, 0.8)).isEmpty();
  }

  @Test
  void lookingTheOtherWayMirrors() {
    assertThat(TPower.of(7, 9, 0.6, Direction.GREATER, ALPHA).power())
        .isCloseTo(TPower.of(7, 9, -0.6, Direction.LESS, ALPHA).power(), within(1e-12));
  }
}
