package app.knuckle.study.keeping;

import app.knuckle.study.design.Inquiry;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.reckon.Reckoning;
import app.knuckle.study.table.Table;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Tables and the inquiries put to them, and trials that are planned.
 *
 * @param name of the study, such as "Cove nursery 2026"
 * @param tables each with a name of its own
 * @param asked the inquiries, each with the name of its table
 * @param plans of trials
 * @param reckonings without records
 */
public record Study(
    String name,
    List<Kept> tables,
    List<Asked> asked,
    List<Plan> plans,
    List<Reckoning> reckonings) {

  public Study {
    tables = List.copyOf(tables);
    asked = List.copyOf(asked);
    plans = List.copyOf(plans);
    reckonings = List.copyOf(reckonings);
  }

  /**
   * A study without plans and reckonings.
   *
   * @param name of the study
   * @param tables each with a name of its own
   * @param asked the inquiries, each with the name of its table
   */
  public Study(String name, List<Kept> tables, List<Asked> asked) {
    this(name, tables, asked, List.of(), List.of());
  }

  /**
   * A table and where it came from.
   *
   * @param table the records as read
   * @param path of the file they were read from; empty when there is none
   * @param form how that file is written; empty when it is not known
   */
  public record Kept(Table table, String path, Map<String, String> form) {
    public Kept {
      form = inOrder(form);
    }
  }

  /**
   * An inquiry and the table it is put to.
   *
   * @param table its name
   * @param inquiry the question
   * @param figure how its figure is shown, names and values; empty for the usual style
   * @param page which parts stand on its page, "yes" or "no", where that is not as usual
   */
  public record Asked(
      String table, Inquiry inquiry, Map<String, String> figure, Map<String, String> page) {
    public Asked {
      figure = inOrder(figure);
      page = inOrder(page);
    }

    /**
     * An inquiry whose page is as usual.
     *
     * @param table its name
     * @param inquiry the question
     * @param figure how its figure is shown, names and values; empty for the usual style
     */
    public Asked(String table, Inquiry inquiry, Map<String, String> figure) {
      this(table, inquiry, figure, Map.of());
    }
  }

  /**
   * A table by its name.
   *
   * @param table its name
   * @return the table
   * @throws IllegalArgumentException if there is none
   */
  public Table table(String table) {
    return tables.stream()
        .map(Kept::table)
        .filter(t -> t.name().equals(table))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("No table " + table));
  }

  /** A copy that keeps its order, so that a study is written the same each time. */
  private static Map<String, String> inOrder(Map<String, String> map) {
    return Collections.unmodifiableMap(new LinkedHashMap<>(map));
  }
}
