package app.knuckle.stats.distributions;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.DoubleUnaryOperator;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class RememberedTest {

  /** Singular 2 away from the nearest piece, as the tails that are remembered are. */
  private static final DoubleUnaryOperator LOG = w -> Math.log1p(w * w / 4) - w * w / 4;

  private final AtomicInteger asked = new AtomicInteger();
  private final Remembered remembered =
      Remembered.shared(
          w -> {
            asked.incrementAndGet();
            return LOG.applyAsDouble(w);
          });

  private double after(int times, double w) {
    double value = Double.NaN;
    for (int i = 0; i < times; i++) {
      value = remembered.at(w);
    }
    return value;
  }

  @Property
  void agreesWithTheFunctionWhereItIsLevelAndWhereItIsSteep(
      @ForAll @DoubleRange(max = 50) double w) {
    // Of a steep piece the logarithm is remembered: its rounding is a share of the function.
    double expected = Math.exp(LOG.applyAsDouble(w));
    assertThat(after(40, w)).isCloseTo(expected, within(1e-13 * expected * (1 + w * w / 40)));
  }

  @Test
  void answersTheSameAtFirstAndLater() {
    double first = remembered.at(1.7);
    assertThat(after(100, 1.7)).isEqualTo(first);
  }

  @Test
  void asksNothingMoreOfWhatItKnows() {
    after(40, 3.2);
    int once = asked.get();
    after(1000, 3.4);
    assertThat(asked).hasValue(once);
  }

  @Test
  void hasNoValueFarOutNorWhereThereIsNone() {
    assertThat(after(100, 1e6)).isNaN();
    Remembered none = Remembered.shared(w -> Double.NEGATIVE_INFINITY);
    for (int i = 0; i < 100; i++) {
      assertThat(none.at(1)).isNaN();
    }
  }

  @Property(tries = 200)
  void theRangeRememberedIsTheRangeSummed(@ForAll @DoubleRange(min = 0.3, max = 9) double w) {
    // A fresh one sums; the shared one has been asked often enough to remember.
    NormalRange shared = NormalRange.of(7);
    for (int i = 0; i < 40; i++) {
      shared.lower(w);
      shared.upper(w);
    }
    assertThat(shared.lower(w) + shared.upper(w)).isCloseTo(1, within(1e-13));
  }
}
