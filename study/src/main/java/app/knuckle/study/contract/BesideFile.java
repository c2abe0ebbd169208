package app.knuckle.study.contract;

import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.linear.Squares;
import app.knuckle.study.beside.Beside;
import app.knuckle.study.beside.Tested;
import app.knuckle.study.design.Approach;
import app.knuckle.study.findings.ShownMean;
import app.knuckle.study.sentences.BesideSentence;
import app.knuckle.study.words.ExactP;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Writes two answers side by side as JSON. */
public final class BesideFile {

  private static final int VERSION = 1;

  /** What tells nothing of the question. */
  private static final Set<String> NO_QUESTION = Set.of("knuckle", "version", "name");

  /** What a question says by not saying it, where that is a word. */
  private static final Map<String, String> USUAL =
      Map.of(
          "method", Approach.LEAST_SQUARES.key(),
          "squares", Squares.AFTER_ALL.key(),
          "direction", Direction.EITHER.key(),
          "terms", "all");

  private BesideFile() {}

  /**
   * The text of beside.json.
   *
   * @param beside two answers
   * @return indented JSON, ending in a line break
   */
  public static String text(Beside beside) {
    try {
      return new ObjectMapper().writerWithDefaultPrettyPrinter().writeValueAsString(write(beside))
          + "\n";
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("A tree of plain values can always be written", e);
    }
  }

  /**
   * Two answers as an object.
   *
   * @param beside the answers
   * @return the object
   */
  public static ObjectNode write(Beside beside) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    node.put("knuckle", "beside").put("version", VERSION);
    node.put("left", beside.left().inquiry().name());
    node.put("right", beside.right().inquiry().name());
    asked(beside, node.putArray("asked"));
    ObjectNode rows = node.putObject("rows");
    beside.onlyLeft().forEach(rows.putArray("onlyLeft")::add);
    beside.onlyRight().forEach(rows.putArray("onlyRight")::add);
    ArrayNode effects = node.putArray("effects");
    for (Beside.EffectBeside e : beside.effects()) {
      ObjectNode one = effects.addObject().put("measured", e.measured());
      one.set("term", InquiryFile.texts(e.term()));
      effect(one, "left", e.left());
      effect(one, "right", e.right());
      one.put("crossed", e.crossed());
    }
    ArrayNode fits = node.putArray("fit");
    for (Beside.FitBeside f : beside.fits()) {
      ObjectNode one = fits.addObject().put("measured", f.measured());
      fit(one, "left", f.left());
      fit(one, "right", f.right());
    }
    ArrayNode means = node.putArray("means");
    for (Beside.MeanBeside m : beside.means()) {
      ObjectNode one = means.addObject().put("measured", m.measured());
      FindingsFile.levels(one.putObject("levels"), m.levels());
      FindingsFile.put(one, "left", Beside.of(m.left(), ShownMean::mean));
      FindingsFile.put(one, "right", Beside.of(m.right(), ShownMean::mean));
      one.put("leftLetters", m.left().map(ShownMean::letters).orElse(""));
      one.put("rightLetters", m.right().map(ShownMean::letters).orElse(""));
    }
    ArrayNode pairs = node.putArray("pairs");
    for (Beside.PairBeside p : beside.pairs()) {
      ObjectNode one = pairs.addObject().put("measured", p.measured());
      FindingsFile.levels(one.putObject("left"), p.one());
      FindingsFile.levels(one.putObject("right"), p.other());
      one.put("toldApart", p.inLeft() ? "left" : "right");
    }
    return node.put("sentence", BesideSentence.of(beside, ExactP.USUAL));
  }

  /**
   * The keys of a question that differ.
   *
   * @param beside two answers
   * @return names, such as "covariates"
   */
  public static List<String> keys(Beside beside) {
    ArrayNode asked = JsonNodeFactory.instance.arrayNode();
    asked(beside, asked);
    return asked.findValuesAsText("key");
  }

  private static void asked(Beside beside, ArrayNode asked) {
    ObjectNode left = InquiryFile.write(beside.left().inquiry());
    ObjectNode right = InquiryFile.write(beside.right().inquiry());
    Set<String> keys = new LinkedHashSet<>();
    left.fieldNames().forEachRemaining(keys::add);
    right.fieldNames().forEachRemaining(keys::add);
    keys.removeAll(NO_QUESTION);
    for (String key : keys) {
      JsonNode first = said(key, left.get(key), right.get(key));
      JsonNode second = said(key, right.get(key), left.get(key));
      if (!first.equals(second)) {
        ObjectNode one = asked.addObject().put("key", key);
        one.set("left", first);
        one.set("right", second);
      }
    }
  }

  /** What one side says; where it says nothing, what that means beside the other. */
  private static JsonNode said(String key, JsonNode own, JsonNode other) {
    JsonNodeFactory make = JsonNodeFactory.instance;
    if (own != null) {
      return own;
    }
    if (USUAL.containsKey(key)) {
      return make.textNode(USUAL.get(key));
    }
    return other.isArray()
        ? make.arrayNode()
        : other.isObject()
            ? make.objectNode()
            : other.isBoolean() ? make.booleanNode(false) : make.nullNode();
  }

  private static void effect(ObjectNode node, String side, Optional<Tested> tested) {
    if (tested.isEmpty()) {
      node.putNull(side);
      return;
    }
    ObjectNode one = node.putObject(side);
    FindingsFile.put(one, "df", tested.get().df());
    FindingsFile.put(one, "errorDf", tested.get().errorDf());
    FindingsFile.put(one, "statistic", tested.get().statistic());
    FindingsFile.put(one, "p", tested.get().p());
  }

  private static void fit(ObjectNode node, String side, Optional<AnovaTable.ModelFit> fit) {
    if (fit.isEmpty()) {
      node.putNull(side);
      return;
    }
    ObjectNode one = node.putObject(side);
    FindingsFile.put(one, "residualSd", fit.get().residualSd());
    FindingsFile.put(one, "cvPercent", fit.get().cvPercent());
    FindingsFile.put(one, "rSquared", fit.get().rSquared());
  }
}
