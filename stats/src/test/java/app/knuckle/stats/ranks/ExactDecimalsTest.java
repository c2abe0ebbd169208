package app.knuckle.stats.ranks;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

/** Decimals as whole numbers, whether they are few or many. */
class ExactDecimalsTest {

  @Property(tries = 500)
  void decimalsBecomeTheWholeNumbersThatTheyWereWrittenAs(
      @ForAll @Size(min = 1, max = 6)
          List<@LongRange(min = -99_999_999_999L, max = 99_999_999_999L) Long> digits,
      @ForAll @IntRange(min = 0, max = 9) int decimals) {
    double[] values =
        digits.stream().mapToDouble(d -> BigDecimal.valueOf(d, decimals).doubleValue()).toArray();
    int scale = ExactDecimals.scale(values);
    int written =
        digits.stream()
            .mapToInt(d -> BigDecimal.valueOf(d, decimals).stripTrailingZeros().scale())
            .map(s -> Math.max(0, s))
            .max()
            .orElseThrow();
    assertThat(scale).isEqualTo(written);
    double[] scaled = ExactDecimals.scaled(values, scale);
    for (int i = 0; i < values.length; i++) {
      assertThat(scaled[i])
          .isEqualTo(
              BigDecimal.valueOf(digits.get(i), decimals).scaleByPowerOfTen(scale).doubleValue());
      assertThat(ExactDecimals.back(scaled[i], scale)).isEqualTo(values[i] + 0.0);
    }
  }

  @Test
  void whatDoesNotFitIsLeftAsItIs() {
    double[] far = {1e12 + 0.5, 1e-9};
    assertThat(ExactDecimals.scale(far)).isEqualTo(-1);
    assertThat(ExactDecimals.scaled(far, -1)).containsExactly(far);
    assertThat(ExactDecimals.scale(1 / 3.0)).isEqualTo(-1);
  }

  @Test
  void halvesComeBackToo() {
    assertThat(ExactDecimals.back(12.5, 1)).isEqualTo(1.25);
    assertThat(ExactDecimals.back(-7, 2)).isEqualTo(-0.07);
    assertThat(ExactDecimals.back(3, 0)).isEqualTo(3);
  }
}
