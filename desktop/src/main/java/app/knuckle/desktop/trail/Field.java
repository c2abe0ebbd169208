package app.knuckle.desktop.trail;

import java.util.List;
import java.util.function.Function;

/**
 * Something that a step asks for.
 *
 * @param key under which its answer is kept
 * @param label before it
 * @param form how it is answered
 * @param options what can be chosen, for the answers so far; empty for free text
 * @param needed whether it is asked, for the answers so far
 */
public record Field(
    String key,
    String label,
    Form form,
    Function<Answers, List<String>> options,
    Function<Answers, Boolean> needed) {

  /** How a field is answered. */
  public enum Form {
    /** One of the options. */
    PICK,
    /** Any number of the options. */
    TICK,
    /** All options, in an order. */
    ORDER,
    /** A text for each option. */
    PAIRS,
    /** A line of text. */
    LINE
  }

  /** A field that is always asked. */
  static Field of(String key, String label, Form form, Function<Answers, List<String>> options) {
    return new Field(key, label, form, options, answers -> true);
  }

  /** A line of text that is always asked. */
  static Field line(String key, String label) {
    return of(key, label, Form.LINE, answers -> List.of());
  }
}
