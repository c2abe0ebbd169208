package app.knuckle.study.table;

import java.util.List;
import java.util.Optional;

/**
 * Records as read.
 *
 * @param name of the table, such as "rack-trial"
 * @param file the name of the file it was read from; empty when it was not
 * @param columns of equal length
 * @param howRead one line: "48 rows, 9 columns, comma, UTF-8"
 * @param makeBelieve whether they were made up to rehearse an experiment
 */
public record Table(
    String name, String file, List<Column> columns, String howRead, boolean makeBelieve) {

  /** What records that were made up are called wherever they go. */
  public static final String MAKE_BELIEVE = "make-believe";

  public Table {
    columns = List.copyOf(columns);
    if (columns.stream().mapToInt(Column::size).distinct().count() > 1) {
      throw new IllegalArgumentException("Columns of unequal length in " + name);
    }
  }

  /**
   * Records that were measured.
   *
   * @param name of the table, such as "rack-trial"
   * @param file the name of the file it was read from; empty when it was not
   * @param columns of equal length
   * @param howRead one line: "48 rows, 9 columns, comma, UTF-8"
   */
  public Table(String name, String file, List<Column> columns, String howRead) {
    this(name, file, columns, howRead, false);
  }

  /**
   * The same under another name.
   *
   * @param other the name
   * @return the records
   */
  public Table named(String other) {
    return new Table(other, file, columns, howRead, makeBelieve);
  }

  /** Rows of the table. */
  public int rows() {
    return columns.isEmpty() ? 0 : columns.get(0).size();
  }

  /**
   * A column by its name.
   *
   * @param column the exact name
   * @return empty if there is none
   */
  public Optional<Column> column(String column) {
    return columns.stream().filter(c -> c.name().equals(column)).findFirst();
  }

  /** What to call the table in a message: the file if there is one, else the name. */
  public String source() {
    return file.isEmpty() ? name : file;
  }
}
