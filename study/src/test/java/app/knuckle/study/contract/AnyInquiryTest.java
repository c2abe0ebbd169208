package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.time.Duration;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/**
 * Whatever is asked of whatever records: it is answered with findings that keep to their schema, or
 * refused in words. Nothing else is thrown, and no number that is none is written. The seed is
 * fixed, so that a build can be repeated; take it away to search on.
 */
class AnyInquiryTest {

  private static final ObjectMapper JSON = new ObjectMapper();
  private static final Duration ENDLESS = Duration.ofSeconds(10);

  @Property(tries = 400, seed = "3141592653")
  void isAnsweredOrRefusedInWords(@ForAll Random random) throws IOException {
    AnyInquiry any = AnyInquiry.of(random);
    ObjectNode asked = any.asked();
    String text;
    try {
      Inquiry inquiry = InquiryFile.read(asked);
      assertThat(InquiryFile.read(InquiryFile.write(inquiry))).isEqualTo(inquiry);
      // Nobody waits longer: an answer that takes more is taken for one that never comes.
      Findings findings =
          assertTimeoutPreemptively(
              ENDLESS, () -> Answering.of(any.table(), inquiry, Progress.NONE));
      text = FindingsFile.text(findings);
    } catch (Refused e) {
      assertThat(e.refusal().words()).as("%s", asked).isNotBlank().doesNotContain("Exception");
      return;
    } catch (RuntimeException e) {
      throw new AssertionError(any.toString(), e);
    }
    assertThat(text).as("%s", asked).doesNotContain("NaN").doesNotContain("Infinity");
    JsonNode findings = JSON.readTree(text);
    assertThat(ContractFilesTest.schema("findings").validate(findings)).as("%s", asked).isEmpty();
    for (JsonNode test : findings.path("tests")) {
      for (JsonNode row : test.path("rows")) {
        if (row.path("p").isNumber()) {
          assertThat(row.path("p").doubleValue()).as("%s", asked).isBetween(0.0, 1.0);
        }
      }
    }
  }
}
