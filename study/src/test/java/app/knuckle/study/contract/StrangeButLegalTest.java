package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.Rows;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.prep.SetAside;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Experiments that nobody plans, and that are answered, or refused with the reason, all the same.
 */
class StrangeButLegalTest {

  private static JsonNode ask(String inquiry, String... lines) {
    ObjectMapper json = new ObjectMapper();
    try {
      JsonNode asked =
          json.readTree(
              "{'knuckle':'inquiry','version':1,'name':'strange',%s}"
                  .formatted(inquiry)
                  .replace('\'', '"'));
      return json.readTree(
          FindingsFile.text(Answering.of(Rows.of(lines), InquiryFile.read(asked), Progress.NONE)));
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  @Test
  void levelsThatAreOneNumberHaveNoTrend() {
    JsonNode findings =
        ask(
            "'measured':['y'],'treatments':['dose'],'method':'counts',"
                + "'prepare':[{'step':'relabel','column':'dose','labels':{'a':'0','b':'00'}}],"
                + "'compare':[{'of':['dose'],'trend':1}]",
            "dose y",
            "a 3",
            "a 4",
            "b 5",
            "b 7");
    assertThat(findings.at("/tests/0/why").asText())
        .contains("0 and 00 of dose are the same number");
  }

  @Test
  void aCovariateThatVariesByItsLastBitOnlyLosesNoResidual() {
    JsonNode findings =
        ask(
            "'measured':['y'],'treatments':['mesh'],'blocks':['rack'],'covariates':['x']",
            "mesh rack y x",
            "a r 1 1000000000000000.1",
            "b r 3 1000000000000000.2",
            "a s 2 1000000000000000.1",
            "b s 5 1000000000000000.2",
            "a t 4 1000000000000000.2",
            "b t 5 1000000000000000.1");
    assertThat(findings.at("/residuals/0/rows").size()).isEqualTo(6);
  }

  @Test
  void aRatioBeyondEveryNumberIsAbsentWithItsReason() {
    JsonNode findings =
        ask(
            "'measured':['y'],'treatments':['mesh'],'method':'counts','exposure':'hours',"
                + "'compare':[{'of':['mesh'],'procedure':'none'}]",
            "mesh y hours",
            "a 3 1e-200",
            "a 4 1e-200",
            "b 5 1e200",
            "b 7 1e200");
    JsonNode pair = findings.at("/comparisons/0/rows/0");
    // ln(3.5 / 6) + 400 ln 10
    assertThat(pair.path("difference").asDouble()).isCloseTo(920.495, within(0.001));
    assertThat(pair.path("ratio").isNull()).isTrue();
    assertThat(pair.path("why").asText()).isNotEmpty();
  }

  @Test
  void aRateNearTheLargestNumberIsRefused() {
    JsonNode findings =
        ask(
            "'measured':['y'],'treatments':['mesh'],'method':'counts','exposure':'hours'",
            "mesh y hours",
            "a 1000000000 1e-299",
            "a 4 1e-299",
            "b 5 2e-299",
            "b 7 2e-299");
    assertThat(findings.at("/tests/0/why").asText())
        .contains("is a rate too large to be reckoned with");
  }

  @Test
  void settingAsideNoRowHasATitle() {
    assertThat(new SetAside(List.of(), "", false).title()).isEqualTo("No row set aside");
  }

  @Test
  void numbersBeyondEveryMeasurementAreNoLevels() {
    assertThatThrownBy(
            () ->
                ask(
                    "'measured':['y'],'treatments':['dose']",
                    "dose y",
                    "1e400 3",
                    "1e400 4",
                    "1e500 5",
                    "1e500 7"))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("row 1, dose");
  }

  @ParameterizedTest
  @CsvSource({
    "counts, analysis-of-deviance",
    "ranks, kruskal-wallis",
    "mixed, mixed",
    "unequal-spread, welch-anova",
    "permutation, permutation",
    "least-squares, analysis-of-variance"
  })
  void aRefusedQuestionHasTheKindThatWasAsked(String method, String kind) {
    // A single level, and values that are no counts.
    JsonNode findings =
        ask(
            "'measured':['y'],'treatments':['mesh'],'method':'"
                + method
                + "'"
                + (method.equals("mixed") ? ",'random':['rack']" : ""),
            "mesh rack y",
            "a r 1.5",
            "a s 2.5",
            "a t 4");
    assertThat(findings.at("/tests/0/kind").asText()).isEqualTo(kind);
    assertThat(findings.at("/tests/0/why").asText()).isNotEmpty();
  }
}
