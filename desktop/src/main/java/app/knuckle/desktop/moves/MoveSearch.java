package app.knuckle.desktop.moves;

import app.knuckle.study.table.Nearest;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/** Finds moves by what is typed: every word of it has to fit some word of the move. */
public final class MoveSearch {

  private static final int EXACT = 100;
  private static final int BEGINS = 80;
  private static final int WITHIN = 50;
  private static final int MISTYPED = 30;

  /** A word of the title counts more than one that people use beside it. */
  private static final int OF_TITLE = 8;

  /** What was done lately comes first among equals. */
  private static final int RECENT = 4;

  /** Shorter words have too many neighbours to forgive a mistake. */
  private static final int LEAST_FORGIVEN = 4;

  /** From this length on two mistakes are forgiven. */
  private static final int TWICE_FORGIVEN = 9;

  private final List<Entry> entries;

  private record Entry(Move move, String[] title, String[] words) {}

  /**
   * Over some moves.
   *
   * @param moves in the order in which they stand where nothing is typed
   */
  public MoveSearch(List<Move> moves) {
    entries =
        moves.stream()
            .map(
                m ->
                    new Entry(
                        m,
                        words(m.title()),
                        words(String.join(" ", m.words()) + " " + m.purpose())))
            .toList();
  }

  /**
   * The moves that fit.
   *
   * @param typed by the user
   * @param recent ids of moves done lately, the last one first
   * @return the best first; all, recent ones first, where nothing is typed
   */
  public List<Move> find(String typed, List<String> recent) {
    String[] asked = words(typed);
    record Hit(Move move, int score, int place) {}

    List<Hit> hits = new ArrayList<>();
    for (int i = 0; i < entries.size(); i++) {
      Entry entry = entries.get(i);
      int score = score(entry, asked);
      if (score > 0 || asked.length == 0) {
        int lately = recent.indexOf(entry.move().id());
        hits.add(
            new Hit(
                entry.move(),
                score
                    + (lately >= 0 ? RECENT + (asked.length == 0 ? recent.size() - lately : 0) : 0)
                    + (entry.move().isPossible() ? 1 : 0),
                i));
      }
    }
    hits.sort(Comparator.comparingInt(Hit::score).reversed().thenComparingInt(Hit::place));
    return hits.stream().map(Hit::move).toList();
  }

  /** 0 if some word fits nowhere. */
  private static int score(Entry entry, String[] asked) {
    int sum = 0;
    for (String word : asked) {
      int best = Math.max(best(word, entry.title, OF_TITLE), best(word, entry.words, 0));
      if (best == 0) {
        return 0;
      }
      sum += best;
    }
    // Among equals the shorter title says more exactly what was meant.
    return asked.length == 0 ? 0 : sum * 10 / asked.length - entry.title.length;
  }

  private static int best(String word, String[] among, int more) {
    int best = 0;
    for (String own : among) {
      int fit = fit(word, own);
      best = fit > 0 ? Math.max(best, fit + more) : best;
    }
    return best;
  }

  private static int fit(String word, String own) {
    if (own.equals(word)) {
      return EXACT;
    }
    if (own.startsWith(word)) {
      return BEGINS;
    }
    if (word.length() > 2 && own.contains(word)) {
      return WITHIN;
    }
    if (word.length() < LEAST_FORGIVEN) {
      return 0;
    }
    int forgiven = word.length() < TWICE_FORGIVEN ? 1 : 2;
    // A word that is still being typed is held against as much of the other.
    String begun = own.length() > word.length() + 1 ? own.substring(0, word.length()) : own;
    return own.charAt(0) == word.charAt(0) && Nearest.distance(word, begun) <= forgiven
        ? MISTYPED
        : 0;
  }

  private static String[] words(String text) {
    return Arrays.stream(text.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}\u00b2]+"))
        .filter(word -> !word.isEmpty())
        .toArray(String[]::new);
  }
}
