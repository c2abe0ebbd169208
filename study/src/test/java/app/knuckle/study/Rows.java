package app.knuckle.study;

import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/** Tables of rows that are written out or made. */
public final class Rows {

  private Rows() {}

  /**
   * A table.
   *
   * @param lines the head, then the rows, cells parted by spaces; a dash is a missing cell
   * @return columns of numbers where every cell is one, else of categories in order of appearance
   */
  public static Table of(String... lines) {
    String[] names = lines[0].split(" ");
    List<String[]> rows = Arrays.stream(lines).skip(1).map(line -> line.split(" ")).toList();
    List<Column> columns = new ArrayList<>();
    for (int c = 0; c < names.length; c++) {
      int at = c;
      columns.add(column(names[c], rows.stream().map(row -> row[at]).toList()));
    }
    return new Table("rows", "", columns, "");
  }

  /**
   * A laid out design, with a made measurement last.
   *
   * @param head the names of its columns
   * @param rows their cells, of which each line is one row
   * @return the table, with a column y_mm
   */
  public static Table measured(String head, List<String> rows) {
    Random random = new Random(1);
    List<String> lines = new ArrayList<>(List.of(head + " y_mm"));
    rows.forEach(row -> lines.add(row + String.format(Locale.ROOT, " %.6f", random.nextDouble())));
    return of(lines.toArray(String[]::new));
  }

  private static Column column(String name, List<String> cells) {
    if (cells.stream().allMatch(cell -> cell.matches("-|-?\\d+(\\.\\d+)?([eE]-?\\d+)?"))) {
      return new Numbers(
          name,
          "",
          cells.stream()
              .mapToDouble(c -> c.equals("-") ? Double.NaN : Double.parseDouble(c))
              .toArray());
    }
    List<String> levels = cells.stream().filter(c -> !c.equals("-")).distinct().toList();
    return new Categories(
        name, "", cells.stream().mapToInt(levels::indexOf).toArray(), levels, false);
  }
}
