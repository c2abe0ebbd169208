package app.knuckle.stats.distributions;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.concurrent.atomic.AtomicInteger;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.apache.commons.statistics.distribution.TDistribution;
import org.junit.jupiter.api.Test;

/** An interpolated tail says what the tail says. */
class TailInterpolationTest {

  private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

  /** As the interpolation promises, of the probability itself. */
  private static final double PROMISED = 1e-11;

  private final TailInterpolation tail = new TailInterpolation(NORMAL::survivalProbability);

  @Property(tries = 300)
  void everyPointAgrees(@ForAll @DoubleRange(min = 0, max = 36) double x) {
    double exact = NORMAL.survivalProbability(x);
    assertThat(tail.at(x)).isCloseTo(exact, within(PROMISED * exact));
  }

  /** A tail that falls slowly goes far out, where pieces are wide. */
  @Property(tries = 300)
  void aHeavyTailAgreesFarOut(
      @ForAll @DoubleRange(min = 0, max = 1e6) double x,
      @ForAll @IntRange(min = 1, max = 40) int df) {
    TDistribution distribution = TDistribution.of(df);
    double exact = distribution.survivalProbability(x);
    double found = new TailInterpolation(distribution::survivalProbability).at(x);
    assertThat(found).isCloseTo(exact, within(PROMISED * exact));
  }

  private static TailInterpolation counting(AtomicInteger asked) {
    return new TailInterpolation(
        x -> {
          asked.incrementAndGet();
          return NORMAL.survivalProbability(x);
        });
  }

  /** The pieces grow, so that a tail far out is asked for some hundred points. */
  @Test
  void fewPointsAreAskedFor() {
    AtomicInteger asked = new AtomicInteger();
    TailInterpolation counted = counting(asked);
    for (double x = 1; x < 33; x += 0.01) {
      counted.at(x);
    }
    assertThat(asked.get()).isLessThan(250);
  }

  /** Nothing is asked where the answer is known: the tail has ended in 0 before. */
  @Test
  void beyondTheLastDoubleItIsNotAskedAgain() {
    AtomicInteger asked = new AtomicInteger();
    TailInterpolation counted = counting(asked);
    assertThat(counted.at(60)).isZero();
    int before = asked.get();
    for (int x = 60; x < 1_000; x++) {
      assertThat(counted.at(x)).isZero();
    }
    assertThat(asked.get()).isEqualTo(before);
    assertThat(counted.at(3)).isCloseTo(NORMAL.survivalProbability(3), within(PROMISED));
  }

  /** Where the tail ends within a piece, what is left of it is asked directly. */
  @Test
  void thePieceInWhichItEndsAgrees() {
    for (double x = 37; x < 40; x += 0.01) {
      assertThat(tail.at(x)).isEqualTo(NORMAL.survivalProbability(x), within(1e-11 * 1e-290));
    }
  }
}
