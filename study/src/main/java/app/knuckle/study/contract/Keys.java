package app.knuckle.study.contract;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Nearest;
import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * Reads the keys of one JSON object and refuses what does not belong there.
 *
 * @param file what to call the file in a message
 * @param path the keys that lead to the object
 */
public record Keys(String file, List<String> path) {

  /** The keys of an object in an inquiry. */
  static Keys ofInquiry(String... path) {
    return new Keys("inquiry", List.of(path));
  }

  /**
   * Refuses a key that is not known, naming the nearest.
   *
   * @param node the object
   * @param known its keys
   * @throws Refused at the first unknown key, or if it is no object
   */
  public void known(JsonNode node, Collection<String> known) {
    if (!node.isObject()) {
      throw Refused.at(
          new Place.Key(file, path.isEmpty() ? List.of("start") : path),
          "an object in braces is needed here",
          "");
    }
    node.fieldNames()
        .forEachRemaining(
            key -> {
              if (!known.contains(key)) {
                throw wrong(
                    key, "there is no key '" + key + "' here", Nearest.suggestion(key, known));
              }
            });
  }

  /**
   * A refusal at a key.
   *
   * @param key the key
   * @param what what is wrong, without the full stop
   * @param wayOn what to do, without the full stop; may be empty
   * @return the exception to throw
   */
  public Refused wrong(String key, String what, String wayOn) {
    List<String> full = new ArrayList<>(path);
    full.add(key);
    return Refused.at(new Place.Key(file, full), what, wayOn);
  }

  /** Refuses a value that is there and not one of the allowed ones. */
  void oneOf(JsonNode node, String key, Set<String> allowed) {
    String value = node.path(key).asText("");
    if (node.hasNonNull(key) && !allowed.contains(value)) {
      throw wrong(
          key,
          "this version does not know '" + value + "' here",
          "Use " + String.join(" or ", new TreeSet<>(allowed)));
    }
  }

  /**
   * A text that must be there.
   *
   * @param node the object
   * @param key of the text
   * @return the text
   * @throws Refused if there is none
   */
  public String text(JsonNode node, String key) {
    if (!node.path(key).isValueNode() || node.path(key).isNull()) {
      throw wrong(key, "a text is needed here", "");
    }
    return node.path(key).asText();
  }

  /**
   * A list of texts.
   *
   * @param node the object
   * @param key of the list
   * @return the texts; empty if the key is not there
   * @throws Refused if it is no list
   */
  public List<String> texts(JsonNode node, String key) {
    JsonNode list = node.path(key);
    if (list.isMissingNode() || list.isNull()) {
      return List.of();
    }
    if (!list.isArray()) {
      throw wrong(key, "a list in brackets is needed here", "");
    }
    List<String> texts = new ArrayList<>();
    list.forEach(item -> texts.add(item.asText()));
    return texts;
  }

  /** A number; the usual one if the key is not there. */
  double number(JsonNode node, String key, double usual) {
    JsonNode value = node.path(key);
    if (value.isMissingNode() || value.isNull()) {
      return usual;
    }
    if (!value.isNumber()) {
      throw wrong(key, "a number is needed here", "");
    }
    return value.asDouble();
  }

  /** Products of two numbers beyond would leave what doubles can hold. */
  private static final double MOST_AMOUNT = 1e100;

  /** A number of a size that can be reckoned with. */
  double amount(JsonNode node, String key, double usual) {
    return sensible(key, number(node, key, usual));
  }

  /** The same number, if it is of a size that can be reckoned with. */
  double sensible(String key, double value) {
    if (Math.abs(value) > MOST_AMOUNT) {
      throw wrong(key, "the number is too large to be reckoned with", "");
    }
    return value;
  }
}
