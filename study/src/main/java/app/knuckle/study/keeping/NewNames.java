package app.knuckle.study.keeping;

import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.prep.Rename;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Nearest;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Columns that questions ask for and new records do not have by that name.
 *
 * @param fresh the new records
 * @param missing one a column, in the order of the old records
 */
public record NewNames(Table fresh, List<Missing> missing) {

  public NewNames {
    missing = List.copyOf(missing);
  }

  /**
   * A column of the old records.
   *
   * @param column its name
   * @param unit its unit; empty for none
   * @param fitting columns of the new records that it may be, which no other name claims: of the
   *     same kind first, then the nearest name
   * @param nearest what it probably is called now; empty where no name is near
   */
  public record Missing(
      String column, String unit, List<String> fitting, Optional<String> nearest) {}

  /**
   * What is missing.
   *
   * @param questions about the old records
   * @param old the records that they were put to
   * @param fresh the records that they are to be put to
   * @return nothing where every column is there that a question or a step of its trail asks for
   */
  public static NewNames of(List<Inquiry> questions, Table old, Table fresh) {
    Set<String> asked = new LinkedHashSet<>();
    for (Inquiry inquiry : questions) {
      asked.addAll(Part.columns(inquiry));
      inquiry.prepare().stream().filter(s -> !s.off()).forEach(s -> asked.addAll(s.reads()));
    }
    Set<String> known = names(old);
    Set<String> there = names(fresh);
    List<Column> free = fresh.columns().stream().filter(c -> !known.contains(c.name())).toList();
    return new NewNames(
        fresh,
        old.columns().stream()
            .filter(column -> asked.contains(column.name()))
            .filter(column -> !there.contains(column.name()))
            .map(column -> missing(column, free))
            .toList());
  }

  private static Set<String> names(Table table) {
    Set<String> names = new LinkedHashSet<>();
    table.columns().forEach(column -> names.add(column.name()));
    return names;
  }

  private static Missing missing(Column old, List<Column> free) {
    boolean number = old instanceof Numbers;
    List<String> fitting =
        free.stream()
            .sorted(
                Comparator.comparing((Column c) -> c instanceof Numbers != number)
                    .thenComparingInt(c -> Nearest.distance(c.name(), old.name())))
            .map(Column::name)
            .toList();
    List<String> alike =
        free.stream().filter(c -> c instanceof Numbers == number).map(Column::name).toList();
    return new Missing(old.name(), old.unit(), fitting, Nearest.of(old.name(), alike));
  }

  /**
   * Steps that give the columns the names, and if they have none the units, that they had.
   *
   * @param chosen what a column is called in the new records, by its old name; what is not there is
   *     left away
   * @return steps for the beginning of a trail
   */
  public List<Step> steps(Map<String, String> chosen) {
    List<Step> steps = new ArrayList<>();
    for (Missing was : missing) {
      String now = chosen.get(was.column);
      if (now != null) {
        boolean bare =
            fresh.columns().stream().anyMatch(c -> c.name().equals(now) && c.unit().isEmpty());
        steps.add(
            new Rename(now, was.column, bare && !was.unit.isEmpty() ? was.unit : null, false));
      }
    }
    return steps;
  }
}
