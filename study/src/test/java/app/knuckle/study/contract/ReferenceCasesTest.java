package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.proof.Agreement;
import app.knuckle.study.proof.ProofCase;
import com.fasterxml.jackson.databind.JsonNode;
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
    JsonNode actual = one.answer(Progress.NONE);
    for (Agreement agreement : one.held(actual)) {
      assertThat(agreement.digits()).isNotEmpty();
      assertThat(agreement.missed()).isEmpty();
    }
    if (one.table() != null) {
      assertThat(ContractFilesTest.schema("findings").validate(actual)).isEmpty();
      assertThat(ContractFilesTest.schema("inquiry").validate(one.node().get("inquiry"))).isEmpty();
    }
  }
}
