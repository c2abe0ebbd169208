package app.knuckle.figures.scene;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ValueAxisTest {

  @Property(tries = 300)
  void anAxisHoldsItsDataAndItsTicksAreRoundRisingAndToldApart(
      @ForAll @DoubleRange(min = -1e4, max = 1e4) double one,
      @ForAll @DoubleRange(min = -1e4, max = 1e4) double other,
      @ForAll @IntRange(min = -6, max = 6) int power,
      @ForAll boolean fromZero,
      @ForAll @IntRange(min = 2, max = 8) int wished) {
    double scale = Math.pow(10, power);
    double min = Math.min(one, other) * scale;
    double max = Math.max(one, other) * scale;
    ValueAxis axis = ValueAxis.holding(min, max, fromZero, wished);
    assertThat(axis.low()).isLessThanOrEqualTo(min);
    assertThat(axis.high()).isGreaterThanOrEqualTo(max);
    if (fromZero) {
      assertThat(axis.low()).isLessThanOrEqualTo(0);
      assertThat(axis.high()).isGreaterThanOrEqualTo(0);
    }
    List<Double> ticks = axis.ticks();
    assertThat(ticks).hasSizeBetween(1, 2 * wished + 2).isSorted();
    assertThat(ticks).allMatch(t -> t >= axis.low() - 1e-9 * axis.step());
    assertThat(ticks.stream().map(axis::text)).doesNotHaveDuplicates();
    double lead = axis.step() / Math.pow(10, Math.floor(Math.log10(axis.step()) + 1e-9));
    assertThat(List.of(1L, 2L, 5L, 10L)).contains(Math.round(lead));
    assertThat(lead).isCloseTo(Math.rint(lead), within(1e-6));
  }

  @Property(tries = 200)
  void aStepOfOnesOwnIsTakenWhereItGivesTicksThatCanBeRead(
      @ForAll @DoubleRange(min = -100, max = 100) double low,
      @ForAll @DoubleRange(min = 0.1, max = 1000) double range,
      @ForAll @IntRange(min = -9, max = 9) int power) {
    double step = Math.pow(10, power);
    ValueAxis axis = ValueAxis.between(low, low + range, step, 5);
    assertThat(axis.ticks()).hasSizeBetween(2, 62).isSorted();
    if (range >= 2 * step && range <= 60 * step) {
      assertThat(axis.step()).isEqualTo(step);
    }
  }

  @Property(tries = 200)
  void aLogarithmicAxisGivesEqualRatiosEqualRoom(
      @ForAll @DoubleRange(min = 0.01, max = 1000) double min,
      @ForAll @DoubleRange(min = 1, max = 1e4) double ratio) {
    ValueAxis axis = ValueAxis.logarithmic(min, min * ratio);
    assertThat(axis.low()).isPositive().isLessThanOrEqualTo(min);
    assertThat(axis.high()).isGreaterThanOrEqualTo(min * ratio);
    assertThat(axis.ticks()).hasSizeGreaterThan(1).isSorted();
    assertThat(axis.ticks().stream().map(axis::text)).doesNotHaveDuplicates();
    assertThat(axis.ticks().stream().map(axis::text)).allMatch(text -> text.length() < 10);
    double first = axis.place(2 * min, 0, 100) - axis.place(min, 0, 100);
    double second = axis.place(14 * min, 0, 100) - axis.place(7 * min, 0, 100);
    assertThat(first).isCloseTo(second, within(1e-9));
    assertThat(axis.place(axis.low(), 3, 90)).isCloseTo(3, within(1e-9));
    assertThat(axis.place(axis.high(), 3, 90)).isCloseTo(90, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({"10.4, 19.2", "1.04, 1.92", "104, 192"})
  void twoTicksAtLeastSayHowLargeAStepIs(double min, double max) {
    assertThat(ValueAxis.logarithmic(min, max).ticks()).hasSizeGreaterThan(1);
  }

  @ParameterizedTest
  @CsvSource({"0, 10, 2.5, 5", "0, 10, 100, 6", "-1, 1, NaN, 5", "0, 1, 1e-9, 6"})
  void aStepOfOnesOwnIsTakenUnlessItsTicksWereTooManyOrTooFew(
      double from, double to, double every, int ticks) {
    ValueAxis axis = ValueAxis.between(from, to, every, 4);
    assertThat(axis.low()).isEqualTo(from);
    assertThat(axis.high()).isEqualTo(to);
    assertThat(axis.ticks().size()).isCloseTo(ticks, within(ticks > 4 ? 1 : 0));
  }

  @Test
  void allTicksHaveTheSameDecimals() {
    ValueAxis axis = ValueAxis.between(0, 1, 0.25, 4);
    assertThat(axis.ticks().stream().map(axis::text))
        .containsExactly("0.00", "0.25", "0.50", "0.75", "1.00");
  }
}
