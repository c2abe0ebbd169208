package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Table;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
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

/** Cases that were worked out in detail: every table, mean, pair and contrast of each. */
class DetailedCasesTest {

  static Stream<Arguments> questions() throws IOException, URISyntaxException {
    List<Arguments> questions = new ArrayList<>();
    Path folder = Path.of(DetailedCasesTest.class.getResource("/reference/detailed").toURI());
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.sorted().toList()) {
        JsonNode node = new ObjectMapper().readTree(file.toFile());
        Table table = CaseTable.of(node.get("data"));
        DetailedCase.questions(node).forEach(q -> questions.add(Arguments.of(q, table)));
      }
    }
    return questions.stream();
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("questions")
  void findingsHoldWhatTheCaseExpects(DetailedCase.Asked asked, Table table) throws IOException {
    Findings findings = Findings.of(table, InquiryFile.read(asked.inquiry()), Progress.NONE);
    JsonNode actual = new ObjectMapper().readTree(FindingsFile.text(findings));
    assertThat(asked.expect().isEmpty()).isFalse();
    assertThat(Agreement.missed(asked.expect(), actual)).isEmpty();
  }
}
