package app.knuckle.study.fieldbook;

import app.knuckle.study.plan.PlanRecords;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** Holds the cells of a field book that came back against what the plan has in each plot. */
final class BookCells {

  /** More than these are counted, not told one by one. */
  private static final int TOLD = 5;

  /** A column that differs in more plots than this has one sentence. */
  private static final int TOLD_OF_A_COLUMN = 3;

  private final BookColumns columns;
  private final List<String> rows = new ArrayList<>();
  private final Map<String, Map<Integer, String>> changed = new LinkedHashMap<>();
  private final SortedSet<Integer> missing = new TreeSet<>();
  private int known;
  private int agreeing;

  private BookCells(BookColumns columns) {
    this.columns = columns;
  }

  static BookCells of(BookColumns columns) {
    BookCells cells = new BookCells(columns);
    cells.read();
    return cells;
  }

  private void read() {
    Column numbers = columns.plot().orElseThrow();
    Column planned = columns.book().column(PlanRecords.PLOT).orElseThrow();
    Map<Double, Integer> rowOf = new TreeMap<>();
    for (int row = 0; row < planned.size(); row++) {
      double number = number(planned.text(row));
      rowOf.put(number, row);
      missing.add((int) number);
    }
    Map<Integer, Integer> seen = new TreeMap<>();
    for (int row = 0; row < numbers.size(); row++) {
      String written = numbers.text(row);
      Integer at = numbers.isMissing(row) ? null : rowOf.get(number(written));
      if (at == null) {
        rows.add(
            numbers.isMissing(row)
                ? Phrases.say("book.row.blank", String.valueOf(row + 1))
                : Phrases.say("book.row.unknown", String.valueOf(row + 1), Prose.named(written)));
        continue;
      }
      int plot = (int) number(written);
      Integer before = seen.put(plot, row + 1);
      missing.remove(plot);
      if (before != null) {
        rows.add(
            Phrases.say(
                "book.row.twice",
                String.valueOf(plot),
                String.valueOf(before),
                String.valueOf(row + 1)));
      }
      compare(plot, at, row);
    }
  }

  private void compare(int plot, int planned, int row) {
    boolean same = true;
    for (Column column : columns.book().columns()) {
      // What was to be filled in is blank in the plan.
      Column now = columns.found(column.name()).orElse(null);
      if (now == null || column.isMissing(planned)) {
        continue;
      }
      if (now.isMissing(row) || !isSame(now.text(row), column.text(planned))) {
        same = false;
        String is = now.isMissing(row) ? Phrases.say("book.blank") : Prose.named(now.text(row));
        String said =
            Phrases.say(
                "book.cell",
                String.valueOf(plot),
                Prose.named(now.name()),
                is,
                Prose.named(column.text(planned)));
        changed.computeIfAbsent(now.name(), c -> new TreeMap<>()).put(plot, said);
      }
    }
    known++;
    agreeing += same ? 1 : 0;
  }

  /** Whether at least half of the rows are plots of the plan, as planned. */
  boolean mostlyAgree() {
    return agreeing > 0 && 2 * agreeing >= known + rows.size();
  }

  List<String> differences() {
    List<String> said = new ArrayList<>(rows);
    changed.forEach(
        (column, plots) -> {
          if (plots.size() <= TOLD_OF_A_COLUMN) {
            said.addAll(plots.values());
          } else {
            said.add(
                Phrases.say("book.column.differs", Prose.named(column), listed(plots.keySet())));
          }
        });
    if (!missing.isEmpty()) {
      String key = missing.size() == 1 ? "book.missing.one" : "book.missing.other";
      said.add(Phrases.say(key, listed(missing)));
    }
    return shortened(said);
  }

  private static String listed(Iterable<Integer> plots) {
    List<Integer> all = new ArrayList<>();
    plots.forEach(all::add);
    String told = all.stream().limit(TOLD).map(String::valueOf).collect(Collectors.joining(", "));
    int more = all.size() - TOLD;
    return more > 0 ? Phrases.say("book.more", told, String.valueOf(more)) : told;
  }

  private static List<String> shortened(List<String> said) {
    if (said.size() <= TOLD + 1) {
      return said;
    }
    List<String> some = new ArrayList<>(said.subList(0, TOLD));
    some.add(Phrases.say("book.further", String.valueOf(said.size() - TOLD)));
    return some;
  }

  private static double number(String text) {
    return NumberText.parse(text, false);
  }

  /** Levels that look like numbers may come back written otherwise. */
  private static boolean isSame(String found, String planned) {
    return found.strip().equals(planned.strip()) || number(found) == number(planned);
  }
}
