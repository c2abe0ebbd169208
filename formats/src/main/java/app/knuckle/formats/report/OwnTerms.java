package app.knuckle.formats.report;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.words.Phrases;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * What procedures are called on a page, where a journal wants another word than Knuckle's.
 * Headings, sources, and names from the records keep theirs.
 *
 * @param words by procedure
 */
public record OwnTerms(Map<Procedure, String> words) {

  /** Knuckle's own. */
  public static final OwnTerms NONE = new OwnTerms(Map.of());

  private static final String KEY = "procedure ";

  public OwnTerms {
    Map<Procedure, String> own = new EnumMap<>(Procedure.class);
    own.putAll(words);
    own.values().removeIf(String::isBlank);
    words = Collections.unmodifiableMap(own);
  }

  /**
   * How they were kept.
   *
   * @param kept texts by name
   * @return none where nothing is said
   */
  static OwnTerms of(Map<String, String> kept) {
    Map<Procedure, String> own = new EnumMap<>(Procedure.class);
    for (Procedure procedure : Procedure.values()) {
      String word = kept.get(KEY + procedure.key());
      if (word != null) {
        own.put(procedure, word);
      }
    }
    return new OwnTerms(own);
  }

  /** As they are kept. */
  void into(Map<String, String> kept) {
    words.forEach((procedure, word) -> kept.put(KEY + procedure.key(), word));
  }

  /**
   * The same with another word for a procedure.
   *
   * @param procedure that is called otherwise
   * @param word for it; blank for Knuckle's
   * @return the changed terms
   */
  public OwnTerms called(Procedure procedure, String word) {
    Map<Procedure, String> changed = new EnumMap<>(Procedure.class);
    changed.putAll(words);
    changed.put(procedure, word.strip());
    return new OwnTerms(changed);
  }

  /** A block in these words. */
  Block applied(Block block, Page page) {
    if (words.isEmpty() || block instanceof Block.Heading || block.part() == Block.Part.SOURCES) {
      return block;
    }
    Block said = block.saying(KeptNames.around(block.words(), page.names(), this::text));
    return said instanceof Block.Table table
        ? table.with(table.rows(), KeptNames.around(table.note(), page.names(), this::text))
        : said;
  }

  /** The longer titles first, of which some hold a shorter one. */
  private String text(String text) {
    Map<String, String> byTitle =
        words.entrySet().stream()
            .collect(Collectors.toMap(e -> Phrases.title(e.getKey()), Map.Entry::getValue));
    String any =
        byTitle.keySet().stream()
            .sorted((a, b) -> b.length() - a.length())
            .map(Pattern::quote)
            .collect(Collectors.joining("|"));
    return Pattern.compile("(?<![\\p{L}\\d-])(?:" + any + ")(?![\\p{L}\\d-])")
        .matcher(text)
        .replaceAll(found -> Matcher.quoteReplacement(byTitle.get(found.group())));
  }
}
