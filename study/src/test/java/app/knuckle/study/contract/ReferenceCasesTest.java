package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.proof.Agreement;
import app.knuckle.study.proof.ProofCase;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * A table and an inquiry go the whole way; everything that the case expects must stand in the
 * findings.
 */
class ReferenceCasesTest {

  static Stream<ProofCase> cases() {
    return ProofCase.all().stream();
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("cases")
  void findingsHoldWhatTheCaseExpects(ProofCase one) {
    for (Agreement agreement : one.prove(Progress.NONE)) {
      assertThat(agreement.digits()).isNotEmpty();
      assertThat(agreement.missed()).isEmpty();
    }
  }

  static Stream<ProofCase> inquiries() {
    return cases().filter(one -> one.table() != null);
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("inquiries")
  void questionsAndFindingsKeepToTheirSchemas(ProofCase one) throws IOException {
    JsonNode inquiry = one.node().get("inquiry");
    assertThat(ContractFilesTest.schema("inquiry").validate(inquiry)).isEmpty();
    Findings findings = Answering.of(one.table(), InquiryFile.read(inquiry), Progress.NONE);
    JsonNode actual = new ObjectMapper().readTree(FindingsFile.text(findings));
    assertThat(ContractFilesTest.schema("findings").validate(actual)).isEmpty();
  }
}
