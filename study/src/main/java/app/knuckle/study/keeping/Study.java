package app.knuckle.study.keeping;

import app.knuckle.study.design.Inquiry;
import app.knuckle.study.table.Table;
import java.util.List;

/**
 * Tables and the inquiries put to them.
 *
 * @param name of the study, such as "Cove nursery 2026"
 * @param tables each with a name of its own
 * @param asked the inquiries, each with the name of its table
 */
public record Study(String name, List<Table> tables, List<Asked> asked) {

  public Study {
    tables = List.copyOf(tables);
    asked = List.copyOf(asked);
  }

  /**
   * An inquiry and the table it is put to.
   *
   * @param table its name
   * @param inquiry the question
   */
  public record Asked(String table, Inquiry inquiry) {}

  /**
   * A table by its name.
   *
   * @param table its name
   * @return the table
   * @throws IllegalArgumentException if there is none
   */
  public Table table(String table) {
    return tables.stream()
        .filter(t -> t.name().equals(table))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("No table " + table));
  }
}
