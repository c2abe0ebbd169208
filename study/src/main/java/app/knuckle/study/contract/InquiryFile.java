package app.knuckle.study.contract;

import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.summary.Histogram;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.design.Questions;
import app.knuckle.study.design.Terms;
import app.knuckle.study.table.Nearest;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Reads and writes an inquiry as JSON. */
public final class InquiryFile {

  /** The version of the contract that is written, and the only one read so far. */
  public static final int VERSION = 1;

  private static final List<String> KEYS =
      Stream.concat(
              Stream.of(
                  "knuckle",
                  "version",
                  "name",
                  "prepare",
                  "together",
                  "expected",
                  "terms",
                  "squares",
                  "method",
                  "random",
                  "withinUnit",
                  "denominator",
                  "extraSpread",
                  "alpha",
                  "direction",
                  "reference",
                  "adjustAt",
                  "compare",
                  "edges"),
              Arrays.stream(Part.values()).map(Part::key))
          .toList();

  private static final List<String> COMPARE_KEYS =
      List.of("of", "within", "against", "procedure", "weights", "name", "trend");

  /** Critical values of smaller levels lie where tails have no digits left. */
  private static final double LEAST_ALPHA = 1e-12;

  private InquiryFile() {}

  /**
   * Reads an inquiry.
   *
   * @param json the text of the file
   * @return the inquiry
   * @throws Refused if it is no inquiry, naming the key and the nearest known one
   */
  public static Inquiry read(String json) {
    return read(JsonText.read("inquiry", json));
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
        || !node.path("version").isNumber()
        || node.path("version").asDouble() != VERSION) {
      throw keys.wrong(
          "version",
          "this is no inquiry of version " + VERSION,
          "It must begin with \"knuckle\": \"inquiry\", \"version\": " + VERSION);
    }
    keys.oneOf(
        node, "method", Approach.all().stream().map(Approach::key).collect(Collectors.toSet()));
    keys.oneOf(node, "direction", keysOf(Direction.values(), Direction::key));
    keys.oneOf(node, "squares", keysOf(Squares.values(), Squares::key));
    double alpha = keys.number(node, "alpha", Questions.USUAL_ALPHA);
    if (!(alpha > 0 && alpha < 1)) {
      throw keys.wrong(
          "alpha", "the level " + alpha + " does not lie between 0 and 1", "0.05 is usual");
    }
    if (alpha < LEAST_ALPHA || alpha > 1 - LEAST_ALPHA) {
      throw keys.wrong(
          "alpha",
          "the level " + alpha + " lies beyond what distributions can tell",
          "It lies between " + LEAST_ALPHA + " and one less that; 0.05 is usual");
    }
    Inquiry.Draft d = new Inquiry.Draft();
    d.name = keys.text(node, "name", "Inquiry");
    d.prepare = StepFile.readAll(keys.list(node, "prepare"));
    if (!node.has("measured")) {
      throw keys.wrong("measured", "a list in brackets is needed here", "It may be empty");
    }
    for (Part part : Part.values()) {
      d.give(
          part,
          part.isOfOne()
              ? Stream.ofNullable(keys.textOrNull(node, part.key())).toList()
              : keys.texts(node, part.key()));
    }
    d.together = keys.flag(node, "together");
    d.expected =
        node.has("expected")
            ? (Double) keys.sensible("expected", keys.number(node, "expected"))
            : null;
    d.terms = terms(node.path("terms"), keys);
    d.squares = Squares.of(node.path("squares").asText("after-all")).orElseThrow();
    boolean isRandom = !node.path("random").isMissingNode();
    String usual = (isRandom ? Approach.MIXED : Approach.LEAST_SQUARES).key();
    d.approach =
        Approach.all().stream()
            .filter(m -> m.key().equals(node.path("method").asText(usual)))
            .findFirst()
            .orElseThrow();
    if (isRandom && d.approach.analysis() == Analysis.LEAST_SQUARES) {
      d.approach = Approach.MIXED;
    }
    RandomFile.read(node, keys, d);
    CountingFile.read(node, keys, d);
    d.alpha = alpha;
    d.direction = Direction.of(node.path("direction").asText("either")).orElseThrow();
    d.reference = keys.textsByName(node, "reference");
    d.adjustAt = keys.numbersByName(node, "adjustAt");
    d.compare = compares(keys.list(node, "compare"), d.approach.analysis() == Analysis.RANKS);
    d.edges = edges(node.path("edges"), d.measured());
    checkParts(d, keys);
    return d.inquiry();
  }

  static <T> Set<String> keysOf(T[] values, Function<T, String> key) {
    return Arrays.stream(values).map(key).collect(Collectors.toSet());
  }

  /** Every column named as a part of the treatments stands among them. */
  private static void checkParts(Inquiry.Draft d, Keys keys) {
    for (Part part : Part.values()) {
      for (String column : d.in(part)) {
        if (part.isOfTreatments() && !d.treatments().contains(column)) {
          throw keys.wrong(
              part.key(),
              "'" + column + "' does not stand in treatments",
              "Name it there too; " + Nearest.suggestion(column, d.treatments()));
        }
      }
    }
    for (String column : d.reference.keySet()) {
      if (!d.treatments().contains(column)) {
        throw keys.wrong(
            "reference",
            "'" + column + "' is no treatment",
            Nearest.suggestion(column, d.treatments()));
      }
    }
    for (String column : d.adjustAt.keySet()) {
      if (!d.covariates().contains(column)) {
        throw keys.wrong(
            "adjustAt",
            "'" + column + "' is no covariate",
            Nearest.suggestion(column, d.covariates()));
      }
    }
    List<String> variables = new ArrayList<>(d.treatments());
    variables.addAll(d.covariates());
    for (List<String> term : d.terms.chosen()) {
      for (String column : term) {
        if (!variables.contains(column)) {
          throw keys.wrong(
              "terms",
              "'" + column + "' is neither a treatment nor a covariate",
              Nearest.suggestion(column, variables));
        }
      }
    }
    for (int i = 0; i < d.compare.size(); i++) {
      Compare c = d.compare.get(i);
      List<String> named = new ArrayList<>(c.of());
      named.addAll(c.within());
      c.weights().forEach(w -> named.addAll(w.levels().keySet()));
      for (String column : named) {
        if (!d.treatments().contains(column)) {
          throw Keys.ofInquiry("compare", String.valueOf(i + 1))
              .wrong(
                  "of",
                  "'" + column + "' is no treatment",
                  Nearest.suggestion(column, d.treatments()));
        }
      }
    }
  }

  private static Terms terms(JsonNode node, Keys keys) {
    if (node.isArray()) {
      List<List<String>> chosen = new ArrayList<>();
      for (JsonNode term : node) {
        List<String> names = new ArrayList<>();
        (term.isArray() ? term : List.of(term)).forEach(name -> names.add(name(name, keys)));
        chosen.add(names);
      }
      return new Terms(Terms.Choice.CHOSEN, chosen);
    }
    if (node.isMissingNode() || node.isTextual() && node.asText().equals("all")) {
      return Terms.ALL;
    }
    if (node.isTextual() && node.asText().equals("main")) {
      return Terms.MAIN;
    }
    throw keys.wrong(
        "terms", "this version does not know " + node + " here", "Use all, main, or a list");
  }

  private static String name(JsonNode node, Keys keys) {
    if (!node.isTextual()) {
      throw keys.wrong("terms", "a name, or a list of names, is needed here", "");
    }
    return node.asText();
  }

  private static Map<String, List<Double>> edges(JsonNode node, List<String> measured) {
    if (node.isMissingNode()) {
      return Map.of();
    }
    Keys keys = Keys.ofInquiry("edges");
    keys.known(node, measured);
    Map<String, List<Double>> edges = new LinkedHashMap<>();
    for (String column : measured) {
      if (node.has(column)) {
        List<JsonNode> list = keys.list(node, column);
        double[] own = new double[list.size()];
        Arrays.setAll(own, i -> list.get(i).isNumber() ? list.get(i).asDouble() : Double.NaN);
        if (!Histogram.rising(own)) {
          throw keys.wrong(
              column,
              "the edges do not rise",
              "Give two numbers or more, each above the one before");
        }
        edges.put(column, Arrays.stream(own).boxed().toList());
      }
    }
    return edges;
  }

  private static List<Compare> compares(List<JsonNode> list, boolean ranks) {
    List<Compare> compares = new ArrayList<>();
    for (int i = 0; i < list.size(); i++) {
      JsonNode node = list.get(i);
      Keys keys = Keys.ofInquiry("compare", String.valueOf(i + 1));
      keys.known(node, COMPARE_KEYS);
      keys.oneOf(node, "against", Set.of("all-pairs", "reference"));
      List<Compare.Weight> weights = new ArrayList<>();
      for (JsonNode weight : keys.list(node, "weights")) {
        keys.known(weight, List.of("levels", "weight"));
        weights.add(
            new Compare.Weight(keys.textsByName(weight, "levels"), keys.number(weight, "weight")));
      }
      if (!node.has("of")) {
        throw keys.wrong("of", "the treatments whose means are meant are needed here", "");
      }
      int trend = keys.whole(node, "trend", 1, 0);
      boolean contrast = !weights.isEmpty() || trend > 0;
      boolean reference = "reference".equals(node.path("against").asText());
      compares.add(
          new Compare(
              keys.texts(node, "of"),
              keys.texts(node, "within"),
              reference,
              procedure(node, keys, contrast, reference, ranks),
              weights,
              trend,
              keys.text(node, "name", "")));
    }
    return compares;
  }

  private static Procedure procedure(
      JsonNode node, Keys keys, boolean contrast, boolean reference, boolean ranks) {
    String usual =
        contrast
            ? "none"
            : reference ? (ranks ? "steel" : "dunnett") : ranks ? "dunn-holm" : "tukey";
    String key = keys.text(node, "procedure", usual);
    Procedure.Use use =
        contrast
            ? Procedure.Use.CONTRASTS
            : reference ? Procedure.Use.REFERENCE : Procedure.Use.ALL_PAIRS;
    Set<Procedure> fitting =
        Arrays.stream(Procedure.values())
            .filter(p -> p.isFor(use) && (contrast || p.isOnRanks() == ranks))
            .collect(Collectors.toSet());
    return Procedure.of(key)
        .filter(fitting::contains)
        .orElseThrow(
            () ->
                keys.wrong(
                    "procedure",
                    "there is no procedure '"
                        + key
                        + "' for "
                        + (contrast ? "a contrast" : reference ? "a reference" : "all pairs"),
                    Nearest.suggestion(key, fitting.stream().map(Procedure::key).toList())));
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
    if (inquiry.together()) {
      node.put("together", true);
    }
    node.set("treatments", texts(inquiry.treatments()));
    if (inquiry.expected() != null) {
      node.put("expected", inquiry.expected());
    }
    Arrays.stream(Part.values())
        .filter(part -> part != Part.MEASURED && part != Part.TREATMENT)
        .filter(part -> !inquiry.response().beside().equals(Optional.of(part)))
        .forEach(part -> put(node, part, inquiry.in(part)));
    switch (inquiry.terms().choice()) {
      case ALL -> {
        // What is usual is not said.
      }
      case MAIN -> node.put("terms", "main");
      case CHOSEN -> {
        ArrayNode terms = node.putArray("terms");
        inquiry.terms().chosen().forEach(term -> terms.add(texts(term)));
      }
    }
    if (inquiry.squares() != Squares.AFTER_ALL) {
      node.put("squares", inquiry.squares().key());
    }
    if (inquiry.analysis() != Analysis.LEAST_SQUARES) {
      node.put("method", inquiry.approach().key());
    }
    RandomFile.write(inquiry.random(), node);
    CountingFile.write(inquiry, node);
    node.put("alpha", inquiry.alpha());
    if (inquiry.direction() != Direction.EITHER) {
      node.put("direction", inquiry.direction().key());
    }
    if (!inquiry.reference().isEmpty()) {
      ObjectNode reference = node.putObject("reference");
      inquiry.reference().forEach(reference::put);
    }
    if (!inquiry.adjustAt().isEmpty()) {
      ObjectNode at = node.putObject("adjustAt");
      inquiry.adjustAt().forEach(at::put);
    }
    if (!inquiry.edges().isEmpty()) {
      ObjectNode edges = node.putObject("edges");
      inquiry
          .edges()
          .forEach(
              (column, own) -> {
                ArrayNode array = edges.putArray(column);
                own.forEach(edge -> array.add(edge.doubleValue()));
              });
    }
    ArrayNode compare = node.putArray("compare");
    inquiry.compare().forEach(c -> write(c, compare.addObject()));
    return node;
  }

  private static void write(Compare c, ObjectNode node) {
    node.set("of", texts(c.of()));
    putTexts(node, "within", c.within());
    if (c.trend() > 0) {
      node.put("trend", c.trend());
    } else if (c.isContrast()) {
      ArrayNode weights = node.putArray("weights");
      for (Compare.Weight w : c.weights()) {
        ObjectNode one = weights.addObject();
        ObjectNode levels = one.putObject("levels");
        w.levels().forEach(levels::put);
        one.put("weight", w.weight());
      }
    } else {
      node.put("against", c.toReference() ? "reference" : "all-pairs");
    }
    if (!c.name().isEmpty()) {
      node.put("name", c.name());
    }
    node.put("procedure", c.procedure().key());
  }

  private static void putTexts(ObjectNode node, String key, List<String> texts) {
    if (!texts.isEmpty()) {
      node.set(key, texts(texts));
    }
  }

  /** The columns of a part, where there are any: one as a text, several as a list. */
  static void put(ObjectNode node, Part part, List<String> columns) {
    if (part.isOfOne() && !columns.isEmpty()) {
      node.put(part.key(), columns.get(0));
    } else {
      putTexts(node, part.key(), columns);
    }
  }

  /** A list of texts as JSON. */
  static ArrayNode texts(List<String> texts) {
    ArrayNode array = JsonNodeFactory.instance.arrayNode();
    texts.forEach(array::add);
    return array;
  }
}
