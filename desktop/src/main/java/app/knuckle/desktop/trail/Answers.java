package app.knuckle.desktop.trail;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What has been answered of a step's fields.
 *
 * @param values the answers by the key of their field
 */
public record Answers(Map<String, List<String>> values) {

  public Answers {
    values = Map.copyOf(values);
  }

  /** No answer yet. */
  static Answers none() {
    return new Answers(Map.of());
  }

  /** The same with another answer. */
  Answers with(String key, List<String> answer) {
    Map<String, List<String>> all = new HashMap<>(values);
    all.put(key, answer);
    return new Answers(all);
  }

  /** The same with another answer of one text. */
  Answers with(String key, String answer) {
    return with(key, List.of(answer));
  }

  /** The texts of an answer; empty when there is none. */
  List<String> all(String key) {
    return values.getOrDefault(key, List.of());
  }

  /** The text of an answer; empty when there is none. */
  String one(String key) {
    List<String> all = all(key);
    return all.isEmpty() ? "" : all.get(0).strip();
  }
}
