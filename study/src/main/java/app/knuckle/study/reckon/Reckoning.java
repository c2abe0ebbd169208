package app.knuckle.study.reckon;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * A reckoning that is kept: what was typed, of which everything else follows.
 *
 * @param kind which of the reckonings
 * @param name under which it is found again
 * @param typed texts by the name of their field
 */
public record Reckoning(Kind kind, String name, Map<String, String> typed) {

  /** What is reckoned. */
  public enum Kind {
    /** An analysis of variance of which a part is known. */
    PARTIAL_TABLE("partial-table"),
    /** A tail of a law. */
    TAIL("tail"),
    /** Groups of which summaries are known. */
    SUMMARIES("from-summaries"),
    /** The size of a trial, or its power. */
    SIZE("power-and-size");

    private final String key;

    Kind(String key) {
      this.key = key;
    }

    /**
     * The name in files.
     *
     * @return such as "partial-table"
     */
    public String key() {
      return key;
    }
  }

  public Reckoning {
    typed = Collections.unmodifiableMap(new LinkedHashMap<>(typed));
  }
}
