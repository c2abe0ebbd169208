package app.knuckle.study.contract;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Nearest;
import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
    String value = text(node, key, "");
    if (node.has(key) && !allowed.contains(value)) {
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
    if (!node.path(key).isTextual()) {
      throw wrong(key, "a text is needed here", "");
    }
    return node.path(key).asText();
  }

  /**
   * A text that may be left out.
   *
   * @param node the object
   * @param key of the text
   * @param usual what is meant where it is not there
   * @return the text
   * @throws Refused if something else is there
   */
  public String text(JsonNode node, String key, String usual) {
    return node.has(key) ? text(node, key) : usual;
  }

  /** A text that may be left out or be null, which mean the same. */
  String textOrNull(JsonNode node, String key) {
    return node.hasNonNull(key) ? text(node, key) : null;
  }

  /**
   * A list of texts.
   *
   * @param node the object
   * @param key of the list
   * @return the texts; empty if the key is not there
   * @throws Refused if it is no list, or one of something else
   */
  public List<String> texts(JsonNode node, String key) {
    List<String> texts = new ArrayList<>();
    for (JsonNode item : list(node, key)) {
      if (!item.isTextual()) {
        throw wrong(key, "a list of texts is needed here", "Put each in quotation marks");
      }
      texts.add(item.asText());
    }
    return texts;
  }

  /**
   * A list.
   *
   * @param node the object
   * @param key of the list
   * @return its entries; none if the key is not there
   * @throws Refused if it is no list
   */
  public List<JsonNode> list(JsonNode node, String key) {
    if (!node.has(key)) {
      return List.of();
    }
    if (!node.get(key).isArray()) {
      throw wrong(key, "a list in brackets is needed here", "");
    }
    List<JsonNode> entries = new ArrayList<>();
    node.get(key).forEach(entries::add);
    return entries;
  }

  /**
   * Texts by their names.
   *
   * @param node the object
   * @param key of the object of texts
   * @return in their order; none if the key is not there
   * @throws Refused if it is no object, or one of something else
   */
  public Map<String, String> textsByName(JsonNode node, String key) {
    Map<String, String> texts = new LinkedHashMap<>();
    for (String name : names(node, key)) {
      texts.put(name, in(key).text(node.get(key), name));
    }
    return texts;
  }

  /** Numbers by their names. */
  Map<String, Double> numbersByName(JsonNode node, String key) {
    Map<String, Double> numbers = new LinkedHashMap<>();
    for (String name : names(node, key)) {
      numbers.put(name, in(key).number(node.get(key), name, Double.NaN));
    }
    return numbers;
  }

  /** The names in an object; none if the key is not there. */
  List<String> names(JsonNode node, String key) {
    if (!node.has(key)) {
      return List.of();
    }
    if (!node.get(key).isObject()) {
      throw wrong(key, "an object in braces is needed here", "");
    }
    List<String> names = new ArrayList<>();
    node.get(key).fieldNames().forEachRemaining(names::add);
    return names;
  }

  /** The keys of an object inside this one. */
  Keys in(String key) {
    List<String> full = new ArrayList<>(path);
    full.add(key);
    return new Keys(file, full);
  }

  /**
   * Whether something is so.
   *
   * @param node the object
   * @param key of a boolean
   * @return false if the key is not there
   * @throws Refused if something else stands there
   */
  public boolean flag(JsonNode node, String key) {
    if (node.has(key) && !node.get(key).isBoolean()) {
      throw wrong(key, "true or false is needed here", "Write it without quotation marks");
    }
    return node.path(key).asBoolean(false);
  }

  /**
   * A whole number.
   *
   * @param node the object
   * @param key of the number
   * @param least smallest that is sensible
   * @param usual what is meant where it is not there
   * @return the number
   * @throws Refused if something else is there
   */
  public int whole(JsonNode node, String key, int least, int usual) {
    if (!node.has(key)) {
      return usual;
    }
    JsonNode value = node.get(key);
    double number = value.isNumber() ? value.asDouble() : Double.NaN;
    if (!(number >= least && number <= Integer.MAX_VALUE && number == Math.rint(number))) {
      throw wrong(key, "a whole number from " + least + " on is needed here", "");
    }
    return (int) number;
  }

  /**
   * A number.
   *
   * @param node the object
   * @param key of the number
   * @param usual where there is none
   * @return the number
   * @throws Refused if something else stands there
   */
  public double number(JsonNode node, String key, double usual) {
    if (!node.has(key)) {
      return usual;
    }
    if (!node.get(key).isNumber()) {
      throw wrong(key, "a number is needed here", "");
    }
    if (!Double.isFinite(node.get(key).asDouble())) {
      throw wrong(key, "the number is too large to be reckoned with", "");
    }
    return node.get(key).asDouble();
  }

  /** A number that must be there. */
  double number(JsonNode node, String key) {
    double value = number(node, key, Double.NaN);
    if (Double.isNaN(value)) {
      throw wrong(key, "a number is needed here", "");
    }
    return value;
  }

  /** Products of two numbers beyond would leave what doubles can hold. */
  private static final double MOST_AMOUNT = 1e100;

  /** A number of a size that can be reckoned with; null means that it is not known. */
  double amount(JsonNode node, String key, double usual) {
    return node.path(key).isNull() ? usual : sensible(key, number(node, key, usual));
  }

  /** The same number, if it is of a size that can be reckoned with. */
  double sensible(String key, double value) {
    if (Math.abs(value) > MOST_AMOUNT) {
      throw wrong(key, "the number is too large to be reckoned with", "");
    }
    return value;
  }
}
