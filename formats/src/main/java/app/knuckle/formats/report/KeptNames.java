package app.knuckle.formats.report;

import java.util.Collection;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Texts that are changed but for the names in them. */
final class KeptNames {

  private KeptNames() {}

  /**
   * A text with everything changed that is no name.
   *
   * @param text with names from the records in it
   * @param names that stay; where one holds another, the longer one is found
   * @param change of what stands between them
   * @return the changed text
   */
  static String around(String text, Collection<String> names, UnaryOperator<String> change) {
    String kept =
        names.stream()
            .sorted((a, b) -> b.length() - a.length())
            .map(Pattern::quote)
            .collect(Collectors.joining("|"));
    if (kept.isEmpty()) {
      return change.apply(text);
    }
    Matcher name =
        Pattern.compile("(?<![\\p{L}\\d.\u2212])(" + kept + ")(?![\\p{L}\\d]|\\.\\d)")
            .matcher(text);
    StringBuilder out = new StringBuilder();
    int from = 0;
    while (name.find()) {
      out.append(change.apply(text.substring(from, name.start()))).append(name.group());
      from = name.end();
    }
    return out.append(change.apply(text.substring(from))).toString();
  }
}
