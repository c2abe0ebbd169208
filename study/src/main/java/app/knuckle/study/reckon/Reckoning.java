package app.knuckle.study.reckon;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A reckoning that is kept: what was typed, of which everything else follows.
 *
 * @param kind which of the reckonings
 * @param name under which it is found again
 * @param typed texts by the name of their field
 * @param said what followed, as it is taken away
 * @param inDocument whether it stands in the document of the study
 */
public record Reckoning(
    Kind kind, String name, Map<String, String> typed, Said said, boolean inDocument) {

  /**
   * What followed of what was typed.
   *
   * @param words a sentence or more; may be empty
   * @param table its heads, then its rows, all of one length; empty for none
   */
  public record Said(String words, List<List<String>> table) {

    /** Nothing is known of it. */
    public static final Said NOTHING = new Said("", List.of());

    public Said {
      table = table.stream().map(List::copyOf).toList();
    }
  }

  /** What is reckoned. */
  public enum Kind {
    /** An analysis of variance of which a part is known. */
    PARTIAL_TABLE("partial-table"),
    /** A tail of a distribution. */
    TAIL("tail"),
    /** Groups of which summaries are known. */
    SUMMARIES("from-summaries"),
    /** The size of a trial, or its power. */
    SIZE("power-and-size");

    private final String key;

    Kind(String key) {
      this.key = key;
    }

    /** The name in files, such as "partial-table". */
    public String key() {
      return key;
    }
  }

  public Reckoning {
    typed = Collections.unmodifiableMap(new LinkedHashMap<>(typed));
  }

  /**
   * The same in the document of the study, or not.
   *
   * @param yes whether it stands there
   * @return the reckoning
   */
  public Reckoning inDocument(boolean yes) {
    return new Reckoning(kind, name, typed, said, yes);
  }
}
