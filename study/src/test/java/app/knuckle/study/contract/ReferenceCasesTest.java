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
import com.fasterxml.jackson.databind.node.MissingNode;
import java.io.IOException;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * A table and an inquiry go the whole way; everything that the case expects must stand in the
 * findings: 1e-10 for statistics, 1e-9 for probabilities, 1e-8 for those of the studentized range.
 */
class ReferenceCasesTest {

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

  static Stream<Arguments> cases() throws IOException, URISyntaxException {
    List<Arguments> cases = new ArrayList<>();
    Path folder = Path.of(ReferenceCasesTest.class.getResource("/reference").toURI());
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.sorted().toList()) {
        JsonNode node = new ObjectMapper().readTree(file.toFile());
        if (!node.path("inquiry").isObject()) {
          continue;
        }
        Table table = table(node.get("data"));
        cases.add(Arguments.of(file.getFileName() + ", first", table, node));
        int i = 1;
        for (JsonNode also : node.path("also")) {
          cases.add(Arguments.of(file.getFileName() + ", also " + i++, table, also));
        }
      }
    }
    return cases.stream();
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("cases")
  void findingsHoldWhatTheCaseExpects(String name, Table table, JsonNode wanted)
      throws IOException {
    Findings findings = Findings.of(table, InquiryFile.read(wanted.get("inquiry")), Progress.NONE);
    JsonNode actual = new ObjectMapper().readTree(FindingsFile.text(findings));
    wanted
        .get("expect")
        .fields()
        .forEachRemaining(e -> compare(e.getKey(), e.getValue(), actual.path(e.getKey()), 1e-10));
    assertThat(missed).isEmpty();
    assertThat(ContractFilesTest.schema("findings").validate(actual)).isEmpty();
    assertThat(ContractFilesTest.schema("inquiry").validate(wanted.get("inquiry"))).isEmpty();
  }

  static Stream<JsonNode> questions() throws IOException {
    JsonNode node =
        new ObjectMapper()
            .readTree(ReferenceCasesTest.class.getResource("/reference/l23-reckoner.json"));
    List<JsonNode> questions = new ArrayList<>();
    node.get("reckon").forEach(questions::add);
    return questions.stream();
  }

  @ParameterizedTest
  @MethodSource("questions")
  void questionsWithoutRecordsAreAnswered(JsonNode question) {
    compare("answer", question.get("expect"), ReckonFile.answer(question).get("answer"), 1e-8);
    assertThat(missed).isEmpty();
  }

  /** What an entry of a list is found by: its place is free, its names are not. */
  private static final List<String> NAMES =
      List.of(
          "measured",
          "kind",
          "form",
          "of",
          "within",
          "group",
          "levels",
          "left",
          "right",
          "procedure",
          "against",
          "source",
          "about",
          "test",
          "on",
          "covariate",
          "name",
          "lambda",
          "from",
          "between",
          "means");

  private static JsonNode find(JsonNode list, JsonNode wanted, int place) {
    if (!wanted.isObject() || NAMES.stream().noneMatch(wanted::has)) {
      return list.path(place);
    }
    for (JsonNode entry : list) {
      if (NAMES.stream().allMatch(n -> !wanted.has(n) || same(wanted.get(n), entry.path(n)))) {
        return entry;
      }
    }
    return MissingNode.getInstance();
  }

  private static boolean same(JsonNode a, JsonNode b) {
    return a.isNumber() ? a.asDouble() == b.asDouble(Double.NaN) : a.equals(b);
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
      for (int i = 0; i < wanted.size(); i++) {
        compare(path + "[" + i + "]", wanted.get(i), find(actual, wanted.get(i), i), tolerance);
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
        boolean ordered = column.get("kind").asText().equals("ordered");
        columns.add(new Categories(name, "", codes, levels, ordered));
      }
    }
    return new Table("case", "", columns, "");
  }
}
