package app.knuckle.stats.distributions;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.withinPercentage;

import app.knuckle.stats.Reference;
import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Whole tables of probabilities and quantiles, tails included. */
class DistributionTablesTest {

  private final Map<String, StudentizedRangeDistribution> ranges = new HashMap<>();

  @ParameterizedTest(name = "{0}")
  @CsvSource({
    "studentized-range.json, 1e-11",
    "studentized-range-quantiles.json, 1e-11",
    "noncentral.json, 1e-10",
    "dunnett.json, 1e-10",
    "dunnett-quantiles.json, 1e-9"
  })
  void everyRowIsWithinItsBound(String file, double relative) {
    List<String> missed = new ArrayList<>();
    int checked = 0;
    for (JsonNode row : Reference.file(file).get("rows")) {
      if (row.get("fn").asText().equals("dunnett.cdf")) {
        continue; // Only upper tails are used, and these are summed as tails.
      }
      checked++;
      double expected = row.get("value").asDouble();
      double bound = row.get("abs_error_bound").asDouble() + relative * Math.abs(expected);
      double actual = value(row);
      if (!(Math.abs(actual - expected) <= bound)) {
        missed.add(row + " gave " + actual + ", off by " + (actual - expected) / expected);
      }
    }
    assertThat(checked).isPositive();
    assertThat(missed).isEmpty();
  }

  private static double dunnett(String fn, JsonNode row) {
    boolean sizes = row.has("n_treated");
    double[] loadings = new double[sizes ? row.get("n_treated").size() : row.get("k").asInt()];
    for (int i = 0; i < loadings.length; i++) {
      double n = sizes ? row.get("n_treated").get(i).asDouble() : 0;
      loadings[i] =
          Math.sqrt(sizes ? n / (n + row.get("n_control").asDouble()) : row.get("rho").asDouble());
    }
    DunnettDistribution distribution =
        DunnettDistribution.of(
            loadings, Reference.number(row.get("df")), row.get("sides").asInt() == 2);
    return switch (fn) {
      case "dunnett.sf" -> distribution.survivalProbability(row.get("t").asDouble());
      case "dunnett.quantile" ->
          distribution.inverseSurvivalProbability(1 - row.get("p").asDouble());
      default -> throw new IllegalArgumentException(fn);
    };
  }

  private double value(JsonNode row) {
    String fn = row.get("fn").asText();
    if (fn.startsWith("ncf")) {
      double df1 = Reference.number(row.get("df1"));
      double df2 = Reference.number(row.get("df2"));
      NoncentralF f = NoncentralF.of(df1, df2, row.get("ncp").asDouble());
      double upper = f.survivalProbability(row.get("x").asDouble());
      return fn.endsWith("sf") ? upper : 1 - upper;
    }
    if (fn.startsWith("nct")) {
      NoncentralT t = NoncentralT.of(Reference.number(row.get("df")), row.get("ncp").asDouble());
      double x = row.get("x").asDouble();
      return fn.endsWith("sf") ? t.survivalProbability(x) : t.cumulativeProbability(x);
    }
    if (fn.startsWith("dunnett")) {
      return dunnett(fn, row);
    }
    StudentizedRangeDistribution q =
        ranges.computeIfAbsent(
            row.get("groups") + " " + row.get("df"),
            key ->
                StudentizedRangeDistribution.of(
                    row.get("groups").asInt(), Reference.number(row.get("df"))));
    return switch (fn) {
      case "studentized_range.cdf" -> q.cumulativeProbability(row.get("q").asDouble());
      case "studentized_range.sf" -> q.survivalProbability(row.get("q").asDouble());
      case "studentized_range.quantile" -> q.inverseCumulativeProbability(row.get("p").asDouble());
      case "studentized_range.isf" -> q.inverseSurvivalProbability(row.get("p").asDouble());
      default -> throw new IllegalArgumentException(fn);
    };
  }

  @ParameterizedTest
  @CsvSource({"2, 3", "5, 20", "12, 1", "40, 120", "100, 8"})
  void askedOftenTheRangeAnswersTheSame(int groups, double df) {
    double[] points = {0.3, 1.1, 2.4, 4.1, 7.7, 15, 38};
    StudentizedRangeDistribution distribution = StudentizedRangeDistribution.of(groups, df);
    double[] first = Arrays.stream(points).map(distribution::survivalProbability).toArray();
    double[] below = Arrays.stream(points).map(distribution::cumulativeProbability).toArray();
    for (int time = 0; time < 40; time++) {
      Arrays.stream(points).forEach(distribution::survivalProbability);
      Arrays.stream(points).forEach(distribution::cumulativeProbability);
    }
    for (int i = 0; i < points.length; i++) {
      assertThat(distribution.survivalProbability(points[i]))
          .isCloseTo(first[i], withinPercentage(1e-9));
      assertThat(distribution.cumulativeProbability(points[i]))
          .isCloseTo(below[i], withinPercentage(1e-9));
    }
  }
}
