package app.knuckle.study.words;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Quantity;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NumeralsTest {

  @ParameterizedTest
  @CsvSource({
    "0, p < .001",
    "0.0009999, p < .001",
    "0.0184, p = .018",
    "0.0999, p = .100",
    "0.342, p = .34",
    "0.9949, p = .99",
    "0.9999, p > .99",
    "1, p > .99"
  })
  void pIsNeverNothingAndNeverOne(double p, String written) {
    assertThat(Numerals.pStatement(Quantity.of(p))).isEqualTo(written);
  }

  @ParameterizedTest
  @CsvSource({"3.144, 2, 3.14", "-0.001, 2, 0.00", "-3.1, 1, \u22123.1", "1e-9, 10, 1.00e\u221209"})
  void numbersAreWrittenAlikeEverywhere(double value, int decimals, String written) {
    // The tests run in a German locale, where the decimal mark would be a comma.
    assertThat(Numerals.fixed(value, decimals)).isEqualTo(written);
  }

  @ParameterizedTest
  @CsvSource({"0.33, 2", "1.5, 1", "12, 0", "0.0042, 4", "0, 2"})
  void decimalsShowTwoDigitsOfTheError(double error, int decimals) {
    assertThat(Numerals.decimalsFor(error)).isEqualTo(decimals);
  }
}
