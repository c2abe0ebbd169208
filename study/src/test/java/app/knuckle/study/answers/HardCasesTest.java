package app.knuckle.study.answers;

import static app.knuckle.study.answers.Asking.ask;
import static app.knuckle.study.answers.Asking.numbers;
import static app.knuckle.study.answers.Asking.row;
import static app.knuckle.study.answers.Asking.words;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import app.knuckle.study.Refused;
import app.knuckle.study.table.Column;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.util.List;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Layouts at the limit of what can be analysed: right numbers or a reasoned absence, never NaN,
 * never a failure's text.
 */
class HardCasesTest {

  private static final String TWO = "\"treatments\":[\"a\",\"b\"]";

  @Test
  void oneObservationPerCellIsSaturatedAndSaysSo() throws IOException {
    JsonNode findings =
        ask(
            TWO,
            words("a", 4, i -> "a" + i / 2),
            words("b", 4, i -> "b" + i % 2),
            numbers("y", 4, i -> i * i));
    assertThat(row(findings, "a x b").get("df").asInt()).isEqualTo(1);
    assertThat(row(findings, "a").get("p").isNull()).isTrue();
    assertThat(row(findings, "a").get("why").asText()).isNotEmpty();
    // y = 0, 1, 4, 9: a = (6.5 - 0.5)^2 = 36.
    assertThat(row(findings, "a").get("ss").asDouble()).isEqualTo(36, within());
  }

  private static org.assertj.core.data.Offset<Double> within() {
    return org.assertj.core.data.Offset.offset(1e-9);
  }

  @Test
  void aBlockThatMissesATreatmentLeavesTheRestEstimable() throws IOException {
    JsonNode findings =
        ask(
            "\"treatments\":[\"a\"],\"blocks\":[\"k\"],"
                + "\"compare\":[{\"of\":[\"a\"],\"procedure\":\"tukey\"}]",
            words("a", 11, i -> "a" + i % 3),
            words("k", 11, i -> "k" + i / 3),
            numbers("y", 11, i -> i % 3 * 2 + i / 3 + (i * 7 % 5) * 0.1));
    assertThat(row(findings, "error").get("df").asInt()).isEqualTo(5);
    assertThat(findings.at("/means/0/rows")).hasSize(3);
    assertThat(findings.at("/comparisons/0/rows")).hasSize(3);
  }

  @Test
  void aCollinearCovariateHasNoRowOfItsOwnAndHarmsNoOther() throws IOException {
    Column a = words("a", 12, i -> "a" + i % 3);
    Column x = numbers("x", 12, i -> i + (i % 4) * 0.5);
    Column y = numbers("y", 12, i -> i % 3 + 0.3 * i + (i * 5 % 7) * 0.1);
    String one = "\"treatments\":[\"a\"],\"covariates\":[\"x\"]";
    String both = "\"treatments\":[\"a\"],\"covariates\":[\"x\",\"twice\"]";
    double alone = row(ask(one, a, x, y), "a").get("ss").asDouble();
    Column twice = numbers("twice", 12, i -> 3 - 2 * (i + (i % 4) * 0.5));
    JsonNode findings = ask(both, a, x, twice, y);
    assertThat(row(findings, "a").get("ss").asDouble()).isEqualTo(alone, within());
    assertThat(row(findings, "twice").get("p").isNull()).isTrue();
  }

  @Test
  void aConstantResponseTwoRowsAndNothingAtAll() throws IOException {
    Column a = words("a", 6, i -> "a" + i % 2);
    JsonNode constant = ask("\"treatments\":[\"a\"]", a, numbers("y", 6, i -> 3));
    assertThat(constant.at("/tests/1/rows/0/f").isNull()).isTrue();
    assertThat(constant.at("/tests/0/p").isNull()).isTrue();
    JsonNode two =
        ask("\"treatments\":[\"a\"]", words("a", 2, i -> "a" + i), numbers("y", 2, i -> i));
    assertThat(two.at("/tests/0/p").isNull()).isTrue();
    JsonNode none = ask("\"treatments\":[\"a\"]", a, numbers("y", 6, i -> Double.NaN));
    assertThat(none.at("/tests/0/why").asText()).contains("no row in play has a value of y and a");
  }

  @Test
  void fiveHundredLevels() throws IOException {
    Random random = new Random(5);
    double[] y = random.doubles(1500).toArray();
    JsonNode findings =
        ask(
            "\"treatments\":[\"a\",\"b\"],\"terms\":\"main\"",
            words("a", 1500, i -> "a" + i % 500),
            words("b", 1500, i -> "b" + i / 500),
            numbers("y", 1500, i -> y[i]));
    assertThat(row(findings, "a").get("df").asInt()).isEqualTo(499);
    assertThat(row(findings, "error").get("df").asInt()).isEqualTo(998);
  }

  @ParameterizedTest
  @ValueSource(doubles = {1e-150, 1e-3, 1e150})
  void scaleShiftAndOrderChangeNoTest(double scale) throws IOException {
    DoubleUnaryOperator value = i -> (i % 3) * 1.5 + (i % 2) + (i * 11 % 17) * 0.2;
    Column a = words("a", 17, i -> "a" + i % 3);
    Column b = words("b", 17, i -> "b" + i % 2);
    JsonNode plain = ask(TWO, a, b, numbers("y", 17, value::applyAsDouble));
    JsonNode scaled = ask(TWO, a, b, numbers("y", 17, i -> scale * value.applyAsDouble(i)));
    JsonNode turned =
        ask(
            TWO,
            words("a", 17, i -> "a" + (16 - i) % 3),
            words("b", 17, i -> "b" + (16 - i) % 2),
            numbers("y", 17, i -> value.applyAsDouble(16 - i) + 1000));
    for (String source : List.of("a", "b", "a x b")) {
      double f = row(plain, source).get("f").asDouble();
      assertThat(row(scaled, source).get("f").asDouble()).isEqualTo(f, relative(f));
      assertThat(row(turned, source).get("f").asDouble()).isEqualTo(f, relative(f));
    }
  }

  private static org.assertj.core.data.Offset<Double> relative(double f) {
    return org.assertj.core.data.Offset.offset(1e-9 * f);
  }

  @Test
  void severalReadingsOfAUnitAreItsMean() throws IOException {
    String inquiry = "\"treatments\":[\"a\"],\"unit\":\"tank\"";
    JsonNode findings =
        ask(
            inquiry,
            words("a", 12, i -> "a" + i / 6),
            words("tank", 12, i -> "tank " + i / 2),
            numbers("y", 12, i -> i / 2 + (i % 2 == 0 ? -0.5 : 0.5)));
    // Means 0, 1, 2 and 3, 4, 5: between 13.5, within 4 on 4 df.
    assertThat(findings.at("/tests/1/rows/0/f").asDouble()).isEqualTo(13.5, within());
    assertThat(findings.at("/design/warnings/0").asText()).contains("no replicates");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "\"treatments\":[\"a\"],\"unit\":\"b\",\"occasions\":[\"a\"],\"covariates\":[\"x\"],"
            + "\"terms\":[[\"a\"],[\"a\",\"x\"]]",
        "\"treatments\":[\"a\",\"b\"],\"wholePlots\":[\"a\"]",
        "\"treatments\":[\"a\"],\"pairs\":\"a\"",
        "\"treatments\":[\"a\"],\"reference\":{\"a\":\"none\"},"
            + "\"compare\":[{\"of\":[\"a\"],\"against\":\"reference\"}]",
        "\"treatments\":[\"a\"],\"compare\":[{\"of\":[\"a\"],\"trend\":2}]",
        "\"treatments\":[\"a\"],\"method\":\"unequal-spread\",\"blocks\":[\"b\"]"
      })
  void whatCannotBeAnsweredIsRefusedInWords(String inquiry) throws IOException {
    Column a = words("a", 12, i -> "a" + i % 3);
    Column b = words("b", 12, i -> "b" + i / 3);
    Column x = numbers("x", 12, i -> i * i);
    Column y = numbers("y", 12, i -> i % 5);
    try {
      JsonNode findings = ask(inquiry, a, b, x, y);
      assertThat(findings.at("/tests/0/why").asText()).contains(". ");
    } catch (Refused e) {
      assertThat(e.refusal().wayOn()).isNotEmpty();
    }
  }

  @Test
  void aContrastWhoseWeightsDoNotSumToZeroSaysSo() throws IOException {
    JsonNode findings =
        ask(
            "\"treatments\":[\"a\"],\"compare\":[{\"of\":[\"a\"],\"name\":\"odd\",\"weights\":["
                + "{\"levels\":{\"a\":\"a0\"},\"weight\":1},"
                + "{\"levels\":{\"a\":\"a1\"},\"weight\":-0.5}]}]",
            words("a", 6, i -> "a" + i % 2),
            numbers("y", 6, i -> i));
    assertThat(findings.at("/contrasts/0/p").isNull()).isTrue();
    assertThat(findings.at("/contrasts/0/why").asText()).contains("do not sum to zero");
  }

  @Test
  void ranksOfFiftyThousandRowsAndOfNoSpreadAtAll() throws IOException {
    String expected = "\"expected\":0,\"method\":\"ranks\"";
    JsonNode many = ask(expected, numbers("y", 50_000, i -> i % 2 == 0 ? i + 1 : -i));
    assertThat(many.at("/tests/0/p").isNumber()).isTrue();
    // 1, -1, 3, -3, and so on lie evenly about 0.
    assertThat(many.at("/tests/0/centre/estimate").asDouble()).isEqualTo(0);

    String pairs =
        "\"treatments\":[\"g\"],\"method\":\"ranks\",\"compare\":[{\"of\":[\"g\"],"
            + "\"against\":\"all-pairs\",\"procedure\":\"dwass-steel\"}]";
    JsonNode tied =
        ask(pairs, numbers("y", 12, i -> 5), words("g", 12, i -> "abc".charAt(i % 3) + ""));
    assertThat(tied.at("/comparisons/0/rows")).hasSize(3);
  }

  @Test
  void twoRowsAGroupLeaveSpreadTestsAlmostNoErrorAndStillEnd() throws IOException {
    double[] y = {1.5, 2.5, 1.7, 2.8};
    JsonNode findings =
        ask("\"treatments\":[\"g\"]", words("g", 4, i -> "g" + i % 2), numbers("y", 4, i -> y[i]));
    // By hand: between 1.1025, within 0.02 + 0.045 = 0.065 on 2 df.
    assertThat(findings.at("/tests/1/rows/0/f").asDouble())
        .isCloseTo(1.1025 / 0.0325, offset(1e-9));
  }

  @Test
  void severalOccasionFactorsHaveTheirOwnCorrections() throws IOException {
    int n = 8 * 3 * 2;
    JsonNode findings =
        ask(
            "\"treatments\":[\"day\",\"tide\"],\"occasions\":[\"day\",\"tide\"],\"unit\":\"bag\"",
            words("bag", n, i -> "b" + i / 6),
            words("day", n, i -> "d" + i / 2 % 3),
            words("tide", n, i -> "t" + i % 2),
            numbers("y", n, i -> (i * 7 % 11) + (i / 2 % 3) + 0.3 * (i * i % 17)));
    JsonNode epsilons = findings.at("/tests/0/epsilons");
    assertThat(epsilons).hasSize(3);
    assertThat(epsilons.at("/0/of/0").asText()).isEqualTo("day");
    assertThat(epsilons.at("/0/greenhouseGeisser").asDouble()).isBetween(0.5, 1.0);
    // Of two levels there is one difference, which is as spherical as can be.
    assertThat(epsilons.at("/1/greenhouseGeisser").asDouble()).isCloseTo(1, offset(1e-12));
    assertThat(row(findings, "day x tide").get("pGreenhouseGeisser").isNumber()).isTrue();
  }

  @ParameterizedTest
  @ValueSource(strings = {"ranks", "permutation"})
  void contrastsAreRefusedWhereNothingAnswersThem(String method) throws IOException {
    JsonNode findings =
        ask(
            "\"treatments\":[\"a\"],\"method\":\""
                + method
                + "\",\"compare\":[{\"of\":[\"a\"],\"name\":\"own\",\"weights\":["
                + "{\"weight\":1,\"levels\":{\"a\":\"a0\"}},"
                + "{\"weight\":-1,\"levels\":{\"a\":\"a1\"}}]}]",
            words("a", 9, i -> "a" + i % 3),
            numbers("y", 9, i -> i * 7 % 5));
    assertThat(findings.at("/sentences/finding").asText())
        .contains("ontrasts are not answered on ranks");
  }
}
