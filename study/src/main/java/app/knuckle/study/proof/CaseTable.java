package app.knuckle.study.proof;

import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;

/** The table of a reference case. */
final class CaseTable {

  private CaseTable() {}

  static Table of(JsonNode data) {
    List<Column> columns = new ArrayList<>();
    for (int c = 0; c < data.get("columns").size(); c++) {
      columns.add(column(data.get("columns").get(c), data.get("rows"), c));
    }
    return new Table("case", "", columns, "");
  }

  private static Column column(JsonNode column, JsonNode rows, int place) {
    String name = column.get("name").asText();
    if (column.get("kind").asText().equals("number")) {
      double[] values = new double[rows.size()];
      for (int r = 0; r < values.length; r++) {
        JsonNode cell = rows.get(r).get(place);
        values[r] = cell.isNull() ? Double.NaN : cell.asDouble();
      }
      return new Numbers(name, "", values);
    }
    List<String> levels = new ArrayList<>();
    column.get("levels").forEach(level -> levels.add(level.asText()));
    int[] codes = new int[rows.size()];
    for (int r = 0; r < codes.length; r++) {
      JsonNode cell = rows.get(r).get(place);
      codes[r] = cell.isNull() ? Categories.MISSING : levels.indexOf(cell.asText());
    }
    return new Categories(name, "", codes, levels, column.get("kind").asText().equals("ordered"));
  }
}
