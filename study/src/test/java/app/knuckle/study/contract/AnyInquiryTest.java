package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.util.Random;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/**
 * Whatever is asked of whatever records: it is answered with findings that keep to their schema, or
 * refused in words. Nothing else is thrown, and no number that is none is written. The seed is
 * fixed, so that a build can be repeated; take it away to search on.
 */
class AnyInquiryTest {

  private static final ObjectMapper JSON = new ObjectMapper();

  @Property(tries = 1000, seed = "3141592653")
  void isAnsweredOrRefusedInWords(@ForAll Random random) throws IOException {
    AnyInquiry any = AnyInquiry.of(random);
    String text;
    try {
      Inquiry inquiry = InquiryFile.read(any.asked());
      assertThat(InquiryFile.read(InquiryFile.write(inquiry))).isEqualTo(inquiry);
      text = FindingsFile.text(Answering.of(any.table(), inquiry, Progress.NONE));
    } catch (Refused e) {
      assertThat(e.refusal().words()).as("%s", any).isNotBlank().doesNotContain("Exception");
      return;
    } catch (RuntimeException e) {
      throw new AssertionError(any.toString(), e);
    }
    assertThat(text).as("%s", any).doesNotContain("NaN").doesNotContain("Infinity");
    JsonNode findings = JSON.readTree(text);
    assertThat(ContractFilesTest.schema("findings").validate(findings)).as("%s", any).isEmpty();
    for (String p : new String[] {"p", "adjustedP", "pGreater", "pLess"}) {
      assertThat(findings.findValues(p))
          .as("%s", any)
          .allMatch(v -> !v.isNumber() || v.doubleValue() >= 0 && v.doubleValue() <= 1);
    }
  }

  /** A generator whose questions are mostly refused would show little. */
  @Example
  void mostQuestionsOfEveryKindAreAnswered() {
    Random random = new Random(20261201);
    int each = 40;
    int all = 0;
    for (AnyInquiry.Kind kind : AnyInquiry.Kind.values()) {
      int answered = 0;
      for (int i = 0; i < each; i++) {
        answered +=
            AnyInquiry.of(random, kind)
                .answer()
                .filter(findings -> findings.refusal().isEmpty())
                .map(Findings::responses)
                .map(r -> 1)
                .orElse(0);
      }
      all += answered;
      // Half of what is asked wildly has no answer, and cannot have one.
      assertThat(answered)
          .as("answered of %s", kind)
          .isGreaterThan(kind == AnyInquiry.Kind.WILD ? 0 : each / 3);
    }
    assertThat(all).isGreaterThan(AnyInquiry.Kind.values().length * each * 6 / 10);
  }
}
