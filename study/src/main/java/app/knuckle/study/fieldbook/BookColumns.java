package app.knuckle.study.fieldbook;

import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.plan.PlanRecords;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Which columns of some records are those of a field book, though their heads may be written
 * otherwise: in other letters, without the unit, or in other words at the same place.
 */
final class BookColumns {

  /** Columns that tell where a plot lies; an answer may do without. */
  private static final Set<String> PLACES = Set.of("row", "column", "order");

  private final Plan plan;
  private final Table book;
  private final Map<String, Column> found = new LinkedHashMap<>();

  private BookColumns(Plan plan, Table book) {
    this.plan = plan;
    this.book = book;
  }

  static BookColumns of(Plan plan, Table table) {
    BookColumns columns = new BookColumns(plan, PlanRecords.book(plan, Arrangement.of(plan)));
    columns.match(table);
    return columns;
  }

  private void match(Table table) {
    List<Column> free = new ArrayList<>(table.columns());
    for (Column planned : book.columns()) {
      take(planned, table.column(planned.name()), free);
    }
    for (Column planned : book.columns()) {
      take(planned, alike(planned.name(), free), free);
    }
    List<Column> all = table.columns();
    if (all.size() != book.columns().size()) {
      return; // Places say nothing once columns came or went.
    }
    for (int c = 0; c < all.size(); c++) {
      Column there = all.get(c);
      take(book.columns().get(c), Optional.of(there).filter(free::contains), free);
    }
  }

  private void take(Column planned, Optional<Column> other, List<Column> free) {
    if (!found.containsKey(planned.name()) && other.isPresent()) {
      found.put(planned.name(), other.get());
      free.remove(other.get());
    }
  }

  private static Optional<Column> alike(String planned, List<Column> free) {
    List<Column> all = free.stream().filter(c -> bare(c.name()).equals(bare(planned))).toList();
    return all.size() == 1 ? Optional.of(all.get(0)) : Optional.empty();
  }

  /** A head without its unit, blanks and the case of its letters. */
  private static String bare(String name) {
    String letters =
        name.replaceAll("\\([^)]*\\)|\\[[^]]*]", "").replaceAll("[^\\p{L}\\p{N}]+", "");
    return letters.toLowerCase(Locale.ROOT);
  }

  /** The book as it went out, with nothing measured. */
  Table book() {
    return book;
  }

  /** The column that is one of the book. */
  Optional<Column> found(String planned) {
    return Optional.ofNullable(found.get(planned));
  }

  Optional<Column> plot() {
    return found(PlanRecords.PLOT);
  }

  /** Whether all treatments and something that was to be measured are there. */
  boolean hasAllNames() {
    return found.keySet().containsAll(plan.treatments().keySet())
        && plan.measured().stream().anyMatch(m -> found.containsKey(m.column()));
  }

  /** What is called otherwise, is not there, or is blank throughout. */
  List<String> differences() {
    List<String> said = new ArrayList<>();
    Set<String> toBeFilled =
        plan.measured().stream().map(Plan.Measured::column).collect(Collectors.toSet());
    for (Column planned : book.columns()) {
      String name = planned.name();
      Column now = found.get(name);
      boolean measured = toBeFilled.contains(name);
      if (now == null) {
        boolean needed = !PLACES.contains(name) || plan.layout() == Plan.Layout.LATIN_SQUARE;
        if (needed && !name.equals(PlanRecords.NOTES)) {
          said.add(Phrases.say("book.column.gone", Prose.named(name)));
        }
        continue;
      }
      if (!now.name().equals(name)) {
        said.add(Phrases.say("book.column.renamed", Prose.named(name), Prose.named(now.name())));
      }
      if (measured && now.missing() == now.size()) {
        said.add(Phrases.say("book.nothing.measured", Prose.named(now.name())));
      }
    }
    return said;
  }
}
