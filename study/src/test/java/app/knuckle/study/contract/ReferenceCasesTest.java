package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Table;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * A table and an inquiry go the whole way; everything that the case expects must stand in the
 * findings.
 */
class ReferenceCasesTest {

  static Stream<Arguments> cases() throws IOException, URISyntaxException {
    List<Arguments> cases = new ArrayList<>();
    Path folder = Path.of(ReferenceCasesTest.class.getResource("/reference").toURI());
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.filter(Files::isRegularFile).sorted().toList()) {
        JsonNode node = new ObjectMapper().readTree(file.toFile());
        if (!node.path("inquiry").isObject()) {
          continue;
        }
        Table table = CaseTable.of(node.get("data"));
        cases.add(Arguments.of(file.getFileName() + ", first", table, node));
        int i = 1;
        for (JsonNode also : node.path("also")) {
          String name = also.path("name").asText("also " + i++);
          cases.add(Arguments.of(file.getFileName() + ", " + name, table, also));
        }
      }
    }
    return cases.stream();
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("cases")
  void findingsHoldWhatTheCaseExpects(String name, Table table, JsonNode wanted)
      throws IOException {
    Findings findings = Answering.of(table, InquiryFile.read(wanted.get("inquiry")), Progress.NONE);
    JsonNode actual = new ObjectMapper().readTree(FindingsFile.text(findings));
    assertThat(Agreement.missed(wanted.get("expect"), actual)).isEmpty();
    assertThat(ContractFilesTest.schema("findings").validate(actual)).isEmpty();
    assertThat(ContractFilesTest.schema("inquiry").validate(wanted.get("inquiry"))).isEmpty();
  }

  static Stream<Arguments> details() throws IOException, URISyntaxException {
    return cases().filter(c -> ((JsonNode) c.get()[2]).path("detail").isArray());
  }

  /** What is left of each row, which findings tell under other names. */
  @ParameterizedTest(name = "{0}")
  @MethodSource("details")
  void rowsOfCountsAreLeftWhatTheCaseExpects(String name, Table table, JsonNode wanted)
      throws IOException {
    Findings findings = Answering.of(table, InquiryFile.read(wanted.get("inquiry")), Progress.NONE);
    JsonNode residuals = new ObjectMapper().readTree(FindingsFile.text(findings)).get("residuals");
    assertThat(residuals).hasSameSizeAs(wanted.get("detail"));
    for (int r = 0; r < residuals.size(); r++) {
      ArrayNode expected = new ObjectMapper().createArrayNode();
      for (JsonNode row : wanted.get("detail").get(r).get("rows")) {
        ObjectNode one = expected.addObject();
        for (String key : List.of("row", "fitted", "residual", "leverage", "pearson", "deviance")) {
          one.set(key, row.get(key));
        }
        one.set("studentised", row.get("deletion"));
      }
      assertThat(Agreement.missed(expected, residuals.get(r).get("rows"))).isEmpty();
    }
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
    JsonNode answer = ReckonFile.answer(question).get("answer");
    assertThat(Agreement.missed(question.get("expect"), answer, 1e-8)).isEmpty();
  }
}
