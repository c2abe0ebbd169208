package app.knuckle.study.contract;

import app.knuckle.stats.Facts;
import app.knuckle.stats.Quantity;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Map;

/** Writes facts as JSON: what has no value is null, with the reason in its object. */
final class FactsFile {

  private FactsFile() {}

  static void write(ObjectNode node, Facts facts) {
    facts.all().forEach((key, value) -> put(node, key, value));
  }

  static void put(ObjectNode node, String key, Object value) {
    if (value instanceof Quantity quantity) {
      FindingsFile.put(node, key, quantity);
    } else {
      node.set(key, node(value));
    }
  }

  private static JsonNode node(Object value) {
    JsonNodeFactory make = JsonNodeFactory.instance;
    if (value == null) {
      return make.nullNode();
    }
    if (value instanceof Facts facts) {
      ObjectNode node = make.objectNode();
      write(node, facts);
      return node;
    }
    if (value instanceof Map<?, ?> map) {
      ObjectNode node = make.objectNode();
      map.forEach((key, inner) -> put(node, key.toString(), inner));
      return node;
    }
    if (value instanceof List<?> list) {
      ArrayNode node = make.arrayNode();
      list.forEach(inner -> node.add(node(inner)));
      return node;
    }
    if (value instanceof Boolean truth) {
      return make.booleanNode(truth);
    }
    if (value instanceof Number number) {
      double d = number.doubleValue();
      return Double.isFinite(d) ? make.numberNode(d) : make.nullNode();
    }
    return make.textNode(value.toString());
  }
}
