package app.knuckle.desktop.reckoner;

import app.knuckle.study.design.Questions;
import app.knuckle.study.reckon.KnownTable;
import app.knuckle.study.reckon.KnownTable.Entry;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * What follows from a part of the table of an analysis.
 *
 * @param follows texts of entries that were not typed; p under no entry
 * @param p of the effect; empty if it does not follow
 * @param wrong entries that contradict the others
 * @param words in sentences
 */
record TableAnswer(Map<Entry, String> follows, String p, Set<Entry> wrong, String words) {

  static final String ALPHA = "alpha";

  static TableAnswer of(Map<String, String> typed) {
    Map<Entry, Double> known = new EnumMap<>(Entry.class);
    for (Entry entry : Entry.values()) {
      OptionalDouble value = Typed.number(typed, entry.name());
      if (value.isPresent() && value.getAsDouble() > 0) {
        known.put(entry, value.getAsDouble());
      }
    }
    double alpha = Typed.number(typed, ALPHA, Questions.USUAL_ALPHA);
    if (!(alpha > 0 && alpha < 1)) {
      return new TableAnswer(
          Map.of(), "", Set.of(), "The level of significance lies between 0 and 1.");
    }
    KnownTable table = KnownTable.of(known, alpha);
    Map<Entry, String> follows = new EnumMap<>(Entry.class);
    for (Entry entry : Entry.values()) {
      if (!known.containsKey(entry)) {
        follows.put(entry, Typed.shown(table.value(entry)));
      }
    }
    Set<Entry> wrong = EnumSet.noneOf(Entry.class);
    table.contradictions().forEach(c -> wrong.add(c.entry()));
    return new TableAnswer(
        follows,
        table.table().p().exists() ? Numerals.p(table.table().p()) : "",
        wrong,
        words(table, alpha));
  }

  private static String words(KnownTable table, double alpha) {
    if (table.known().isEmpty()) {
      return "Type what is known of the table; what follows is filled in.";
    }
    if (!table.contradictions().isEmpty()) {
      KnownTable.Contradiction first = table.contradictions().get(0);
      return Prose.capital(first.entry().title())
          + " would be "
          + Typed.shown(first.follows())
          + " by the other entries, not "
          + Typed.shown(table.known().get(first.entry()))
          + ": at least one of them is wrong.";
    }
    if (!table.table().f().exists()) {
      List<String> lacking = table.lacking().stream().map(Entry::title).toList();
      return "Not known yet: " + Numerals.list(lacking) + ".";
    }
    String ratio = "The signal is " + Numerals.fixed(table.value(Entry.F), 2) + " times the noise";
    if (!table.table().p().exists()) {
      List<String> lacking = table.lacking().stream().map(Entry::title).toList();
      return ratio + ". Not known yet: " + Numerals.list(lacking) + ".";
    }
    boolean more = table.table().p().value() <= alpha;
    return ratio
        + (more ? ", more than chance would give (" : ", no more than chance may give (")
        + Numerals.pStatement(table.table().p())
        + ")."
        + (table.table().criticalF().exists()
            ? " F had to reach " + Numerals.fixed(table.table().criticalF(), 2) + "."
            : "");
  }
}
