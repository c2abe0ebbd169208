package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Plan;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Plans as files. */
class PlanFileTest {

  private static final String PLAN =
      """
      {"knuckle": "plan", "version": 1, "name": "Mesh by density", "seed": 20260401,
       "treatments": {"mesh": ["fine", "coarse"], "density": ["60", "120", "240"]},
       "layout": "split-plot", "wholePlots": ["mesh"], "replicates": 4, "block": "rack",
       "measured": [
         {"name": "growth", "unit": "mm", "mean": 14, "sd": 1.1, "blockSd": 1.0, "wholePlotSd": 0.5},
         {"name": "weight", "unit": "g", "mean": 40, "sd": 6,
          "covariate": {"name": "start_g", "r": 0.5}}],
       "effects": [{"measured": "growth", "levels": {"density": "60"}, "by": 1.5}],
       "wanted": {"of": ["mesh", "density"], "difference": 2}, "rehearsals": 20}
      """;

  private static String written(String json) {
    Plan plan = PlanFile.read(json, 5);
    return PlanAnswerFile.text(json, plan, Arrangement.of(plan), Progress.NONE);
  }

  @Test
  void whatIsWrittenFitsTheSchemaAndIsReadAgainAsTheSamePlan() throws Exception {
    String text = written(PLAN);
    JsonNode node = new ObjectMapper().readTree(text);
    assertThat(ContractFilesTest.schema("plan").validate(node)).isEmpty();
    assertThat(node.path("arrangement")).hasSize(24);
    assertThat(node.path("alsoShows")).hasSize(1);
    assertThat(PlanFile.read(text, 6)).isEqualTo(PlanFile.read(PLAN, 5));
    assertThat(written(text)).isEqualTo(text);
    assertThat(InquiryFile.read(node.path("inquiry")).wholePlots()).containsExactly("mesh");
  }

  @Test
  void aSeedThatIsNotNamedIsDrawnAndKept() throws Exception {
    String text = written(PLAN.replace("\"seed\": 20260401,", ""));
    assertThat(new ObjectMapper().readTree(text).path("seed").asInt()).isEqualTo(5);
    assertThat(written(text)).isEqualTo(text);
  }

  @Test
  void oneSourceOfEachLayerIsJudgedAgainstItsError() throws Exception {
    JsonNode node = new ObjectMapper().readTree(written(PLAN));
    assertThat(node.path("skeleton"))
        .extracting(row -> row.path("source").asText() + " " + row.path("df").asInt())
        .containsExactlyElementsOf(
            List.of(
                "rack 3",
                "mesh 1",
                "whole-plot error 3",
                "density 2",
                "mesh x density 2",
                "subplot error 12",
                "total 23"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "\"layout\": \"split-plot\" | \"layout\": \"split-plots\" | layout",
        "\"wholePlots\": [\"mesh\"] | \"wholePlots\": [\"mash\"] | wholePlots",
        "\"wholePlots\": [\"mesh\"] | \"wholePlots\": [] | wholePlots",
        "\"coarse\"], | \"fine\"], | treatments",
        "\"sd\": 1.1 | \"sd\": 0 | sd",
        "\"sd\": 1.1 | \"sdd\": 1.1 | sdd",
        "\"r\": 0.5 | \"r\": 1 | r",
        "\"density\": \"60\" | \"density\": \"61\" | density",
        "\"difference\": 2 | \"difference\": 0 | difference",
        "\"difference\": 2 | \"difference\": 2, \"procedure\": \"duncan\" | procedure",
        "\"replicates\": 4 | \"replicates\": 40000 | replicates",
        "\"replicates\": 4 | \"replicates\": 19000 | replicates",
        "\"name\": \"growth\" | \"name\": \"mesh\", \"unit\": \"\" | unit",
        "\"start_g\" | \"plot\" | measured",
        "\"seed\": 20260401 | \"seed\": 1.5 | seed",
        "\"replicates\": 4 | \"replicates\": 4, \"more\": {\"mesh=fin\": 8} | mesh=fin",
        "\"replicates\": 4 | \"replicates\": 4, \"more\": {\"mesh=fine\": 8} | more",
        "\"replicates\": 4 | \"replicates\": 4, \"field\": {\"rows\": 8} | columns",
        "\"replicates\": 4 | \"replicates\": 4, \"field\": {\"rows\": 2, \"columns\": 3} | field",
        "\"wholePlotSd\": 0.5 | \"stripSd\": {\"mash\": 0.5} | mash",
        "\"knuckle\": \"plan\" | \"knuckle\": \"inquiry\" | knuckle",
      })
  void whatIsWrongIsRefusedAtItsKey(String right, String wrong, String key) {
    assertThat(PLAN).contains(right);
    assertThatThrownBy(() -> written(PLAN.replace(right, wrong)))
        .isInstanceOf(Refused.class)
        .hasMessageContaining(key);
  }
}
