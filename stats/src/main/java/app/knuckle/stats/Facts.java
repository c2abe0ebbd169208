package app.knuckle.stats;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Results by their name, for tests that each have quantities of their own. A value is a number, a
 * {@link Quantity}, a text, a list, a map or facts again.
 */
public final class Facts {

  private final Map<String, Object> facts = new LinkedHashMap<>();

  /**
   * Adds a fact.
   *
   * @param name as in files
   * @param value null, a number, a Quantity, a text, a boolean, a list, a map or facts
   * @return these facts
   */
  public Facts put(String name, Object value) {
    facts.put(name, value);
    return this;
  }

  /**
   * Adds all facts of another.
   *
   * @param others the facts
   * @return these facts
   */
  public Facts putAll(Facts others) {
    facts.putAll(others.facts);
    return this;
  }

  /**
   * All facts.
   *
   * @return in the order in which they were added; not to be changed
   */
  public Map<String, Object> all() {
    return Collections.unmodifiableMap(facts);
  }

  /**
   * A number.
   *
   * @param name of the fact
   * @return absent if there is none
   */
  public Quantity quantity(String name) {
    Object value = facts.get(name);
    if (value instanceof Quantity quantity) {
      return quantity;
    }
    return value instanceof Number number
        ? Quantity.of(number.doubleValue())
        : Quantity.absent(Absence.NOT_COMPUTED);
  }

  /**
   * A list of numbers.
   *
   * @param values the numbers
   * @return the list
   */
  public static List<Double> list(double... values) {
    return java.util.Arrays.stream(values).boxed().toList();
  }
}
