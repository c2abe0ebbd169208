package app.knuckle.study.sentences;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.study.contract.AnyInquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.words.ExactP;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** Whatever was found, only p is written otherwise when it is said again down to another bound. */
class AnySayingTest {

  private static final ExactP FAR = new ExactP(ExactP.MOST);

  /** What is exact below 0.001, said as usual. */
  private static String usual(String words) {
    return words.replaceAll("p (= \\.(000\\d+|0010)|< \\.000001)", "p < .001");
  }

  @Property(tries = 150, seed = "2236067977")
  void onlySmallPChange(@ForAll Random random) {
    AnyInquiry any = AnyInquiry.of(random);
    Optional<Findings> answer = any.answer();
    if (answer.isEmpty()) {
      return;
    }
    Findings found = answer.get();
    Findings again = Saying.again(found, FAR);
    assertThat(usual(again.finding())).isEqualTo(found.finding());
    for (int r = 0; r < found.responses().size(); r++) {
      ResponseFindings before = found.responses().get(r);
      ResponseFindings now = again.responses().get(r);
      assertThat(usual(now.words().finding())).isEqualTo(before.words().finding());
      assertThat(usual(now.words().result())).isEqualTo(before.words().result());
      assertThat(usual(now.words().ranking())).isEqualTo(before.words().ranking());
      assertThat(now.results()).isSameAs(before.results());
    }
    assertThat(Saying.again(found, ExactP.USUAL)).isSameAs(found);
  }
}
