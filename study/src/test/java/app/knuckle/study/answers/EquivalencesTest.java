package app.knuckle.study.answers;

import static app.knuckle.study.answers.Asking.ask;
import static app.knuckle.study.answers.Asking.numbers;
import static app.knuckle.study.answers.Asking.row;
import static app.knuckle.study.answers.Asking.words;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Percentage.withPercentage;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Questions that are one and the same under two names have one answer. */
class EquivalencesTest {

  private static final Percentage SAME = withPercentage(1e-7);

  private static Column noise(String name, int rows, Random random) {
    double[] values = random.doubles(rows, 5, 15).toArray();
    return numbers(name, rows, i -> values[i]);
  }

  private static double of(JsonNode findings, String kind, String form, String key) {
    for (JsonNode test : findings.get("tests")) {
      boolean formed = form.isEmpty() || test.path("form").asText().equals(form);
      if (test.path("kind").asText().equals(kind) && formed) {
        return test.at("/" + key).asDouble(Double.NaN);
      }
    }
    throw new AssertionError("No " + kind + " in " + findings.get("tests"));
  }

  private static void close(double a, double b) {
    assertThat(a).isCloseTo(b, SAME);
  }

  @Property(tries = 30)
  void twoGroupsAreATTestAndAnAnalysisOfVariance(
      @ForAll @IntRange(min = 5, max = 30) int rows, @ForAll Random random) throws IOException {
    Column pump = words("pump", rows, i -> i % 3 == 0 ? "airlift" : "screw");
    Column y = noise("y", rows, random);
    JsonNode plain = ask("\"treatments\":[\"pump\"]", pump, y);
    double t = of(plain, "t-test", "pooled", "statistic");
    close(t * t, row(turned(plain), "pump").get("f").asDouble());
    JsonNode own = ask("\"treatments\":[\"pump\"],\"method\":\"unequal-spread\"", pump, y);
    double welch = of(own, "t-test", "", "statistic");
    close(welch * welch, of(own, "welch-anova", "", "rows/0/f"));
    close(of(own, "t-test", "", "p"), of(own, "welch-anova", "", "rows/0/p"));
  }

  /** The findings with their analysis of variance in front, where rows are looked for. */
  private static JsonNode turned(JsonNode findings) {
    for (int i = 0; i < findings.get("tests").size(); i++) {
      if (findings.at("/tests/" + i + "/kind").asText().equals("analysis-of-variance")) {
        JsonNode front = findings.deepCopy();
        ((ArrayNode) front.get("tests")).insert(0, findings.at("/tests/" + i));
        return front;
      }
    }
    throw new AssertionError("No analysis of variance");
  }

  @Property(tries = 30)
  void pairsAreBlocksOfTwoAndDifferencesFromNothing(
      @ForAll @IntRange(min = 3, max = 14) int pairs, @ForAll Random random) throws IOException {
    int rows = 2 * pairs;
    Column site = words("site", rows, i -> "s" + i / 2);
    Column when = words("when", rows, i -> i % 2 == 0 ? "before" : "after");
    Column y = noise("y", rows, random);
    JsonNode paired = ask("\"treatments\":[\"when\"],\"pairs\":\"site\"", site, when, y);
    JsonNode blocks = ask("\"treatments\":[\"when\"],\"blocks\":[\"site\"]", site, when, y);
    double t = of(paired, "t-test", "", "statistic");
    close(t * t, row(blocks, "when").get("f").asDouble());
    JsonNode units =
        ask("\"treatments\":[\"when\"],\"unit\":\"site\",\"occasions\":[\"when\"]", site, when, y);
    close(row(units, "when").get("p").asDouble(), of(paired, "t-test", "", "p"));
    double[] values = ((Numbers) y).values();
    JsonNode differences =
        ask("\"expected\":0", numbers("y", pairs, i -> values[2 * i] - values[2 * i + 1]));
    close(of(differences, "t-test", "", "p"), of(paired, "t-test", "", "p"));
  }

  @Property(tries = 30)
  void unitsSeenAtEveryOccasionAreBlocks(
      @ForAll @IntRange(min = 3, max = 9) int units,
      @ForAll @IntRange(min = 2, max = 5) int occasions,
      @ForAll Random random)
      throws IOException {
    int rows = units * occasions;
    Column taster = words("taster", rows, i -> "t" + i / occasions);
    Column day = words("day", rows, i -> "d" + i % occasions);
    Column y = noise("y", rows, random);
    JsonNode repeated =
        ask("\"treatments\":[\"day\"],\"unit\":\"taster\",\"occasions\":[\"day\"]", taster, day, y);
    JsonNode blocks = ask("\"treatments\":[\"day\"],\"blocks\":[\"taster\"]", taster, day, y);
    close(row(repeated, "day").get("f").asDouble(), row(blocks, "day").get("f").asDouble());
    close(row(repeated, "day").get("p").asDouble(), row(blocks, "day").get("p").asDouble());
    JsonNode ranked =
        ask(
            "\"treatments\":[\"day\"],\"blocks\":[\"taster\"],\"method\":\"ranks\"",
            taster,
            day,
            y);
    JsonNode rankedUnits =
        ask("\"treatments\":[\"day\"],\"unit\":\"taster\",\"method\":\"ranks\"", taster, day, y);
    close(of(ranked, "friedman", "", "rows/0/p"), of(rankedUnits, "friedman", "", "rows/0/p"));
  }

  /** In a balanced design each effect is what it is, alone or among others. */
  @Property(tries = 20)
  void theKindOfSquaresMattersOnlyWithoutBalance(@ForAll Random random) throws IOException {
    Column mesh = words("mesh", 24, i -> "m" + i % 2);
    Column density = words("density", 24, i -> "d" + i / 2 % 3);
    Column y = noise("y", 24, random);
    String asked = "\"treatments\":[\"mesh\",\"density\"],\"squares\":";
    JsonNode all = ask(asked + "\"after-all\"", mesh, density, y);
    for (String kind : new String[] {"\"in-order\"", "\"after-its-peers\""}) {
      JsonNode other = ask(asked + kind, mesh, density, y);
      for (String source : new String[] {"mesh", "density", "mesh x density"}) {
        close(row(other, source).get("ss").asDouble(), row(all, source).get("ss").asDouble());
      }
    }
  }

  /** The difference of differences of a two by two is its interaction. */
  @Property(tries = 20)
  void aContrastOfCellsIsTheInteraction(@ForAll Random random) throws IOException {
    Column mesh = words("mesh", 22, i -> "m" + i % 2);
    Column tide = words("tide", 22, i -> "t" + i / 2 % 2);
    Column y = noise("y", 22, random);
    StringBuilder weights = new StringBuilder();
    for (int cell = 0; cell < 4; cell++) {
      weights
          .append(cell == 0 ? "" : ",")
          .append("{\"levels\":{\"mesh\":\"m" + cell % 2 + "\",\"tide\":\"t" + cell / 2 + "\"},")
          .append("\"weight\":" + (cell % 2 == cell / 2 ? 1 : -1) + "}");
    }
    JsonNode findings =
        ask(
            "\"treatments\":[\"mesh\",\"tide\"],\"compare\":[{\"of\":[\"mesh\",\"tide\"],"
                + "\"name\":\"own\",\"weights\":["
                + weights
                + "]}]",
            mesh,
            tide,
            y);
    JsonNode contrast = findings.at("/contrasts/0");
    close(contrast.get("p").asDouble(), row(findings, "mesh x tide").get("p").asDouble());
  }

  /** Statistics of several responses do not see how these were mixed. */
  @Property(tries = 20)
  void mixturesOfResponsesHaveOneAnswer(@ForAll Random random) throws IOException {
    Column mesh = words("mesh", 21, i -> "m" + i % 3);
    Column y = noise("y", 21, random);
    double[] values = ((Numbers) y).values();
    double[] others = random.doubles(21, 0, 1).toArray();
    String asked = "\"measured\":[\"y\",\"z\"],\"treatments\":[\"mesh\"],\"together\":true";
    JsonNode plain = ask(asked, mesh, y, numbers("z", 21, i -> others[i]));
    JsonNode mixed = ask(asked, mesh, y, numbers("z", 21, i -> others[i] - 3 * values[i]));
    List<Double> one = statistics(plain);
    List<Double> same = statistics(mixed);
    assertThat(one).hasSizeGreaterThan(3).hasSameSizeAs(same);
    for (int i = 0; i < one.size(); i++) {
      close(one.get(i), same.get(i));
    }
  }

  private static List<Double> statistics(JsonNode findings) {
    List<Double> values = new ArrayList<>();
    findings
        .get("tests")
        .findValues("statistics")
        .forEach(list -> list.forEach(s -> values.add(s.get("value").asDouble())));
    return values;
  }

  /** What distributions remember of one question must not be seen in the answer to the next. */
  @ParameterizedTest
  @ValueSource(strings = {"tukey", "dunnett", "games-howell"})
  void theSameQuestionHasTheSameBytesWhateverWasAskedBefore(String procedure) throws IOException {
    int rows = 43;
    Column a = words("a", rows, i -> "a" + i % 5);
    String unequal = procedure.equals("games-howell") ? ",\"method\":\"unequal-spread\"" : "";
    String reference = procedure.equals("dunnett") ? ",\"against\":\"reference\"" : "";
    String question =
        "\"treatments\":[\"a\"]"
            + unequal
            + ",\"compare\":[{\"of\":[\"a\"],\"procedure\":\""
            + procedure
            + "\""
            + reference
            + "}]";
    Column y = noise("y", rows, new Random(1));
    String first = ask(question, a, y).toString();
    for (int seed = 2; seed < 12; seed++) {
      ask(question, a, noise("y", rows, new Random(seed)));
    }
    assertThat(ask(question, a, y)).hasToString(first);
  }

  /** Values 1 to 3 and 4 to 6 have their own ranks: 2 and 5 on average. */
  @Test
  void twoGroupsOnRanksAreComparedByTheirMeanRanks() {
    Table table =
        new Table(
            "t", "", List.of(words("a", 6, i -> "a" + i / 3), numbers("y", 6, i -> i + 1)), "");
    Inquiry inquiry =
        Inquiry.about("y", "a")
            .but(
                d -> {
                  d.approach = Approach.RANKS;
                  d.compare = List.of(Compare.pairs(List.of("a"), Procedure.DUNN_HOLM));
                });
    ComparedMeans family =
        ComparedMeans.of(Answering.of(table, inquiry, Progress.NONE).first().results()).get(0);
    assertThat(family.means()).containsExactly(2, 5);
    assertThat(family.counts()).containsExactly(3, 3);
  }
}
