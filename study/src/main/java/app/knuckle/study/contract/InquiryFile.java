package app.knuckle.study.contract;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.table.Nearest;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;

/** Reads and writes an inquiry as JSON. */
public final class InquiryFile {

  /** The version of the contract that is written, and the only one read so far. */
  public static final int VERSION = 1;

  private static final List<String> KEYS =
      List.of(
          "knuckle",
          "version",
          "name",
          "prepare",
          "measured",
          "together",
          "treatments",
          "expected",
          "blocks",
          "wholePlots",
          "unit",
          "occasions",
          "pairs",
          "covariates",
          "terms",
          "squares",
          "method",
          "alpha",
          "direction",
          "reference",
          "adjustAt",
          "compare");

  /** Keys that ask for what is not computed yet, unless they hold one of these usual values. */
  private static final List<String> NOT_YET =
      List.of(
          "expected",
          "blocks",
          "wholePlots",
          "unit",
          "occasions",
          "pairs",
          "covariates",
          "reference",
          "adjustAt");

  private static final List<String> COMPARE_KEYS =
      List.of("of", "within", "against", "procedure", "weights", "name", "trend");

  private InquiryFile() {}

  /**
   * Reads an inquiry.
   *
   * @param json the text of the file
   * @return the inquiry
   * @throws Refused if it is no inquiry, naming the key and the nearest known one
   */
  public static Inquiry read(String json) {
    try {
      return read(new ObjectMapper().readTree(json));
    } catch (JsonProcessingException e) {
      long line = e.getLocation() == null ? 1 : e.getLocation().getLineNr();
      throw new Refused(
          Refused.at(
                  new Place.WholeFile("inquiry, line " + line),
                  "this is not JSON: " + e.getOriginalMessage().replace('\n', ' '),
                  "Mend the file there")
              .refusal(),
          e);
    }
  }

  /**
   * Reads an inquiry.
   *
   * @param node the object
   * @return the inquiry
   * @throws Refused if it is no inquiry, naming the key and the nearest known one
   */
  public static Inquiry read(JsonNode node) {
    Keys keys = Keys.ofInquiry();
    keys.known(node, KEYS);
    if (!"inquiry".equals(node.path("knuckle").asText())
        || node.path("version").asInt() != VERSION) {
      throw keys.wrong(
          "version",
          "this is no inquiry of version " + VERSION,
          "It must begin with \"knuckle\": \"inquiry\", \"version\": " + VERSION);
    }
    for (String key : NOT_YET) {
      JsonNode value = node.path(key);
      if (!value.isMissingNode()
          && !value.isNull()
          && !(value.isContainerNode() && value.isEmpty())) {
        throw keys.wrong(key, "this version cannot answer with '" + key + "' yet", "Leave it out");
      }
    }
    keys.oneOf(node, "method", Set.of("least-squares"));
    keys.oneOf(node, "direction", Set.of("either"));
    keys.oneOf(node, "squares", Set.of("after-all", "in-order", "after-its-peers"));
    if (node.path("together").asBoolean(false)) {
      throw keys.wrong("together", "this version asks responses one by one", "Leave it out");
    }
    List<String> treatments = keys.texts(node, "treatments");
    if (treatments.size() > 1) {
      throw keys.wrong("treatments", "this version compares one treatment at a time", "Name one");
    }
    double alpha = keys.number(node, "alpha", Inquiry.USUAL_ALPHA);
    if (!(alpha > 0 && alpha < 1)) {
      throw keys.wrong(
          "alpha", "the level " + alpha + " does not lie between 0 and 1", "0.05 is usual");
    }
    return new Inquiry(
        node.path("name").asText("Inquiry"),
        StepFile.readAll(node.path("prepare")),
        keys.texts(node, "measured"),
        treatments,
        alpha,
        compares(node.path("compare"), treatments));
  }

  private static List<Inquiry.Compare> compares(JsonNode list, List<String> treatments) {
    List<Inquiry.Compare> compares = new ArrayList<>();
    for (int i = 0; i < list.size(); i++) {
      JsonNode node = list.get(i);
      Keys keys = Keys.ofInquiry("compare", String.valueOf(i + 1));
      keys.known(node, COMPARE_KEYS);
      if (node.has("weights") || node.has("trend") || !node.path("within").isEmpty()) {
        throw keys.wrong(
            "of", "this version compares all pairs only", "Name a procedure for all pairs");
      }
      keys.oneOf(node, "against", Set.of("all-pairs"));
      List<String> of = keys.texts(node, "of");
      if (!of.equals(treatments)) {
        throw keys.wrong(
            "of", "the means compared must be those of the treatment", "Name " + treatments);
      }
      String key = node.path("procedure").asText("tukey");
      List<String> known = Arrays.stream(Procedure.values()).map(Procedure::key).toList();
      compares.add(
          new Inquiry.Compare(
              of,
              Procedure.of(key)
                  .orElseThrow(
                      () ->
                          keys.wrong(
                              "procedure",
                              "there is no procedure '" + key + "' for all pairs",
                              Nearest.suggestion(key, known)))));
    }
    return compares;
  }

  /**
   * Writes an inquiry.
   *
   * @param inquiry the inquiry
   * @return the object, which reads back as an equal inquiry
   */
  public static ObjectNode write(Inquiry inquiry) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    node.put("knuckle", "inquiry").put("version", VERSION).put("name", inquiry.name());
    if (!inquiry.prepare().isEmpty()) {
      node.set("prepare", StepFile.writeAll(inquiry.prepare()));
    }
    node.set("measured", texts(inquiry.measured()));
    node.set("treatments", texts(inquiry.treatments()));
    node.put("alpha", inquiry.alpha());
    ArrayNode compare = node.putArray("compare");
    for (Inquiry.Compare c : inquiry.compare()) {
      ObjectNode one = compare.addObject();
      one.set("of", texts(c.of()));
      one.put("against", "all-pairs").put("procedure", c.procedure().key());
    }
    return node;
  }

  /** A list of texts as JSON. */
  static ArrayNode texts(List<String> texts) {
    ArrayNode array = JsonNodeFactory.instance.arrayNode();
    texts.forEach(array::add);
    return array;
  }
}
