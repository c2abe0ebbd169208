package app.knuckle.study.contract;

import app.knuckle.stats.Outcome;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Direction;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.lang.reflect.RecordComponent;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Writes outcomes as JSON: what has no value is null, with the reason in its object. */
final class OutcomeFile {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

  private OutcomeFile() {}

  static void write(ObjectNode node, Outcome outcome) {
    for (RecordComponent component : outcome.getClass().getRecordComponents()) {
      Object value = value(component, outcome);
      if (value instanceof Optional<?> perhaps) {
        if (perhaps.isEmpty()) {
          continue;
        }
        value = perhaps.get();
      }
      if (component.isAnnotationPresent(Outcome.Flat.class)) {
        write(node, (Outcome) value);
      } else {
        put(node, key(component), value);
      }
    }
  }

  private static String key(RecordComponent component) {
    Outcome.Named named = component.getAnnotation(Outcome.Named.class);
    return named == null ? component.getName() : named.value();
  }

  private static Object value(RecordComponent component, Outcome outcome) {
    try {
      return component.getAccessor().invoke(outcome);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException("An outcome is a public record: " + outcome.getClass(), e);
    }
  }

  static void put(ObjectNode node, String key, Object value) {
    if (value instanceof Quantity quantity) {
      FindingsFile.put(node, key, quantity);
    } else {
      node.set(key, node(value));
    }
  }

  private static JsonNode node(Object value) {
    if (value == null) {
      return MAKE.nullNode();
    }
    if (value instanceof Outcome outcome) {
      ObjectNode node = MAKE.objectNode();
      write(node, outcome);
      return node;
    }
    if (value instanceof Map<?, ?> map) {
      ObjectNode node = MAKE.objectNode();
      map.forEach((key, inner) -> put(node, key.toString(), inner));
      return node;
    }
    if (value instanceof List<?> list) {
      ArrayNode node = MAKE.arrayNode();
      list.forEach(inner -> node.add(node(inner)));
      return node;
    }
    if (value instanceof Boolean truth) {
      return MAKE.booleanNode(truth);
    }
    if (value instanceof Number number) {
      double d = number.doubleValue();
      return Double.isFinite(d) ? MAKE.numberNode(d) : MAKE.nullNode();
    }
    if (value instanceof Direction direction) {
      return MAKE.textNode(direction.key());
    }
    return MAKE.textNode((String) value);
  }
}
