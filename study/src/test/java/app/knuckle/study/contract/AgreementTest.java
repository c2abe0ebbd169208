package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.study.checks.Footing;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/**
 * The parts of one answer agree with each other: the finding with the test, the letters with the
 * pairs, the decisions with their p, and the list of what is taken for granted with the checks.
 */
class AgreementTest {

  private static final ObjectMapper JSON = new ObjectMapper();

  @Property(tries = 600, seed = "16180339")
  void theFindingSaysWhatTheTestDecides(@ForAll Random random) {
    AnyInquiry any = AnyInquiry.of(random);
    Optional<Findings> answer = any.answer();
    if (answer.isEmpty() || answer.get().inquiry().together()) {
      return;
    }
    Inquiry inquiry = answer.get().inquiry();
    for (ResponseFindings response : answer.get().responses()) {
      List<TestResult> tests = response.results().tests();
      if (response.refusal() != null || tests.isEmpty()) {
        continue;
      }
      TestResult deciding =
          tests.stream()
              .filter(
                  t ->
                      t instanceof TestResult.TTestResult
                          || t instanceof TestResult.ExactResult e && e.test().isPresent())
              .findFirst()
              .orElse(tests.get(0));
      List<TestResult.Judged> judged =
          deciding.judged().stream()
              .filter(
                  j ->
                      j.term().stream()
                          .allMatch(
                              c ->
                                  inquiry.treatments().contains(c)
                                      || inquiry.covariates().contains(c)))
              .filter(
                  j ->
                      j.term().isEmpty()
                          || j.term().stream().anyMatch(inquiry.treatments()::contains))
              .toList();
      if (judged.isEmpty() || judged.stream().noneMatch(j -> j.p().exists())) {
        continue;
      }
      boolean found =
          judged.stream().anyMatch(j -> j.p().exists() && j.p().value() <= inquiry.alpha());
      boolean none = response.words().finding().startsWith("No evidence");
      assertThat(none && found).as("%s\n%s\n%s", response.words().finding(), judged, any).isFalse();
      if (!found && judged.stream().allMatch(j -> j.p().exists())) {
        assertThat(response.words().finding())
            .as("%s", any)
            .containsPattern("[Nn]o evidence|cannot be tested|By permutation");
      }
    }
  }

  @Property(tries = 300, seed = "57721566")
  void everyRowIsInPlayOrLeftOutWithItsReason(@ForAll Random random) {
    AnyInquiry any = AnyInquiry.of(random);
    any.answer()
        .map(Findings::records)
        .ifPresent(
            r ->
                assertThat(r.inPlay() + r.leftOut().size())
                    .as("%s of %s", r, any)
                    .isEqualTo(r.read()));
  }

  private static final String INCOMPLETE = " is incomplete";

  /** What the tests left out, and what the summaries of the values analysed rest on. */
  @Property(tries = 600, seed = "26535897")
  void theUnitsAndRowsAnalysedAreThoseOfTheTests(@ForAll Random random) throws IOException {
    AnyInquiry any = AnyInquiry.of(random);
    Optional<Findings> answer = any.answer();
    if (answer.isEmpty() || answer.get().responses().size() > 1) {
      return;
    }
    JsonNode findings = JSON.readTree(FindingsFile.text(answer.get()));
    Set<String> left = new TreeSet<>();
    findings
        .findValues("unitsLeftOut")
        .forEach(units -> units.forEach(unit -> left.add(unit.asText())));
    boolean named = !findings.findValues("unitsLeftOut").isEmpty();
    for (JsonNode row : findings.at("/records/leftOut")) {
      String why = row.path("why").asText();
      if (named && why.endsWith(INCOMPLETE)) {
        assertThat(left).as("%s", any).contains(why.replace(INCOMPLETE, ""));
      }
    }
    JsonNode n = findings.at("/tests/0/fit/n");
    JsonNode all = findings.has("analysed") ? findings.get("analysed") : findings.get("summaries");
    if (n.isInt() && answer.get().inquiry().analysis() == Analysis.LEAST_SQUARES) {
      assertThat(all.path(0).path("n").asInt()).as("%s", any).isEqualTo(n.asInt());
    }
  }

  @Property(tries = 600, seed = "33988749")
  void lettersAndDecisionsFollowFromP(@ForAll Random random) throws IOException {
    AnyInquiry any = AnyInquiry.of(random);
    Optional<Findings> answer = any.answer();
    if (answer.isEmpty()) {
      return;
    }
    double alpha = answer.get().inquiry().alpha();
    JsonNode findings = JSON.readTree(FindingsFile.text(answer.get()));
    for (JsonNode family : findings.path("comparisons")) {
      Map<JsonNode, String> letters = new java.util.HashMap<>();
      family
          .path("letters")
          .forEach(l -> letters.put(l.path("levels"), l.path("letters").asText()));
      boolean protectedPairs =
          family.path("procedure").asText().equals("least-significant-difference");
      for (JsonNode row : family.path("rows")) {
        if (!row.path("p").isNumber() || !row.path("differs").isBoolean()) {
          continue;
        }
        boolean differs = row.path("differs").booleanValue();
        assertThat(differs && row.path("p").doubleValue() > alpha * (1 + 1e-9))
            .as("%s of %s", row, any)
            .isFalse();
        String left = letters.get(row.path("left"));
        String right = letters.get(row.path("right"));
        if (left != null && right != null && !left.isEmpty() && !right.isEmpty()) {
          boolean shared = left.chars().anyMatch(c -> right.indexOf(c) >= 0);
          assertThat(shared).as("%s with %s, %s of %s", left, right, row, any).isEqualTo(!differs);
        }
        if (!protectedPairs
            && !differs
            && !family.path("procedure").asText().matches("newman.*|duncan")) {
          assertThat(row.path("p").doubleValue()).as("%s", any).isGreaterThan(alpha * (1 - 1e-9));
        }
      }
    }
  }

  @Property(tries = 400, seed = "48204586")
  void whatChecksCallOddIsOnTheOneList(@ForAll Random random) {
    AnyInquiry any = AnyInquiry.of(random);
    Optional<Findings> answer = any.answer();
    if (answer.isEmpty()) {
      return;
    }
    for (ResponseFindings response : answer.get().responses()) {
      if (response.refusal() != null) {
        continue;
      }
      Footing footing = Footing.of(answer.get(), response);
      List<Object> listed = new ArrayList<>();
      footing.checks().forEach(c -> c.design().ifPresent(listed::add));
      footing.checks().forEach(c -> c.values().ifPresent(listed::add));
      response
          .results()
          .checks()
          .forEach(check -> assertThat(listed).as("%s", any).contains(check));
      assertThat(footing.odd()).as("%s", any).allMatch(c -> !c.mute() && !c.said().isBlank());
      assertThat(footing.checks())
          .as("%s", any)
          .noneMatch(c -> c.said().contains("NaN") || c.said().contains("null"));
    }
    assertThat(ComparedMeans.of(answer.get().first().results()))
        .allMatch(f -> f.names().stream().distinct().count() == f.names().size());
  }
}
