package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.InputStream;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The inquiry and findings files: their schemas, what is written, what is refused. */
class ContractFilesTest {

  private static final String WHOLE =
      """
      {"knuckle": "inquiry", "version": 1, "name": "Clearance",
       "prepare": [
         {"step": "missing", "columns": ["y"], "values": ["-99"]},
         {"step": "kind", "column": "rack", "kind": "category"},
         {"step": "merge", "column": "feed", "levels": ["a", "A "], "into": "a"},
         {"step": "order", "column": "feed", "levels": ["b", "a"]},
         {"step": "relabel", "column": "feed", "labels": {"b": "kelp"}, "off": true},
         {"step": "rename", "column": "y", "to": "y", "unit": "mm"},
         {"step": "keep", "where": [{"column": "feed", "is": ["a", "b"]}, {"column": "y", "from": 1, "to": 90}]},
         {"step": "setAside", "rows": [2], "why": "torn bag"}],
       "measured": ["y"], "treatments": ["feed"], "alpha": 0.05,
       "compare": [{"of": ["feed"], "against": "all-pairs", "procedure": "tukey"}]}
      """;

  private static Table table() {
    int[] feed = {0, 1, 2, 0, 1, 0, 1, 1};
    double[] y = {5, 6, 7, 5.5, -99, 4, 8, 200};
    return new Table(
        "tanks",
        "tanks.csv",
        List.of(
            new Numbers("y", "", y),
            new Categories("feed", "", feed, List.of("a", "b", "A "), false),
            new Numbers("rack", "", new double[] {1, 1, 2, 2, 3, 3, 4, 4})),
        "");
  }

  static JsonSchema schema(String name) {
    InputStream in = InquiryFile.class.getResourceAsStream(name + ".schema.json");
    return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(in);
  }

  @Test
  void everyStepIsReadAndWrittenBackEqual() throws Exception {
    Inquiry inquiry = InquiryFile.read(WHOLE);
    JsonNode written = InquiryFile.write(inquiry);
    assertThat(InquiryFile.read(written)).isEqualTo(inquiry);
    assertThat(schema("inquiry").validate(written)).isEmpty();
    assertThat(schema("inquiry").validate(new ObjectMapper().readTree(WHOLE))).isEmpty();
  }

  @Test
  void findingsFollowTheTrailAndTheirSchema() throws Exception {
    Findings findings = Answering.of(table(), InquiryFile.read(WHOLE), Progress.NONE);
    JsonNode node = new ObjectMapper().readTree(FindingsFile.text(findings));
    assertThat(schema("findings").validate(node)).isEmpty();
    // Rows 2 (set aside), 5 (-99) and 8 (over 90) are out; "A " became a: a has 5, 7, 5.5, 4.
    assertThat(node.at("/records/inPlay").asInt()).isEqualTo(5);
    assertThat(node.at("/records/leftOut").findValuesAsText("row")).containsExactly("2", "5", "8");
    assertThat(node.at("/records/leftOut/0/why").asText()).isEqualTo("set aside: torn bag");
    assertThat(node.at("/summaries/1/group/feed").asText()).isEqualTo("b");
    assertThat(node.at("/summaries/2/mean").asDouble()).isEqualTo(5.375);
    assertThat(node.at("/summaries/1/sd").isNull()).isTrue();
    assertThat(node.at("/summaries/1/why").asText()).isNotEmpty();
    assertThat(findings.first().measured().unit()).isEqualTo("mm");
  }

  @Test
  void schemaAndProceduresAgree() throws Exception {
    JsonNode schema =
        new ObjectMapper().readTree(InquiryFile.class.getResourceAsStream("inquiry.schema.json"));
    List<String> named = new java.util.ArrayList<>();
    schema.at("/$defs/procedure/enum").forEach(n -> named.add(n.asText()));
    assertThat(named)
        .containsExactlyInAnyOrderElementsOf(
            Arrays.stream(Procedure.values()).map(Procedure::key).toList());
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          "alpha": 0.05      | "alfa": 0.05            | nearest known name is 'alpha'
          "alpha": 0.05      | "alpha": 1.5            | does not lie between 0 and 1
          "tukey"            | "tuckey"                | nearest known name is 'tukey'
          "version": 1       | "version": 9            | no inquiry of version 1
          "merge"            | "merje"                 | nearest known name is 'merge'
          "alpha": 0.05      | "blocks": ["rake"]      | there is no column 'rake'
          "alpha": 0.05      | "wholePlots": ["fed"]   | does not stand in treatments
          "alpha": 0.05      | "method": "exact"       | this version does not know 'exact'
          "measured": ["y"]  | "measured": ["z"]       | there is no column 'z'
          "order"            | "order", "rows": 3      | there is no key 'rows' here
          ["b", "a"]         | ["c"]                   | there is no level 'c'
          "rows": [2]        | "rows": [77]            | there is no row 77
          {"knuckle"         | {{"knuckle"             | this is not JSON
          """)
  void aWrongInquiryIsRefusedWithThePlaceAndTheWayOn(String right, String wrong, String says) {
    String json = WHOLE.replace(right, wrong);
    assertThat(json).isNotEqualTo(WHOLE);
    assertThatThrownBy(() -> Answering.of(table(), InquiryFile.read(json), Progress.NONE))
        .isInstanceOf(Refused.class)
        .hasMessageContaining(says);
  }
}
