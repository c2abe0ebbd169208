package app.knuckle.figures.style;

import java.util.Map;
import java.util.Optional;

/**
 * A style as a study file keeps it: names and values, all text. What is missing or not understood
 * is empty, so that a style of another version still serves.
 *
 * @param values by name
 */
record Settings(Map<String, String> values) {

  private Optional<String> text(String name) {
    return Optional.ofNullable(values.get(name));
  }

  boolean has(String name) {
    return values.containsKey(name);
  }

  /** A number; where one must be, NaN is none. */
  double number(String name, double otherwise) {
    try {
      double value = text(name).map(Double::parseDouble).orElse(otherwise);
      return Double.isNaN(value) ? otherwise : value;
    } catch (NumberFormatException e) {
      return otherwise;
    }
  }

  boolean yes(String name, boolean otherwise) {
    return text(name).map(Boolean::parseBoolean).orElse(otherwise);
  }

  <E extends Enum<E>> E one(Class<E> of, String name, E otherwise) {
    try {
      return text(name).map(t -> Enum.valueOf(of, t)).orElse(otherwise);
    } catch (IllegalArgumentException e) {
      return otherwise;
    }
  }
}
