package app.knuckle.study.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Progress;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.File;
import java.io.IOException;
import java.net.URISyntaxException;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The proof that is run where the program is installed. */
class ProofTest {

  private static Agreement of(String wanted, String actual) throws IOException {
    ObjectMapper mapper = new ObjectMapper();
    return Agreement.of(mapper.readTree(wanted), mapper.readTree(actual));
  }

  @Test
  void everyCaseThatIsShippedIsInTheIndex() throws URISyntaxException {
    File folder = new File(ProofCase.class.getResource("cases").toURI());
    assertThat(ProofCase.index()).containsExactlyInAnyOrderElementsOf(Arrays.asList(folder.list()));
  }

  @Test
  void everySubjectIsProved() {
    Map<Subject, ProofCase> first = new EnumMap<>(Subject.class);
    ProofCase.all().forEach(one -> first.putIfAbsent(one.subject(), one));
    Proof proof = Proof.of(List.copyOf(first.values()), Progress.NONE);
    assertThat(proof.holds()).isTrue();
    assertThat(proof.cases()).isEqualTo(Subject.values().length);
    assertThat(proof.lines()).extracting(Proof.Line::subject).containsExactly(Subject.values());
    assertThat(proof.lines()).allSatisfy(line -> assertThat(line.median()).isGreaterThan(12));
  }

  @Test
  void digitsAreCounted() throws IOException {
    Agreement agreement = of("{\"f\": 2.0, \"ss\": 4.0}", "{\"f\": 2.00000000002, \"ss\": 4.0}");
    assertThat(agreement.missed()).isEmpty();
    assertThat(agreement.digits().get(0)).isCloseTo(11, within(1e-3));
    assertThat(agreement.digits().get(1)).isEqualTo(16);
  }

  @Test
  void aNumberThatDiffersFallsShortAndSoDoesOneThatIsMissing() throws IOException {
    assertThat(of("{\"f\": 2.0}", "{\"f\": 2.001}").missed())
        .containsExactly(".f: wanted 2.0, got 2.001");
    Agreement missing = of("{\"f\": 2.0, \"of\": [\"mesh\"]}", "{}");
    assertThat(missing.missed()).hasSize(2);
    assertThat(missing.digits()).isEqualTo(List.of(0.0));
  }
}
