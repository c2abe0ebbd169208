package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.study.Refused;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Consumer;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What stands at a key is what the key means, or it is refused by name. */
class StrictReaderTest {
  private static final ObjectMapper JSON = new ObjectMapper();

  private static final String WHOLE =
      """
      {"knuckle": "inquiry", "version": 1, "name": "growth", "measured": ["y"],
       "prepare": [
         {"step": "missing", "columns": ["y"], "values": ["-99"]},
         {"step": "keep", "where": [{"column": "a", "is": ["a0", "a1"]}, {"column": "x", "from": 1}]},
         {"step": "setAside", "rows": [3], "why": "torn", "off": true},
         {"step": "edit", "cells": [{"row": 1, "column": "a", "to": "a1"}]},
         {"step": "relabel", "column": "a", "labels": {"a0": "open"}},
         {"step": "compute", "column": "l", "from": "y", "as": "box-cox", "lambda": 0.5}],
       "together": false, "treatments": ["a", "b"], "expected": 2.5, "blocks": ["k"],
       "wholePlots": ["a"], "unit": null, "covariates": ["x"], "terms": [["a"], ["a", "b"], "b"],
       "squares": "in-order", "method": "least-squares", "alpha": 0.05, "direction": "greater",
       "reference": {"a": "a0"}, "adjustAt": {"x": 3}, "edges": {"y": [0, 1, 2]},
       "compare": [
         {"of": ["a"], "within": ["b"], "against": "all-pairs", "procedure": "tukey"},
         {"of": ["b"], "trend": 2, "name": "dose"},
         {"of": ["a"], "weights": [{"levels": {"a": "a0"}, "weight": 1},
                                   {"levels": {"a": "a1"}, "weight": -1}]}]}
      """;

  private static final List<String> VALUES =
      List.of(
          "12", "\"x\"", "true", "null", "{}", "[]", "0.5", "-1", "[12]", "{\"z\": 1}", "[null]");

  /** Every place where a value stands, as something that puts another there. */
  private static void places(JsonNode node, List<Consumer<JsonNode>> found) {
    if (node instanceof ObjectNode object) {
      object
          .fieldNames()
          .forEachRemaining(
              key -> {
                found.add(value -> object.set(key, value));
                places(object.get(key), found);
              });
      found.add(value -> object.set("frobnicate", value));
    } else if (node instanceof ArrayNode array) {
      for (int i = 0; i < array.size(); i++) {
        int at = i;
        found.add(value -> array.set(at, value));
        places(array.get(i), found);
      }
    }
  }

  @Property(tries = 400)
  void whatTheSchemaRefusesTheReaderRefuses(@ForAll long seed) throws JsonProcessingException {
    Random random = new Random(seed);
    JsonNode inquiry = JSON.readTree(WHOLE);
    assertThat(ContractFilesTest.schema("inquiry").validate(inquiry)).isEmpty();
    List<Consumer<JsonNode>> places = new ArrayList<>();
    places(inquiry, places);
    places
        .get(random.nextInt(places.size()))
        .accept(JSON.readTree(VALUES.get(random.nextInt(VALUES.size()))));
    if (!ContractFilesTest.schema("inquiry").validate(inquiry).isEmpty()) {
      assertThatThrownBy(() -> InquiryFile.read(inquiry))
          .as("%s", inquiry)
          .isInstanceOf(Refused.class);
    } else {
      readOrRefused(inquiry);
    }
  }

  private static final List<String> QUESTIONS =
      List.of(
          "{\"kind\":\"from-summaries\",\"given\":{\"levels\":[\"a\",\"b\"],\"n\":[5,6],"
              + "\"mean\":[1,2.5],\"sd\":[0.5,1],\"alpha\":0.05,\"procedures\":[\"tukey\"]}}",
          "{\"kind\":\"complete-table\",\"given\":{\"effect\":{\"df\":2,\"ss\":10},"
              + "\"error\":{\"df\":12,\"ms\":1.5},\"total\":{\"df\":14},\"alpha\":0.01}}",
          "{\"kind\":\"power\",\"given\":{\"test\":\"factorial\",\"n\":4,\"cohenF\":0.3,"
              + "\"levels\":{\"mesh\":3,\"density\":2},\"effect\":[\"mesh\"]}}",
          "{\"kind\":\"power\",\"given\":{\"test\":\"two-groups\",\"n\":[5,7],\"cohenD\":0.8,"
              + "\"direction\":\"greater\"}}",
          "{\"kind\":\"sample-size\",\"given\":{\"test\":\"one-way\",\"groups\":4,"
              + "\"cohenF\":0.4,\"power\":0.8}}");

  @Property(tries = 400)
  void whatTheSchemaOfQuestionsRefusesTheReckonerRefuses(@ForAll long seed)
      throws JsonProcessingException {
    Random random = new Random(seed);
    JsonNode question = JSON.readTree(QUESTIONS.get(random.nextInt(QUESTIONS.size())));
    assertThat(ContractFilesTest.schema("question").validate(question)).isEmpty();
    assertThat(ReckonFile.answer(question).path("answer").isEmpty()).isFalse();
    List<Consumer<JsonNode>> places = new ArrayList<>();
    places(question, places);
    places
        .get(random.nextInt(places.size()))
        .accept(JSON.readTree(VALUES.get(random.nextInt(VALUES.size()))));
    if (!ContractFilesTest.schema("question").validate(question).isEmpty()) {
      assertThatThrownBy(() -> ReckonFile.answer(question))
          .as("%s", question)
          .isInstanceOf(Refused.class);
    }
  }

  /** What has the right shape may still name a column that is not there, and nothing else. */
  private static void readOrRefused(JsonNode inquiry) {
    try {
      InquiryFile.read(inquiry);
    } catch (Refused e) {
      assertThat(e.getMessage())
          .as("%s", inquiry)
          .doesNotContain("is needed here")
          .doesNotContain("Known are .");
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "\"prepare\":[{\"step\":\"setAside\",\"rows\":12}]",
        "\"prepare\":[{\"step\":\"keep\"}]",
        "\"prepare\":[{\"step\":\"keep\",\"where\":[{\"column\":\"a\",\"from\":\"x\"}]}]",
        "\"adjustAt\":\"mean\"",
        "\"compare\":\"tukey\"",
        "\"together\":\"yes\"",
        "\"alpha\":0.05,\"alpha\":0.01"
      })
  void aWronglyTypedKeyIsRefused(String key) {
    assertThatThrownBy(
            () ->
                InquiryFile.read(
                    "{\"knuckle\":\"inquiry\",\"version\":1,\"measured\":[\"y\"]," + key + "}"))
        .isInstanceOf(Refused.class);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "{\"kind\":\"from-summaries\",\"given\":{\"alhpa\":0.05,\"n\":[4,4],\"mean\":[1,2],\"sd\":[1,1]}}",
        "{\"kind\":\"from-summaries\",\"given\":{\"n\":[10.9,4],\"mean\":[1,2],\"sd\":[1,1]}}",
        "{\"kind\":\"power\",\"given\":{\"test\":\"two-groups\",\"n\":[10.9,4],\"cohenD\":1}}",
        "{\"kind\":\"power\",\"given\":{\"test\":\"two-groups\",\"n\":4,\"cohenD\":1,\"power\":\"x\","
            + "\"power\":1}}",
        "{\"kind\":\"complete-table\",\"given\":{\"effect\":{\"dF\":2}}}"
      })
  void aQuestionSaysOnlyWhatIsKnown(String question) {
    assertThatThrownBy(() -> ReckonFile.answer(question)).isInstanceOf(Refused.class);
  }
}
