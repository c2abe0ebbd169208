package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Nearest;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/** What steps do with the levels of a column. */
final class Levels {

  private Levels() {}

  /** A column as categories: its own levels, or its numbers as texts in ascending order. */
  static Categories of(Column column, boolean ordered) {
    Categories found = column.categories();
    return found.ordered() == ordered
        ? found
        : new Categories(found.name(), found.unit(), found.codes(), found.levels(), ordered);
  }

  /** The column with every level renamed; levels that get the same name become one. */
  static Categories renamed(Categories column, UnaryOperator<String> rule) {
    Map<String, Integer> merged = new LinkedHashMap<>();
    int[] to = new int[column.levels().size()];
    for (int level = 0; level < to.length; level++) {
      String name = rule.apply(column.levels().get(level));
      to[level] = merged.computeIfAbsent(name, key -> merged.size());
    }
    return recoded(column, to, new ArrayList<>(merged.keySet()), column.ordered());
  }

  /** The column with code {@code to[c]} in place of c. */
  static Categories recoded(Categories column, int[] to, List<String> levels, boolean ordered) {
    int[] codes = new int[column.size()];
    for (int i = 0; i < codes.length; i++) {
      int code = column.code(i);
      codes[i] = code == Categories.MISSING ? code : to[code];
    }
    return new Categories(column.name(), column.unit(), codes, levels, ordered);
  }

  /** The categories that a step names, with the levels it names. */
  static Categories named(Frame frame, String column, Iterable<String> levels) {
    Categories categories = of(frame.column(column), isOrdered(frame.column(column)));
    for (String level : levels) {
      if (!categories.levels().contains(level)) {
        throw Refused.at(
            new Place.WholeColumn(frame.source(), column),
            say("refused.no-level", level),
            Nearest.suggestion(level, categories.levels()));
      }
    }
    return categories;
  }

  private static boolean isOrdered(Column column) {
    return column instanceof Categories categories && categories.ordered();
  }

  /** Levels in quotation marks, joined: "'Fine ' and 'fine'". */
  static String quoted(List<String> levels) {
    List<String> q = levels.stream().map(l -> "'" + l + "'").toList();
    return Numerals.list(q);
  }
}
