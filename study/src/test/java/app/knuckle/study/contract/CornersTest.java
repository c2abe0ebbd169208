package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.Rows;
import app.knuckle.study.answers.Answering;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Small experiments at which a rule ends; what is expected follows from the definitions. */
class CornersTest {
  private static final ObjectMapper JSON = new ObjectMapper();

  private static List<JsonNode> corners() {
    try (InputStream in = CornersTest.class.getResourceAsStream("/corners/corners.json")) {
      JsonNode all = JSON.readTree(in);
      return StreamSupport.stream(all.get("corners").spliterator(), false).toList();
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  private static JsonNode corner(String what) {
    return corners().stream()
        .filter(c -> c.get("what").asText().startsWith(what))
        .findFirst()
        .orElseThrow();
  }

  private static JsonNode answer(String csv, JsonNode inquiry) {
    try {
      String[] lines = csv.strip().replace(' ', '_').replace(',', ' ').split("\n");
      String text =
          FindingsFile.text(Answering.of(Rows.of(lines), InquiryFile.read(inquiry), Progress.NONE));
      JsonNode findings = JSON.readTree(text);
      assertThat(ContractFilesTest.schema("findings").validate(findings)).isEmpty();
      return findings;
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  private static JsonNode answer(JsonNode corner) {
    return answer(corner.get("table").asText(), corner.get("inquiry"));
  }

  private static JsonNode again(JsonNode corner) {
    return answer(corner.get("sameRowsInAnotherOrder").asText(), corner.get("inquiry"));
  }

  private static JsonNode ask(String csv, String inquiry) {
    try {
      return answer(
          csv,
          JSON.readTree(
              "{\"knuckle\":\"inquiry\",\"version\":1,\"measured\":[\"y\"]," + inquiry + "}"));
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  private static JsonNode check(JsonNode findings, String test) {
    return StreamSupport.stream(findings.get("checks").spliterator(), false)
        .filter(c -> c.get("test").asText().equals(test))
        .filter(c -> !c.path("on").isObject())
        .findFirst()
        .orElseThrow();
  }

  private static JsonNode pair(JsonNode comparison, String left, String right) {
    return StreamSupport.stream(comparison.get("rows").spliterator(), false)
        .filter(p -> String.join(" ", texts(p.get("left"))).equals(left))
        .filter(p -> String.join(" ", texts(p.get("right"))).equals(right))
        .findFirst()
        .orElseThrow();
  }

  private static List<String> texts(JsonNode levels) {
    List<String> texts = new ArrayList<>();
    levels.forEach(level -> texts.add(level.asText()));
    return texts;
  }

  @Test
  void adjustedMeansAgainstAReferenceHaveTheCorrelationsOfTheirDifferences() {
    JsonNode comparison = answer(corner("Dunnett, three")).at("/comparisons/0");
    assertThat(comparison.get("criticalValue").asDouble()).isCloseTo(2.9597, within(5e-5));
    assertThat(pair(comparison, "g3", "g0").get("p").asDouble()).isCloseTo(.0512838, within(1e-7));
    assertThat(pair(comparison, "g3", "g0").get("differs").asBoolean()).isFalse();
    assertThat(pair(comparison, "g3", "g0").get("pError").asDouble()).isLessThanOrEqualTo(1e-6);
    double[][] r = {{1, .5605, .5726}, {.5605, 1, .4363}, {.5726, .4363, 1}};
    for (int i = 0; i < 3; i++) {
      for (int j = 0; j < 3; j++) {
        assertThat(comparison.at("/correlations/" + i + "/" + j).asDouble())
            .isCloseTo(r[i][j], within(5e-5));
      }
    }
    JsonNode other = answer(corner("Dunnett, the other way")).at("/comparisons/0");
    assertThat(pair(other, "g4", "g0").get("p").asDouble()).isCloseTo(.0374, within(5e-5));
    assertThat(pair(other, "g4", "g0").get("differs").asBoolean()).isTrue();
  }

  private static final String TWO_CONSTANT =
      "t,y\nA,5\nA,5\nA,5\nA,5\nB,5\nB,5\nB,5\nB,5\nC,1\nC,2.5\nC,3.1\nC,9.2\nD,21\nD,22.5\nD,23.1\n"
          + "D,29.2\n";

  @ParameterizedTest
  @ValueSource(strings = {"games-howell", "tamhane", "none"})
  void aPairWithoutSpreadIsAbsentByItself(String procedure) {
    JsonNode findings =
        ask(
            TWO_CONSTANT,
            "\"treatments\":[\"t\"],\"method\":\"unequal-spread\",\"compare\":[{\"of\":[\"t\"],"
                + "\"procedure\":\""
                + procedure
                + "\"}]");
    JsonNode comparison = findings.at("/comparisons/0");
    JsonNode ab = pair(comparison, "A", "B");
    assertThat(ab.get("p").isNull()).isTrue();
    assertThat(ab.get("differs").isNull()).isTrue();
    assertThat(ab.get("why").asText()).contains("two groups are equal");
    // D is C and 20: t = -20 / sqrt(2 * 12.7 / 4), C's variance being 12.7.
    JsonNode cd = pair(comparison, "C", "D");
    assertThat(cd.get("statistic").asDouble()).isCloseTo(-7.8, within(.1));
    assertThat(cd.get("differs").asBoolean()).isTrue();
    // A and B are not different from C, nor from each other, and share no
    // letter.
    String a = comparison.at("/letters/0/letters").asText();
    String b = comparison.at("/letters/1/letters").asText();
    assertThat(a).isNotEmpty();
    assertThat(b).isNotEmpty();
    assertThat(a.chars().noneMatch(letter -> b.indexOf(letter) >= 0)).isTrue();
    assertThat(findings.at("/sentences/ranking/0").asText())
        .contains("D")
        .containsIgnoringCase("no comparison of A and B");
  }

  @Test
  void aMeanNoneOfWhosePairsIsJudgedHasNoLetters() {
    JsonNode findings =
        ask(
            "t,y\nA,5\nB,6\nC,7\n",
            "\"treatments\":[\"t\"],\"compare\":[{\"of\":[\"t\"],\"procedure\":\"tukey\"}]");
    for (int mean = 0; mean < 3; mean++) {
      assertThat(findings.at("/comparisons/0/letters/" + mean + "/letters").isNull()).isTrue();
      assertThat(findings.at("/comparisons/0/letters/" + mean + "/why").asText()).isNotEmpty();
      assertThat(findings.at("/means/0/rows/" + mean + "/letters").isNull()).isTrue();
    }
    assertThat(findings.at("/sentences/ranking/0").asText()).doesNotContain("differ significantly");
  }

  @Test
  void aDirectionDecidesTheFinding() {
    JsonNode findings = answer(corner("two groups by least squares with a direction"));
    assertThat(findings.at("/tests/0/p").asDouble()).isCloseTo(.9973, within(5e-5));
    assertThat(findings.at("/sentences/finding").asText()).startsWith("No evidence");
    assertThat(findings.at("/sentences/results/0").asText()).startsWith("No evidence");
  }

  @ParameterizedTest
  @CsvSource({
    "dunn-holm,ranks",
    "dwass-steel,ranks",
    "conover-holm,ranks",
    "nemenyi,ranks",
    "steel,ranks",
    "dunnett,reference"
  })
  void summariesHaveNoRanksAndNoReference(String procedure, String why) {
    assertThatThrownBy(
            () ->
                ReckonFile.answer(
                    "{\"kind\":\"from-summaries\",\"given\":{\"n\":[4,4],\"mean\":[1,2],"
                        + "\"sd\":[1,1],\"procedures\":[\""
                        + procedure
                        + "\"]}}"))
        .isInstanceOf(Refused.class)
        .hasMessageContaining(procedure)
        .hasMessageContaining(why);
  }

  @Test
  void tiedMeansRankInLevelOrder() {
    JsonNode corner = corner("Newman-Keuls and Duncan with tied means");
    JsonNode one = answer(corner);
    JsonNode other = again(corner);
    for (int c = 0; c < 2; c++) {
      JsonNode p = pair(one.at("/comparisons/" + c), "A", "C").get("p");
      assertThat(pair(other.at("/comparisons/" + c), "A", "C").get("p").asDouble())
          .isCloseTo(p.asDouble(), within(1e-12));
    }
    JsonNode three = answer(corner("the same in one table")).at("/comparisons/0");
    double p = Double.NaN;
    for (JsonNode row : three.get("rows")) {
      boolean asked =
          row.at("/left/density").asText().equals("d0")
              && row.at("/right/density").asText().equals("d0");
      p = asked ? row.get("p").asDouble() : p;
    }
    assertThat(p).isCloseTo(.07427, within(5e-6));
  }

  @Test
  void ofExactlyAlphaIsSignificantInEveryOrder() {
    JsonNode corner = corner("p exactly alpha");
    for (JsonNode findings : List.of(answer(corner), again(corner))) {
      assertThat(findings.at("/sentences/finding").asText()).startsWith("Y differs");
    }
  }

  @Test
  void rowsWithoutWhichTheFitIsExactHaveNoStudentisedResidual() {
    JsonNode corner = corner("p exactly alpha");
    for (JsonNode row : answer(corner).at("/residuals/0/rows")) {
      JsonNode own = row.get("studentised");
      assertThat(own.isNull() || Math.abs(own.asDouble()) < 1e4).isTrue();
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "Levene of scores that are constant", "Levene of residuals of 2 x 2",
        "checks of residuals of a saturated", "blocks with two treatments"
      })
  void whatIsAlikeButForRoundingIsNotJudged(String what) {
    JsonNode corner = corner(what);
    List<JsonNode> answers = new ArrayList<>(List.of(answer(corner)));
    if (corner.has("sameRowsInAnotherOrder")) {
      answers.add(again(corner));
    }
    for (JsonNode findings : answers) {
      for (JsonNode check : findings.get("checks")) {
        if (check.get("test").asText().startsWith("levene")) {
          assertThat(check.get("p").isNull()).isTrue();
          assertThat(check.get("judgement").isNull()).isTrue();
          assertThat(check.get("why").asText()).isNotEmpty();
        }
      }
    }
  }

  @Test
  void deviationsThatTieShareARank() {
    JsonNode check = check(answer(corner("Fligner-Killeen")), "fligner-killeen");
    assertThat(check.get("p").asDouble()).isCloseTo(.0820849986, within(1e-9));
  }

  @Test
  void rearrangementsThatTieWithTheOneObservedCount() {
    JsonNode test = answer(corner("exact permutation p loses ties")).at("/tests/0");
    assertThat(test.get("pLess").asDouble()).isCloseTo(.1494949494949495, within(1e-15));
    assertThat(test.get("pEither").asDouble()).isCloseTo(.29494949494949496, within(1e-15));
  }

  @Test
  void aLayoutOfTwoLayersDoesNotDependOnTheOrigin() {
    JsonNode corner = corner("two layers and strips are not centred");
    JsonNode comparison = answer(corner).at("/comparisons/0");
    // The decimals at 1e12 are those that a double keeps.
    assertThat(pair(comparison, "a1", "a2").get("difference").asDouble())
        .isCloseTo(-1.216715494791666, within(1e-9));
  }

  @Test
  void stripsHaveOneAnswerWhicheverIsNamed() throws IOException {
    JsonNode corner = corner("strips: SE of means");
    String csv = corner.get("table").asText();
    for (String named : List.of("a", "b")) {
      JsonNode findings =
          ask(
              csv,
              "\"treatments\":[\"a\",\"b\"],\"blocks\":[\"blk\"],\"strips\":[\"" + named + "\"]");
      for (JsonNode means : findings.get("means")) {
        if (means.get("of").size() == 1 && means.at("/of/0").asText().equals("b")) {
          assertThat(means.at("/rows/0/se").isNull()).isTrue();
          assertThat(means.at("/rows/0/why").asText()).contains("not above 0");
        }
      }
      for (JsonNode row : findings.at("/tests/0/rows")) {
        if (row.get("source").asText().equals("blk")) {
          assertThat(row.get("f").isNull()).isTrue();
          assertThat(row.get("why").asText()).contains("not above 0");
        }
      }
    }
  }

  /** Variances of means and the error of blocks, from the mean squares of the three errors. */
  @Test
  void stripsFollowTheirDefinition() {
    Random random = new Random(7);
    StringBuilder csv = new StringBuilder("blk,a,b,y\n");
    int r = 4;
    int a = 3;
    int b = 2;
    for (int block = 0; block < r; block++) {
      double[] one = random.doubles(a, -4, 4).toArray();
      double[] other = random.doubles(b, -4, 4).toArray();
      for (int i = 0; i < a; i++) {
        for (int j = 0; j < b; j++) {
          double y = Math.round((20 + one[i] + other[j] + random.nextDouble()) * 100) / 100.0;
          csv.append("r%d,a%d,b%d,%s\n".formatted(block, i, j, y));
        }
      }
    }
    JsonNode findings =
        ask(csv.toString(), "\"treatments\":[\"a\",\"b\"],\"blocks\":[\"blk\"],\"strips\":[\"a\"]");
    double[] ms = new double[3];
    double[] df = new double[3];
    JsonNode blocks = null;
    for (JsonNode row : findings.at("/tests/0/rows")) {
      String source = row.get("source").asText();
      int error =
          List.of("error of a strips", "error of b strips", "error of crossings").indexOf(source);
      if (error >= 0) {
        ms[error] = row.get("ms").asDouble();
        df[error] = row.get("df").asDouble();
      }
      blocks = source.equals("blk") ? row : blocks;
    }
    double[] parts = {ms[0], ms[1], -ms[2]};
    double sum = parts[0] + parts[1] + parts[2];
    assertThat(blocks.get("f").asDouble())
        .isCloseTo(blocks.get("ms").asDouble() / sum, within(1e-9));
    assertThat(blocks.get("errorDf").asDouble())
        .isCloseTo(sum * sum / squares(parts, df), within(1e-9));
    double rab = r * a * b;
    check(findings, List.of("a"), df, ms[0] * a / rab, ms[1] / rab, -ms[2] / rab);
    check(findings, List.of("b"), df, ms[0] / rab, ms[1] * b / rab, -ms[2] / rab);
    check(
        findings,
        List.of("a", "b"),
        df,
        ms[0] * a / rab,
        ms[1] * b / rab,
        ms[2] * (a * b - a - b) / rab);
  }

  private static double squares(double[] parts, double[] df) {
    return IntStream.range(0, 3).mapToDouble(i -> parts[i] * parts[i] / df[i]).sum();
  }

  private static void check(JsonNode findings, List<String> of, double[] df, double... parts) {
    double variance = parts[0] + parts[1] + parts[2];
    for (JsonNode means : findings.get("means")) {
      if (texts(means.get("of")).equals(of)) {
        assertThat(means.at("/rows/0/se").asDouble()).isCloseTo(Math.sqrt(variance), within(1e-9));
        assertThat(means.at("/rows/0/df").asDouble())
            .isCloseTo(variance * variance / squares(parts, df), within(1e-8));
        return;
      }
    }
    throw new AssertionError("no means of " + of);
  }

  @Test
  void conoverWithoutVarianceIsAbsentAndWithSingleValuesRefused() {
    JsonNode findings = answer(corner("Conover-Holm"));
    for (JsonNode row : findings.at("/comparisons/0/rows")) {
      assertThat(row.get("p").isNull()).isTrue();
      assertThat(row.get("differs").isNull()).isTrue();
    }
    JsonNode single =
        ask(
            "a,y\np,1\nq,2\nr,3\n",
            "\"treatments\":[\"a\"],\"method\":\"ranks\",\"compare\":[{\"of\":[\"a\"],"
                + "\"procedure\":\"conover-holm\"}]");
    assertThat(single.at("/tests/0/why").asText()).contains("every group has one value");
  }

  /** x over y, from the normal equations in fractions. */
  @Test
  void theRatioOfTwoVariancesFollowsTheLevels() {
    JsonNode corner = corner("variance-ratio");
    for (JsonNode findings : List.of(answer(corner), again(corner))) {
      assertThat(check(findings, "variance-ratio").get("statistic").asDouble())
          .isCloseTo(1.6662189388851578, within(1e-12));
    }
  }

  @Test
  void grubbsAtItsBoundLeavesNoProbability() {
    JsonNode findings = answer(corner("Grubbs"));
    JsonNode first =
        StreamSupport.stream(findings.get("checks").spliterator(), false)
            .filter(c -> c.get("test").asText().equals("grubbs"))
            .findFirst()
            .orElseThrow();
    assertThat(first.get("p").asDouble()).isZero();
  }

  @Test
  void everythingEqualHasAnExactPOfOne() {
    JsonNode groups =
        ask("t,y\nA,5\nA,5\nB,5\nB,5\nC,5\n", "\"treatments\":[\"t\"],\"method\":\"ranks\"");
    JsonNode row = groups.at("/tests/0/rows/0");
    assertThat(row.get("exactP").asDouble()).isEqualTo(1);
    // 5! / (2! 2! 1!)
    assertThat(groups.at("/tests/0/arrangements").asDouble()).isEqualTo(30);
    JsonNode pairs =
        ask(
            "u,t,y\n1,A,5\n1,B,5\n2,A,4\n2,B,4\n3,A,7\n3,B,7\n",
            "\"treatments\":[\"t\"],\"pairs\":\"u\",\"method\":\"ranks\"");
    for (JsonNode test : pairs.get("tests")) {
      assertThat(test.get("p").asDouble()).isEqualTo(1);
    }
    JsonNode blocks =
        ask(
            "u,t,y\n1,A,5\n1,B,5\n1,C,5\n2,A,4\n2,B,4\n2,C,4\n",
            "\"treatments\":[\"t\"],\"blocks\":[\"u\"],\"method\":\"ranks\"");
    assertThat(blocks.at("/tests/0/rows/0/exactP").asDouble()).isEqualTo(1);
  }

  @Test
  void aConstantGoesTogetherWithNothing() throws IOException {
    JsonNode findings =
        answer(
            "y,z\n1,4\n2,4\n4,4\n",
            JSON.readTree(
                "{\"knuckle\":\"inquiry\",\"version\":1,\"measured\":[\"y\",\"z\"],"
                    + "\"together\":true}"));
    JsonNode pearson = findings.at("/associations/0/coefficients");
    assertThat(pearson.at("/0/0").asDouble()).isEqualTo(1);
    assertThat(pearson.at("/1/1").isNull()).isTrue();
    assertThat(findings.at("/design/readsAs").asText()).doesNotContain("expected value");
  }

  @Test
  void responsesTogetherAreSummedUpOverTheirCompleteRows() throws IOException {
    JsonNode findings =
        answer(
            "t,y,z\nA,1,2\nA,3,-\nA,5,9\nB,2,4\nB,7,1\nB,8,3\n",
            JSON.readTree(
                "{\"knuckle\":\"inquiry\",\"version\":1,\"measured\":[\"y\",\"z\"],"
                    + "\"treatments\":[\"t\"],\"together\":true}"));
    assertThat(findings.at("/summaries/0/measured").asText()).isEqualTo("y");
    assertThat(findings.at("/summaries/0/n").asInt()).isEqualTo(5);
    // (1 + 5 + 2 + 7 + 8) / 5
    assertThat(findings.at("/summaries/0/mean").asDouble()).isCloseTo(4.6, within(1e-12));
  }

  @Test
  void moreMeansThanPairsAreMadeOfAreSaidToBe() {
    StringBuilder csv = new StringBuilder("t,y\n");
    for (int i = 0; i < 242; i++) {
      csv.append("t%d,%d\n".formatted(i / 2, i * 7 % 13));
    }
    JsonNode findings =
        ask(
            csv.toString(),
            "\"treatments\":[\"t\"],\"compare\":[{\"of\":[\"t\"],\"procedure\":\"tukey\"}]");
    assertThat(findings.get("comparisons")).isEmpty();
    assertThat(findings.at("/design/warnings").toString()).contains("121 means of t");
  }

  @Test
  void completeBlocksHoldEveryTreatment() {
    String csv = "b,t,y\n1,A,1\n1,A,2\n1,B,4\n1,B,3\n2,A,5\n2,C,7\n2,B,6\n2,C,4\n";
    assertThat(ask(csv, "\"treatments\":[\"t\"],\"blocks\":[\"b\"]").at("/design/readsAs").asText())
        .contains("incomplete blocks");
  }

  @ParameterizedTest
  @ValueSource(strings = {"1e160", "-1e200"})
  void valuesTooLargeToBeSquaredAreRefusedByTheirCell(String large) {
    assertThatThrownBy(
            () ->
                Answering.of(
                    new app.knuckle.study.table.Table(
                        "t",
                        "t.csv",
                        List.of(
                            new app.knuckle.study.table.Numbers(
                                "y", "", new double[] {1, 2, Double.parseDouble(large), 4})),
                        ""),
                    InquiryFile.read(
                        "{\"knuckle\":\"inquiry\",\"version\":1,\"measured\":[\"y\"],"
                            + "\"expected\":1}"),
                    Progress.NONE))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("row 3")
        .hasMessageContaining("too large");
  }

  @Test
  void levelsThatMakeTooManyCombinationsAreRefusedBeforeTheyAreMade() {
    StringBuilder csv = new StringBuilder("a,b,c,y\n");
    for (int i = 0; i < 2000; i++) {
      csv.append("a%d,b%d,c%d,%d\n".formatted(i % 60, i % 61, i % 62, i % 7));
    }
    assertThatThrownBy(() -> ask(csv.toString(), "\"treatments\":[\"a\",\"b\",\"c\"]"))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("combinations of levels");
  }

  @Test
  void twoOrderedLevelsAreTestedForARise() {
    JsonNode findings =
        ask(
            "t,y\nlow,1\nlow,3\nhigh,2\nhigh,5\n",
            "\"treatments\":[\"t\"],\"method\":\"ranks\",\"prepare\":[{\"step\":\"kind\","
                + "\"column\":\"t\",\"kind\":\"ordered\"}]");
    List<String> kinds = new ArrayList<>();
    findings.get("tests").forEach(t -> kinds.add(t.get("kind").asText()));
    assertThat(kinds).contains("jonckheere-terpstra");
  }

  @Test
  void onePlotAgainstFifteenThousandIsPermutedExactly() {
    StringBuilder csv = new StringBuilder("t,y\nA,99999\n");
    IntStream.range(0, 15_000).forEach(i -> csv.append("B,").append(i).append("\n"));
    JsonNode test =
        ask(csv.toString(), "\"treatments\":[\"t\"],\"method\":\"permutation\"").at("/tests/0");
    // The single value lies farthest out: one arrangement of 15,001.
    assertThat(test.get("p").asDouble()).isCloseTo(1 / 15_001.0, within(1e-15));
  }

  /** Two racks tell nothing of how readings are correlated: there is no matrix to look into. */
  @Test
  void waysToHangTogetherThatNoRowTellsApartHaveNoCriterion() {
    StringBuilder csv = new StringBuilder("mesh,density,rack,y\n");
    double[] growth = {9, 9.5, 9.6, 0, 10.3, 10, 11, 10.6, 11, 7.6, 9.6, 9, 9.3, 11.2, 11.5};
    for (int i = 0; i < growth.length; i++) {
      if (growth[i] > 0) {
        csv.append("mesh").append(i % 4).append(",density").append(i / 4 % 2);
        csv.append(",rack").append(i / 8).append(',').append(growth[i]).append('\n');
      }
    }
    JsonNode findings =
        ask(
            csv.toString(),
            "\"treatments\":[\"mesh\",\"density\"],\"unit\":\"rack\",\"occasions\":[\"mesh\"],"
                + "\"method\":\"mixed\"");
    assertThat(findings.get("tests")).isNotEmpty();
  }
}
