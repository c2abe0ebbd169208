package app.knuckle.study.sentences;

import static app.knuckle.study.answers.Asking.ask;
import static app.knuckle.study.answers.Asking.numbers;
import static app.knuckle.study.answers.Asking.words;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is said of each kind of question: the decision first, then what it rests on. */
class SentencesTest {

  private static final int ROWS = 48;
  private static final double[] NOISE = noise();
  private static final Column MESH = words("mesh", ROWS, i -> "m" + i % 3);
  private static final Column TIDE = words("tide", ROWS, i -> "t" + i / 3 % 2);
  private static final Column RACK = words("rack", ROWS, i -> "R" + i / 6);
  private static final Column START = numbers("start", ROWS, i -> 15 + (i * 7 % 11) * 0.3);
  private static final Column EASY = made(i -> 3.0 * (i % 3));
  private static final Column CROSSED = made(i -> i / 3 % 2 == 0 ? 2.0 * (i % 3) : -2.0 * (i % 3));
  private static final Column CALM = made(i -> 0.0);

  private static double[] noise() {
    Random random = new Random(3);
    return IntStream.range(0, ROWS).mapToDouble(i -> 0.8 * random.nextGaussian()).toArray();
  }

  private static Column made(java.util.function.IntToDoubleFunction effect) {
    return new Numbers(
        "y",
        "mm",
        IntStream.range(0, ROWS)
            .mapToDouble(i -> 20 + effect.applyAsDouble(i) + NOISE[i])
            .toArray());
  }

  private static String finding(String inquiry, Column y) throws IOException {
    JsonNode findings = ask(inquiry.replace('\'', '"'), MESH, TIDE, RACK, START, y);
    return findings.at("/sentences/finding").asText();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '~',
      value = {
        "'treatments':['mesh'] | Y differs between the 3 levels of mesh, F(2, 45) = | p < .001.",
        "'treatments':['mesh'],'blocks':['rack'] | Y differs between the levels of mesh (F(2, 38) = | p < .001).",
        "'treatments':['mesh'],'covariates':['start'] | Y differs between the levels of mesh (F(2, 44) = | p < .001).",
        "'treatments':['mesh'],'method':'unequal-spread' | Y differs between the levels of mesh, Welch's F(2, | p < .001.",
        "'treatments':['mesh'],'method':'ranks' | Y differs between the levels of mesh, Kruskal-Wallis test: H(2) = | p < .001.",
        "'expected':5 | Mean y lies | mm above the expected 5 mm",
        "'expected':5,'method':'ranks' | Y differs from the expected value, signed-rank test: | p < .001.",
        "'treatments':['mesh'],'unit':'rack','occasions':['mesh'],'method':'ranks' | Y differs between the levels of mesh, Friedman test: | p < .001."
      })
  void anEffectIsSaid(String inquiry, String start, String end) throws IOException {
    String finding = finding(inquiry, EASY);
    assertThat(finding).startsWith(start).contains(end).doesNotContain("0.000").endsWith(".");
  }

  @Test
  void anInteractionComesBeforeTheMainEffectsAndAloneDecidesTheSentence() throws IOException {
    assertThat(finding("'treatments':['mesh','tide']", CROSSED))
        .startsWith("The effect of mesh on y depends on tide, F(2, 42) = ");
    assertThat(finding("'treatments':['mesh','tide']", EASY))
        .startsWith("Y differs between the levels of mesh (F(2, 42) = ")
        .contains("; no evidence that it does between the levels of tide (F(1, 42) = ");
  }

  @Test
  void nothingFoundIsSaidAsNoEvidence() throws IOException {
    for (String method : new String[] {"least-squares", "unequal-spread", "ranks", "permutation"}) {
      assertThat(finding("'treatments':['mesh'],'method':'" + method + "'", CALM))
          .as(method)
          .contains("o evidence that y differs")
          .doesNotContain("no difference");
    }
  }

  @Test
  void twoGroupsSayHowFarApartTheyAreWithTheUnit() throws IOException {
    String finding = finding("'treatments':['tide'],'direction':'greater'", CALM);
    assertThat(finding).startsWith("No evidence that y");
    Column apart = made(i -> i / 3 % 2 * 4.0);
    assertThat(finding("'treatments':['tide']", apart))
        .matches(
            "Y differs between t0 and t1 by \\d\\.\\d+ mm"
                + " \\(95% interval \\d\\.\\d+ to \\d\\.\\d+\\), t\\(46\\) = \\d.*");
  }

  @Test
  void theResultInFullNamesEveryRowAndTheSlope() throws IOException {
    JsonNode findings =
        ask(
            "\"treatments\":[\"mesh\",\"tide\"],\"covariates\":[\"start\"],"
                + "\"compare\":[{\"of\":[\"mesh\"],\"procedure\":\"tukey\"}]",
            MESH,
            TIDE,
            RACK,
            START,
            EASY);
    assertThat(findings.at("/sentences/results/0").asText())
        .contains("In full: ", "mesh F(2, 41) = ", "mesh × tide F(2, 41) = ", "partial η² = ")
        .contains("The slope on start is ");
    assertThat(findings.at("/sentences/ranking/0").asText())
        .startsWith("The highest mean is that of m2 (")
        .contains(" mm)");
  }
}
