package app.knuckle.study.table;

import java.util.Collection;
import java.util.Comparator;
import java.util.Locale;
import java.util.Optional;

/** The known name that an unknown one was probably meant to be. */
public final class Nearest {

  private Nearest() {}

  /**
   * The nearest known name, if one is near at all.
   *
   * @param name the unknown one
   * @param known the known ones
   * @return empty if more than half of the letters would have to change
   */
  public static Optional<String> of(String name, Collection<String> known) {
    return known.stream()
        .filter(k -> (long) name.length() * k.length() <= MOST_COMPARED)
        .min(Comparator.comparingInt(k -> distance(name, k)))
        .filter(k -> distance(name, k) <= Math.max(2, Math.max(name.length(), k.length()) / 2));
  }

  /**
   * A way on that names the nearest, or else all known names.
   *
   * @param name the unknown one
   * @param known the known ones
   * @return a sentence without its full stop
   */
  public static String suggestion(String name, Collection<String> known) {
    return of(name, known)
        .map(k -> "The nearest known name is '" + k + "'")
        .orElseGet(() -> list(known));
  }

  private static String list(Collection<String> known) {
    if (known.isEmpty()) {
      return "None are known here";
    }
    String first = String.join(", ", known.stream().limit(MOST_NAMED).toList());
    int more = known.size() - MOST_NAMED;
    return "Known are " + first + (more > 0 ? " and " + more + " more" : "");
  }

  /** More names than these are not read. */
  private static final int MOST_NAMED = 30;

  /** Products of lengths beyond which two texts are not held against each other. */
  private static final long MOST_COMPARED = 1_000_000;

  /**
   * How different two names are.
   *
   * @param a a name
   * @param b another
   * @return letters to insert, remove or change (Levenshtein 1966), capitals ignored
   */
  public static int distance(String a, String b) {
    String x = a.toLowerCase(Locale.ROOT);
    String y = b.toLowerCase(Locale.ROOT);
    int[] row = new int[y.length() + 1];
    for (int j = 0; j <= y.length(); j++) {
      row[j] = j;
    }
    for (int i = 1; i <= x.length(); i++) {
      int diagonal = row[0];
      row[0] = i;
      for (int j = 1; j <= y.length(); j++) {
        int change = diagonal + (x.charAt(i - 1) == y.charAt(j - 1) ? 0 : 1);
        diagonal = row[j];
        row[j] = Math.min(change, 1 + Math.min(row[j], row[j - 1]));
      }
    }
    return row[y.length()];
  }
}
