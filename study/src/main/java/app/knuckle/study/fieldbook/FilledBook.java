package app.knuckle.study.fieldbook;

import app.knuckle.study.design.Following;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.plan.PlanRecords;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A field book that came back filled, known by its plot numbers. Columns whose heads were written
 * otherwise, and cells that were changed, are found and said.
 *
 * @param plan that it was made of
 * @param inquiry that the plan is asked, of the columns as they are called now; empty where a
 *     column that it needs is not there
 * @param differences from the plan, a sentence each without its full stop; empty where all is as
 *     planned
 */
public record FilledBook(Plan plan, Optional<Inquiry> inquiry, List<String> differences) {

  public FilledBook {
    differences = List.copyOf(differences);
  }

  /**
   * Whether records are the filled book of a plan, and where they differ from it.
   *
   * @param plan any
   * @param table records as read
   * @return empty if they have no plot numbers, or neither the columns of the plan nor, in half of
   *     the plots, what the plan has there
   */
  public static Optional<FilledBook> of(Plan plan, Table table) {
    BookColumns columns = BookColumns.of(plan, table);
    if (columns.plot().isEmpty()) {
      return Optional.empty();
    }
    BookCells cells = BookCells.of(columns);
    if (!columns.hasAllNames() && !cells.mostlyAgree()) {
      return Optional.empty();
    }
    List<String> said = new ArrayList<>(columns.differences());
    said.addAll(cells.differences());
    return Optional.of(new FilledBook(plan, inquiry(plan, columns), said));
  }

  private static Optional<Inquiry> inquiry(Plan plan, BookColumns columns) {
    List<Plan.Measured> measured =
        plan.measured().stream().filter(m -> columns.found(m.column()).isPresent()).toList();
    if (measured.isEmpty()) {
      return Optional.empty();
    }
    Inquiry inquiry = PlanRecords.inquiry(plan, measured.get(0));
    if (measured.stream().noneMatch(m -> m.covariate() != null)) {
      List<String> all = measured.stream().map(Plan.Measured::column).toList();
      inquiry = inquiry.but(d -> d.give(Part.MEASURED, all));
    }
    for (String planned : Part.columns(inquiry)) {
      Optional<Column> found = columns.found(planned);
      if (found.isEmpty()) {
        return Optional.empty();
      }
      inquiry = Following.renamed(inquiry, planned, found.get().name());
    }
    return Optional.of(inquiry);
  }
}
