package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * A table and an inquiry go the whole way; everything that the case expects must stand in the
 * findings: 1e-10 for statistics, 1e-9 for probabilities, 1e-8 for those of the studentized range.
 */
class ReferenceCasesTest {

  /** Parts of a case that are not computed yet. */
  private static final Set<String> LATER = Set.of("powerTransformation");

  private static final Set<String> RANGE_PROCEDURES = Set.of("tukey", "newman-keuls", "duncan");

  private static final Set<String> PROBABILITIES =
      Set.of(
          "p",
          "modelP",
          "observedPower",
          "criticalF",
          "criticalValue",
          "low",
          "high",
          "meanLow",
          "meanHigh",
          "criticalDifference",
          "leastSignificantDifference");

  private final List<String> missed = new ArrayList<>();

  @ParameterizedTest(name = "{0}")
  @ValueSource(strings = {"l04-one-way-balanced", "l05-one-way-unequal", "l06-huge-offsets"})
  void findingsHoldWhatTheCaseExpects(String name) throws IOException {
    JsonNode wanted =
        new ObjectMapper().readTree(getClass().getResource("/reference/" + name + ".json"));
    Findings findings =
        Findings.of(
            table(wanted.get("data")), InquiryFile.read(wanted.get("inquiry")), Progress.NONE);
    JsonNode actual = new ObjectMapper().readTree(FindingsFile.text(findings));
    wanted
        .get("expect")
        .fields()
        .forEachRemaining(
            e -> {
              if (!LATER.contains(e.getKey())) {
                compare(e.getKey(), e.getValue(), actual.path(e.getKey()), 1e-10);
              }
            });
    assertThat(missed).isEmpty();
  }

  private void compare(String path, JsonNode wanted, JsonNode actual, double tolerance) {
    String key = path.substring(path.lastIndexOf('.') + 1);
    double mine = PROBABILITIES.contains(key) ? Math.max(tolerance, 1e-9) : tolerance;
    if (wanted.isObject()) {
      String procedure = wanted.path("procedure").asText();
      double inside = RANGE_PROCEDURES.contains(procedure) ? 1e-8 : tolerance;
      wanted
          .fields()
          .forEachRemaining(
              e -> compare(path + "." + e.getKey(), e.getValue(), actual.path(e.getKey()), inside));
    } else if (wanted.isArray()) {
      if (wanted.size() != actual.size()) {
        missed.add(path + ": wanted " + wanted.size() + " entries, got " + actual.size());
      }
      for (int i = 0; i < wanted.size(); i++) {
        compare(path + "[" + i + "]", wanted.get(i), actual.path(i), tolerance);
      }
    } else if (wanted.isNumber()) {
      double w = wanted.asDouble();
      double a = actual.asDouble(Double.NaN);
      boolean near =
          Math.abs(a - w) <= mine * Math.abs(w) || key.equals("p") && Math.abs(a - w) <= 1e-12;
      if (!near) {
        missed.add(path + ": wanted " + w + ", got " + actual);
      }
    } else if (!key.equals("why") && !wanted.equals(actual)) {
      missed.add(path + ": wanted " + wanted + ", got " + actual);
    }
  }

  private static Table table(JsonNode data) {
    List<Column> columns = new ArrayList<>();
    for (int c = 0; c < data.get("columns").size(); c++) {
      JsonNode column = data.get("columns").get(c);
      String name = column.get("name").asText();
      JsonNode rows = data.get("rows");
      if (column.get("kind").asText().equals("number")) {
        double[] values = new double[rows.size()];
        for (int r = 0; r < values.length; r++) {
          JsonNode cell = rows.get(r).get(c);
          values[r] = cell.isNull() ? Double.NaN : cell.asDouble();
        }
        columns.add(new Numbers(name, "", values));
      } else {
        List<String> levels = new ArrayList<>();
        column.get("levels").forEach(level -> levels.add(level.asText()));
        int[] codes = new int[rows.size()];
        for (int r = 0; r < codes.length; r++) {
          JsonNode cell = rows.get(r).get(c);
          codes[r] = cell.isNull() ? Categories.MISSING : levels.indexOf(cell.asText());
        }
        columns.add(new Categories(name, "", codes, levels, false));
      }
    }
    return new Table("case", "", columns, "");
  }
}
