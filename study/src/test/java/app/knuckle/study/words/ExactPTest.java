package app.knuckle.study.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.stats.Quantity;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** P as it is written, down to a bound. */
class ExactPTest {

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "3 | 0.0005    | p < .001",
        "3 | 0.001     | p = .001",
        "3 | 0.0184    | p = .018",
        "3 | 0.4567    | p = .46",
        "3 | 0.9951    | p > .99",
        "2 | 0.0099    | p < .01",
        "2 | 0.0184    | p = .018",
        "4 | 0.0005    | p = .0005",
        "4 | 0.00097   | p = .0010",
        "4 | 0.0000999 | p < .0001",
        "6 | 0.0000123 | p = .00001",
        "6 | 0.0000016 | p = .000002",
        "6 | 0         | p < .000001",
      })
  void pIsWrittenDownToTheBound(int decimals, double p, String said) {
    assertThat(new ExactP(decimals).statement(Quantity.of(p))).isEqualTo(said);
  }

  @ParameterizedTest
  @ValueSource(ints = {-1, 1, 7})
  void otherBoundsAreRefused(int decimals) {
    assertThatThrownBy(() -> new ExactP(decimals)).isInstanceOf(IllegalArgumentException.class);
  }
}
