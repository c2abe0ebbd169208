package app.knuckle.study.answers;

import static app.knuckle.study.answers.Asking.ask;
import static app.knuckle.study.answers.Asking.numbers;
import static app.knuckle.study.answers.Asking.row;
import static app.knuckle.study.answers.Asking.words;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;
import static org.assertj.core.api.Assertions.withinPercentage;

import app.knuckle.study.table.Column;
import com.fasterxml.jackson.databind.JsonNode;
import java.io.IOException;
import java.util.List;
import java.util.Random;
import java.util.function.IntToDoubleFunction;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;

/** Several layers of error: what is left in each of them is what its error was summed from. */
class LayersTest {

  private static final int BLOCKS = 4;
  private static final int ROWS = BLOCKS * 3 * 2;
  private static final double[] NOISE = new Random(7).doubles(ROWS, -1, 1).toArray();
  private static final Column RACK = words("rack", ROWS, i -> "R" + i / 6);
  private static final Column MESH = words("mesh", ROWS, i -> "m" + i / 2 % 3);
  private static final Column TIDE = words("tide", ROWS, i -> "t" + i % 2);
  private static final Column Y = numbers("y", ROWS, i -> 20 + i / 2 % 3 + i % 2 + NOISE[i]);

  private static double squares(JsonNode numbers) {
    return StreamSupport.stream(numbers.spliterator(), false)
        .mapToDouble(x -> x.asDouble() * x.asDouble())
        .sum();
  }

  private static JsonNode shape(JsonNode findings, String of) {
    for (JsonNode check : findings.get("checks")) {
      if (check.path("test").asText().equals("shapiro-wilk")
          && check.path("on").asText().equals(of)) {
        return check;
      }
    }
    throw new AssertionError("No check of " + of + " in " + findings.get("checks"));
  }

  private static double left(JsonNode findings) {
    return StreamSupport.stream(findings.at("/residuals/0/rows").spliterator(), false)
        .mapToDouble(r -> Math.pow(r.get("residual").asDouble(), 2))
        .sum();
  }

  private static JsonNode strips(Column y) throws IOException {
    return ask(
        "\"treatments\":[\"mesh\",\"tide\"],\"blocks\":[\"rack\"],\"strips\":[\"mesh\"]",
        RACK,
        MESH,
        TIDE,
        y);
  }

  @Test
  void wholePlotsLeaveTheirOwnError() throws IOException {
    JsonNode findings =
        ask(
            "\"treatments\":[\"mesh\",\"tide\"],\"blocks\":[\"rack\"],\"wholePlots\":[\"mesh\"]",
            RACK,
            MESH,
            TIDE,
            Y);
    JsonNode plots = shape(findings, "whole-plot error");
    assertThat(plots.get("units")).hasSize(12);
    assertThat(plots.get("units").get(0).asText()).isEqualTo("R0, m0");
    assertThat(2 * squares(plots.get("deviations")))
        .isCloseTo(row(findings, "whole-plot error").get("ss").asDouble(), offset(1e-9));
    assertThat(left(findings))
        .isCloseTo(row(findings, "subplot error").get("ss").asDouble(), offset(1e-9));
  }

  @Test
  void stripsLeaveAnErrorInEachDirectionAndInTheirCrossings() throws IOException {
    JsonNode findings = strips(Y);
    JsonNode along = shape(findings, "error of mesh strips");
    JsonNode across = shape(findings, "error of tide strips");
    assertThat(along.get("units").get(3).asText()).isEqualTo("R1, m0");
    assertThat(across.get("units").get(3).asText()).isEqualTo("R1, t1");
    assertThat(2 * squares(along.get("deviations")))
        .isCloseTo(row(findings, "error of mesh strips").get("ss").asDouble(), offset(1e-9));
    assertThat(3 * squares(across.get("deviations")))
        .isCloseTo(row(findings, "error of tide strips").get("ss").asDouble(), offset(1e-9));
    assertThat(left(findings))
        .isCloseTo(row(findings, "error of crossings").get("ss").asDouble(), offset(1e-9));
  }

  @Test
  void aBlockThatMissesACrossingIsLeftOutOfEveryLayer() throws IOException {
    Column gap = numbers("y", ROWS, i -> i == 8 ? Double.NaN : 20 + i / 2 % 3 + i % 2 + NOISE[i]);
    JsonNode findings = strips(gap);
    assertThat(findings.at("/tests/0/unitsLeftOut/0").asText()).isEqualTo("R1");
    JsonNode along = shape(findings, "error of mesh strips");
    assertThat(along.get("units").toString()).doesNotContain("R1");
    assertThat(2 * squares(along.get("deviations")))
        .isCloseTo(row(findings, "error of mesh strips").get("ss").asDouble(), offset(1e-9));
    assertThat(left(findings))
        .isCloseTo(row(findings, "error of crossings").get("ss").asDouble(), offset(1e-9));
  }

  @Test
  void unitsInTwoGroupsLeaveTheErrorBetweenThem() throws IOException {
    Column oyster = words("oyster", ROWS, i -> "o" + i / 2);
    JsonNode findings =
        ask(
            "\"treatments\":[\"mesh\",\"tide\"],\"unit\":\"oyster\",\"occasions\":[\"tide\"]",
            oyster,
            MESH,
            TIDE,
            Y);
    JsonNode units = shape(findings, "units");
    assertThat(2 * squares(units.get("deviations")))
        .isCloseTo(row(findings, "units").get("ss").asDouble(), offset(1e-9));
    assertThat(units.get("judgement").asText()).isIn("sound", "caution", "unsound");
  }

  private static final double[] START = new Random(11).doubles(ROWS, 10, 20).toArray();
  private static final Column X = numbers("x", ROWS, i -> START[i]);
  private static final Column PLOT = words("plot", ROWS, i -> "p" + i / 2);
  private static final String SPLIT =
      "\"treatments\":[\"mesh\",\"tide\"],\"unit\":\"plot\",\"occasions\":[\"tide\"],\"covariates\":[\"x\"]";

  private static JsonNode last(JsonNode findings, String source) {
    JsonNode found = null;
    for (JsonNode row : findings.at("/tests/0/rows")) {
      found = row.get("source").asText().equals(source) ? row : found;
    }
    return found;
  }

  private static void same(JsonNode one, JsonNode other, String key) {
    double value = other.get(key).asDouble();
    assertThat(one.get(key).asDouble()).isCloseTo(value, offset(1e-8 * (1 + Math.abs(value))));
  }

  @Test
  void betweenUnitsACovariateWorksAsItDoesOnTheirMeans() throws IOException {
    JsonNode layered = ask(SPLIT, PLOT, MESH, TIDE, X, Y);
    double[] y = means(i -> ((app.knuckle.study.table.Numbers) Y).value(i));
    double[] x = means(i -> START[i]);
    int units = ROWS / 2;
    JsonNode plain =
        ask(
            "\"treatments\":[\"mesh\"],\"covariates\":[\"x\"]",
            words("mesh", units, i -> "m" + i % 3),
            numbers("x", units, i -> x[i]),
            numbers("y", units, i -> y[i]));
    for (String key : new String[] {"f", "p", "df", "errorDf"}) {
      same(row(layered, "mesh"), row(plain, "mesh"), key);
      same(row(layered, "x"), row(plain, "x"), key);
    }
    same(layered.at("/means/0/rows/1"), plain.at("/means/0/rows/1"), "mean");
    same(layered.at("/means/0/rows/1"), plain.at("/means/0/rows/1"), "se");
  }

  private static double[] means(java.util.function.IntToDoubleFunction value) {
    double[] means = new double[ROWS / 2];
    for (int u = 0; u < means.length; u++) {
      means[u] = (value.applyAsDouble(2 * u) + value.applyAsDouble(2 * u + 1)) / 2;
    }
    return means;
  }

  @Test
  void withinUnitsItWorksAsIfEachUnitWereABlock() throws IOException {
    JsonNode layered = ask(SPLIT, PLOT, MESH, TIDE, X, Y);
    JsonNode blocked =
        ask(
            "\"treatments\":[\"tide\",\"mesh\"],\"blocks\":[\"plot\"],\"covariates\":[\"x\"],"
                + "\"terms\":[[\"tide\"],[\"tide\",\"mesh\"]]",
            PLOT,
            MESH,
            TIDE,
            X,
            Y);
    for (String key : new String[] {"f", "p", "df", "errorDf"}) {
      same(row(layered, "tide"), row(blocked, "tide"), key);
      same(row(layered, "mesh x tide"), row(blocked, "tide x mesh"), key);
      same(last(layered, "x"), row(blocked, "x"), key);
    }
    assertThat(layered.at("/tests/0/covariates")).hasSize(2);
    assertThat(left(layered))
        .isCloseTo(row(layered, "error within units").get("ss").asDouble(), offset(1e-9));
  }

  @Test
  void whatAUnitBroughtAlongIsKnownBetweenUnitsOnly() throws IOException {
    Column brought = numbers("x", ROWS, i -> START[i / 2]);
    JsonNode layered = ask(SPLIT, PLOT, MESH, TIDE, brought, Y);
    assertThat(layered.at("/tests/0/covariates")).hasSize(1);
    JsonNode without = ask(SPLIT.replace(",\"covariates\":[\"x\"]", ""), PLOT, MESH, TIDE, Y);
    same(row(layered, "tide"), row(without, "tide"), "f");
    // A slope on it, added to the response, changes the test of no treatment.
    Column leaning =
        numbers("y", ROWS, i -> ((app.knuckle.study.table.Numbers) Y).value(i) + 5 * START[i / 2]);
    JsonNode added = ask(SPLIT, PLOT, MESH, TIDE, brought, leaning);
    same(row(added, "mesh"), row(layered, "mesh"), "f");
    same(row(added, "mesh x tide"), row(layered, "mesh x tide"), "f");
  }

  /** Steps of a sixteenth stand exactly beside 2^30, so the question is the same. */
  @Test
  void aCovariateFarFromZeroLosesNothing() throws IOException {
    double far = 1L << 30;
    IntToDoubleFunction near = i -> Math.rint(16 * START[i]) / 16;
    JsonNode here = ask(SPLIT, PLOT, MESH, TIDE, numbers("x", ROWS, near), Y);
    Column moved = numbers("x", ROWS, i -> far + near.applyAsDouble(i));
    JsonNode there = ask(SPLIT, PLOT, MESH, TIDE, moved, Y);
    for (String source : List.of("x", "mesh", "tide", "mesh x tide")) {
      assertThat(row(there, source).get("f").asDouble())
          .isCloseTo(row(here, source).get("f").asDouble(), withinPercentage(1e-9));
    }
    for (int mean = 0; mean < 3; mean++) {
      assertThat(there.at("/means/0/rows/" + mean + "/mean").asDouble())
          .isCloseTo(here.at("/means/0/rows/" + mean + "/mean").asDouble(), offset(1e-10));
    }
    assertThat(there.at("/means/0/adjustedAt/x").asDouble() - far)
        .isCloseTo(here.at("/means/0/adjustedAt/x").asDouble(), offset(1e-6));
  }
}
