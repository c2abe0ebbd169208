package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Progress;
import app.knuckle.study.Rows;
import app.knuckle.study.answers.Answering;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Experiments at the limit of what an analysis bears; what is expected was worked out apart, with
 * exact or 40-digit arithmetic, or follows from an identity.
 */
class EdgesTest {

  private static final ObjectMapper JSON = new ObjectMapper();

  private static JsonNode findings(String name) {
    return findings(name, name, inquiry -> {});
  }

  private static JsonNode findings(String table, String name, Consumer<ObjectNode> change) {
    try {
      ObjectNode inquiry = (ObjectNode) JSON.readTree(resource(name + ".json"));
      change.accept(inquiry);
      String[] lines =
          new String(resource(table + ".csv"), StandardCharsets.UTF_8)
              .strip()
              .replace(' ', '_')
              .replaceAll("(?m)(?<=,|^)(NA)?(?=,|$)", "-")
              .replace(',', ' ')
              .split("\\R");
      return JSON.readTree(
          FindingsFile.text(
              Answering.of(Rows.of(lines), InquiryFile.read(inquiry), Progress.NONE)));
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  private static byte[] resource(String name) throws IOException {
    try (InputStream in = EdgesTest.class.getResourceAsStream("/edges/" + name)) {
      return in.readAllBytes();
    }
  }

  private static JsonNode pair(JsonNode findings, String one, String other) {
    return StreamSupport.stream(findings.at("/comparisons/0/rows").spliterator(), false)
        .filter(
            row ->
                List.of(row.at("/left/t").asText(), row.at("/right/t").asText())
                    .containsAll(List.of(one, other)))
        .findFirst()
        .orElseThrow();
  }

  @ParameterizedTest
  @CsvSource({
    // Whichever of the groups stands first, and although one mean at most is finite.
    "c-edge-3z, b, c, 18.02, 4.37e-5",
    "c-edge-3z, a, c, 18.02, 4.37e-5",
    "p-allnone3, b, c, 18.38, 3.62e-5",
    "p-edge-order1, b, c, 18.38, 3.62e-5",
    "p-edge-order1, a, b, 56.62, 1.59e-13",
    "p-edge-4, a, b, 56.62, 2.65e-13",
    "p-allnone, a, b, 67.30, 2.33e-16"
  })
  void aPairWithAGroupOfNoneOrAllIsTestedByMergingTheTwo(
      String name, String one, String other, double statistic, double p) {
    JsonNode row = pair(findings(name), one, other);
    assertThat(row.path("effect").asText()).isEqualTo("merged");
    assertThat(row.path("statistic").asDouble()).isCloseTo(statistic, within(0.006));
    assertThat(row.path("p").asDouble()).isCloseTo(p, within(0.005 * p));
    assertThat(row.path("differs").asBoolean()).isTrue();
  }

  @Test
  void whatIsSaidOfAllAgainstNoneAgreesWithItsTest() {
    String ranking = findings("p-allnone").at("/sentences/ranking/0").asText();
    assertThat(ranking).contains("more than at b").doesNotContain("no evidence");
  }

  @Test
  void aReferenceOrATreatmentOfNoneIsComparedToo() {
    assertThat(pair(findings("c-ref2"), "c", "a").path("differs").asBoolean()).isTrue();
    JsonNode reference = findings("c-ref");
    assertThat(pair(reference, "b", "a").path("differs").asBoolean()).isTrue();
    assertThat(pair(reference, "c", "a").path("differs").asBoolean()).isTrue();
    assertThat(reference.at("/sentences/ranking/0").asText()).contains("None were counted at a");
  }

  @Test
  void groupsOfNoneAreNotTakenForGroupsApartInBlocks() {
    JsonNode findings = findings("two-groups-of-none");
    assertThat(findings.at("/sentences").toString())
        .doesNotContain("block")
        .contains("None were counted at a", "None were counted at b");
    assertThat(findings.at("/comparisons/0/letters").findValuesAsText("letters"))
        .hasSizeLessThanOrEqualTo(1);
  }

  @Test
  void countsOfAnySizeHaveTheirLimits() {
    JsonNode all = findings("c-2p40").at("/summaries/0");
    double sum = all.path("sum").asDouble();
    // For a large count the limits are those of a normal distribution, shifted by (z^2 - 1)/3.
    double z = 1.959963984540054;
    double low = (sum - z * Math.sqrt(sum) + (z * z - 1) / 3) / 4;
    assertThat(all.path("rateLow").asDouble()).isCloseTo(low, within(1e-13 * low));
  }

  @ParameterizedTest
  @CsvSource({"p-big, -44.949697061655065", "p-rare, -7.89905788711"})
  void logLikelihoodsOfManyTriedKeepTheirDigits(String name, double expected) {
    assertThat(findings(name).at("/tests/0/fit/logLikelihood").asDouble())
        .isCloseTo(expected, within(1e-10 * Math.abs(expected)));
  }

  @Test
  void rowsWithoutExposureCountNowhere() {
    JsonNode all = findings("n-counts-32").at("/summaries/0");
    assertThat(all.path("n").asInt()).isEqualTo(24);
    assertThat(all.path("missing").asInt()).isEqualTo(4);
    assertThat(all.path("sum").asDouble()).isEqualTo(72_749);
    assertThat(all.path("rate").asDouble())
        .isCloseTo(72_749 / all.path("exposure").asDouble(), within(1e-9));
  }

  @ParameterizedTest
  @ValueSource(strings = {"m-additive", "m-addi1"})
  void whatIsAdditiveToTheLastDigitHasNoError(String name) {
    assertThat(findings(name).at("/tests/0/why").asText()).contains("nothing varies");
    assertThat(findings(name).at("/tests/0/kind").asText()).isEqualTo("mixed");
  }

  @ParameterizedTest
  @ValueSource(strings = {"blocks-174", "blocks-177"})
  void variancesThatTheDesignMakesEqualAreNotTested(String name) {
    for (JsonNode check : findings(name).path("checks")) {
      if (check.path("about").asText().equals("spread")) {
        assertThat(check.path("p").isNull()).as(check.path("test").asText()).isTrue();
        assertThat(check.path("why").asText()).contains("same sizes");
      }
    }
  }

  @Test
  void aTinyScaleChangesNothing() {
    JsonNode findings = findings("m-off-tiny300");
    assertThat(findings.at("/tests/0/rows/0/f").asDouble()).isCloseTo(5.70, within(0.005));
    assertThat(pair(findings, "a", "c").path("df").asDouble()).isCloseTo(6, within(1e-9));
    JsonNode dunnett =
        findings(
            "m-off-tiny300",
            "m-off-tiny300",
            inquiry -> {
              inquiry.putObject("reference").put("t", "a");
              ((ObjectNode) inquiry.at("/compare/0"))
                  .put("against", "reference")
                  .put("procedure", "dunnett");
            });
    // Bonferroni's bound lies above, the unadjusted p below.
    assertThat(pair(dunnett, "a", "b").path("p").asDouble()).isBetween(0.0715, 0.143);
    assertThat(dunnett.at("/comparisons/0/correlations/0/1").asDouble())
        .isCloseTo(0.5, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({
    "x-crossed-42, 0, profileHigh, 1764.01, 1e-5",
    "x-crossed-49, 0, profileHigh, 125.842, 1e-5",
    "x-crossed-49, 2, profileHigh, 0.171396, 1e-5",
    "x-crossed-22, 0, profileHigh, 32.1937, 1e-5",
    "x-split-24, 0, profileHigh, 1162540, 1e-5",
    "x-split-92, 0, profileHigh, 7837301, 1e-5",
    "x-crossed-8, 0, variance, 3.88205, 1e-5",
    "x-crossed-8, 1, variance, 2.21642, 1e-5",
    "x-crossed-8, 2, variance, 2.25334e-5, 1e-5"
  })
  void searchesEndWhereThereIsATop(
      String name, int component, String key, double expected, double relative) {
    assertThat(findings(name).at("/tests/0/components/" + component + "/" + key).asDouble())
        .isCloseTo(expected, within(relative * expected));
  }

  @Test
  void aSignificantProductWithACovariateLeadsTheFinding() {
    assertThat(findings("x-blocks-68").at("/sentences/finding").asText())
        .startsWith("The effect of feed on y depends on x");
  }

  @Test
  void whereSphericityIsRejectedTheCorrectedPDecides() {
    JsonNode sentences = findings("sphericity").path("sentences");
    assertThat(sentences.path("finding").asText()).doesNotContain("depends on");
    assertThat(sentences.at("/results/0").asText())
        .contains("F(1.19, 11.9) = 3.45, p = .083, Greenhouse-Geisser \u03b5 = 0.40");
  }

  @Test
  void aOneSidedFindingSaysItsDirection() {
    assertThat(findings("ranks-one-sided").at("/sentences/finding").asText())
        .contains("tends to be smaller at A than at B", "one-sided", "p = .031");
    assertThat(findings("permutation-one-sided").at("/sentences/finding").asText())
        .contains("is smaller at A than at B", "one-sided", "p = .041");
  }

  @Test
  void twoGroupsOfCountsHaveOneVerdict() {
    JsonNode sentences = findings("two-verdicts").path("sentences");
    assertThat(sentences.path("finding").asText())
        .startsWith("No evidence by Fisher's exact test")
        .contains("p = .100");
    assertThat(sentences.at("/results/0").asText()).doesNotContain("Torn differs");
  }

  @Test
  void moreArrangementsAreDrawnWhilePLiesNearAlpha() {
    JsonNode test = findings("permutation").at("/tests/0");
    double p = test.at("/rows/0/p").asDouble();
    double se = test.path("monteCarloSe").asDouble();
    assertThat(test.path("arrangements").asLong()).isGreaterThan(9_999);
    assertThat(test.path("seed").isNumber()).isTrue();
    assertThat(Math.abs(p - 0.05)).isGreaterThan(3 * se);
    // Two million arrangements give .0543.
    assertThat(p).isCloseTo(0.0543, within(4 * se));
  }

  @Test
  void rowsOfUnitsThatDropOutAreNamed() {
    JsonNode records = findings("lost-occasion").path("records");
    assertThat(records.path("inPlay").asInt()).isEqualTo(24);
    assertThat(records.path("leftOut").findValuesAsText("why"))
        .hasSize(4)
        .contains("s3 is incomplete");
    assertThat(findings("pairs").at("/records/leftOut/0/why").asText())
        .isEqualTo("P11 is incomplete");
  }

  @Test
  void anEmptyReferenceIsRefused() {
    JsonNode findings =
        findings("c-ref2", "c-ref2", inquiry -> inquiry.putObject("reference").put("t", "nowhere"));
    assertThat(findings.at("/tests/0/kind").asText()).isEqualTo("analysis-of-deviance");
    assertThat(findings.at("/tests/0/why").asText()).contains("nowhere");
  }
}
