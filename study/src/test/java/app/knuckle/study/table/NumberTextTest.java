package app.knuckle.study.table;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NumberTextTest {

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "13.38 | 13.38",
        "-99 | -99",
        " 7 | 7",
        "+4.5 | 4.5",
        ".5 | 0.5",
        "5. | 5",
        "1e-3 | 0.001",
        "\u22122.5 | -2.5",
        "0.1234567890123456789 | 0.12345678901234568",
        "1d | NaN",
        "0x10 | NaN",
        "1.2.3 | NaN",
        "- | NaN",
        "12,5 | NaN",
        "R1 | NaN",
        "Infinity | Infinity",
        "-inf | -Infinity"
      })
  void textIsReadAsTheNearestDoubleOrNotAtAll(String text, double value) {
    assertThat(NumberText.parse(text, false)).isEqualTo(Double.valueOf(value));
  }

  @Property
  void shortDecimalsAreReadExactly(
      @ForAll @LongRange(min = -999_999_999_999L, max = 999_999_999_999L) long digits,
      @ForAll @IntRange(max = 9) int decimals) {
    String text = java.math.BigDecimal.valueOf(digits, decimals).toPlainString();
    assertThat(NumberText.parse(text, false)).isEqualTo(Double.parseDouble(text));
    assertThat(NumberText.parse(text.replace('.', ','), true)).isEqualTo(Double.parseDouble(text));
  }

  @Property
  void aNumberWrittenOutReadsBackAsItself(@ForAll double value) {
    assertThat(NumberText.parse(Numbers.text(value), false)).isEqualTo(value == 0 ? 0.0 : value);
  }

  @ParameterizedTest
  @CsvSource({
    "growth_mm, mm, growth", "clearance_l_h, L/h, clearance", "survival_pct, %, survival",
    "temperature_c, \u00b0C, temperature", "Shell length (mm), mm, Shell length", "mm, '', mm",
    "silt_mg_l, mg/L, silt", "pumping_rate, '', pumping rate"
  })
  void unitsAreReadOffNames(String name, String unit, String label) {
    assertThat(Units.of(name)).isEqualTo(unit);
    assertThat(new Numbers(name, unit, new double[0]).label()).isEqualTo(label);
  }

  @ParameterizedTest
  @CsvSource({
    // 2^53 is the double of 2^53 + 1 too.
    "9007199254740991, false",
    "9007199254740992, true",
    "-12345678901234567, true",
    "900719925474099.25, false",
    "1e300, false",
    "123456789012345, false",
    "007, true"
  })
  void codesAreLongNumbersAndLeadingZeros(String text, boolean code) {
    assertThat(NumberText.looksLikeCode(text)).isEqualTo(code);
  }
}
