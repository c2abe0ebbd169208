package app.knuckle.stats.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class StudentTSidesTest {

  @Property(tries = 300)
  void theSidesAddUpToOneAndTheSmallerIsHalfOfBoth(
      @ForAll @DoubleRange(min = -20, max = 20) double estimate,
      @ForAll @DoubleRange(min = 1, max = 200) double df,
      @ForAll Direction asked) {
    StudentT t = StudentT.of(estimate, Quantity.of(2), Quantity.of(df), asked, 0.01);
    double above = t.p(Direction.GREATER).value();
    double below = t.p(Direction.LESS).value();
    assertThat(above + below).isCloseTo(1, within(1e-12));
    assertThat(t.p(Direction.EITHER).value()).isCloseTo(2 * Math.min(above, below), within(1e-12));
    assertThat(t.p(asked)).isEqualTo(t.p());
  }

  @Test
  void withoutSpreadThereIsNone() {
    StudentT t = StudentT.of(3, Quantity.of(0), Quantity.of(5), Direction.EITHER, 0.05);
    assertThat(t.p(Direction.LESS).why()).isEqualTo(Absence.NO_SPREAD_TO_COMPARE);
  }
}
