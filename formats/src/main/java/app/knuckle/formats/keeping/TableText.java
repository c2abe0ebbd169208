package app.knuckle.formats.keeping;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Numbers;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** A table's cells as CSV, in UTF-8; its columns are described in study.json. */
final class TableText {

  private static final int ROWS_PER_LOOK = 1 << 12;

  private static final int FIRST_ROWS = 1 << 10;

  private TableText() {}

  /** A column without its cells. */
  record Head(String name, String unit, String kind, List<String> levels) {

    static Head of(Column column) {
      if (column instanceof Categories c) {
        return new Head(c.name(), c.unit(), c.ordered() ? "ordered" : "category", c.levels());
      }
      return new Head(column.name(), column.unit(), "number", List.of());
    }

    void write(ArrayNode heads) {
      ObjectNode node = heads.addObject();
      node.put("name", name).put("unit", unit).put("kind", kind);
      if (!"number".equals(kind)) {
        ArrayNode array = node.putArray("levels");
        levels.forEach(array::add);
      }
    }
  }

  static void write(List<Column> columns, OutputStream out, Progress progress) throws IOException {
    Writer writer = new OutputStreamWriter(out, StandardCharsets.UTF_8);
    CsvWriter csv = CsvWriter.builder().build(writer);
    csv.writeRecord(columns.stream().map(Column::name).toList());
    int rows = columns.isEmpty() ? 0 : columns.get(0).size();
    String[] cells = new String[columns.size()];
    for (int row = 0; row < rows; row++) {
      if (row % ROWS_PER_LOOK == 0) {
        progress.check();
        progress.done((double) row / rows);
      }
      for (int c = 0; c < cells.length; c++) {
        cells[c] = columns.get(c).text(row);
      }
      csv.writeRecord(cells);
    }
    csv.flush();
    writer.flush();
  }

  /** Reads the cells of known columns. */
  static List<Column> read(String part, List<Head> heads, int rows, InputStream in)
      throws IOException {
    List<Filling> fillings = heads.stream().map(head -> new Filling(head, rows)).toList();
    int row = -1;
    try (CsvReader<CsvRecord> csv =
        CsvReader.builder()
            .skipEmptyLines(false)
            .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
            .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
            .ofCsvRecord(new InputStreamReader(in, StandardCharsets.UTF_8))) {
      for (CsvRecord cells : csv) {
        if (row >= 0 && row < rows) {
          if (cells.getFieldCount() != heads.size()) {
            throw wrong(part, row, "it has " + cells.getFieldCount() + " cells");
          }
          for (int c = 0; c < heads.size(); c++) {
            fillings.get(c).put(part, row, cells.getField(c));
          }
        }
        row++;
      }
    } catch (CsvParseException | UncheckedIOException e) {
      throw new Refused(wrong(part, Math.max(0, row), "it cannot be read").refusal(), e);
    }
    if (row != rows) {
      throw wrong(part, row, "there are " + Math.max(0, row) + " rows where " + rows + " belong");
    }
    return fillings.stream().map(Filling::column).toList();
  }

  private static Refused wrong(String part, int row, String what) {
    return Refused.at(
        new Place.Cell(part, row + 1L, ""), what, "Undo what was changed in the study by hand");
  }

  /** A column on its way in. */
  private static final class Filling {
    private final Head head;
    private final boolean number;
    private double[] numbers;
    private int[] codes;
    private int filled;
    private final Map<String, Integer> codeOf = new HashMap<>();

    Filling(Head head, int rows) {
      this.head = head;
      number = "number".equals(head.kind());
      // What a file says of its rows is believed as they come.
      int first = Math.min(rows, FIRST_ROWS);
      numbers = new double[number ? first : 0];
      codes = new int[number ? 0 : first];
      for (String level : head.levels()) {
        codeOf.put(level, codeOf.size());
      }
    }

    void put(String part, int row, String cell) {
      filled = row + 1;
      if (number) {
        if (row == numbers.length) {
          numbers = Arrays.copyOf(numbers, 2 * row);
        }
        numbers[row] = NumberText.parse(cell, false);
        if (Double.isNaN(numbers[row]) && !cell.isEmpty()) {
          throw wrong(part, row, "'" + cell + "' is no number of " + head.name());
        }
      } else {
        if (row == codes.length) {
          codes = Arrays.copyOf(codes, 2 * row);
        }
        codes[row] = cell.isEmpty() ? Categories.MISSING : codeOf.getOrDefault(cell, -2);
        if (codes[row] < Categories.MISSING) {
          throw wrong(part, row, "'" + cell + "' is no level of " + head.name());
        }
      }
    }

    Column column() {
      return number
          ? new Numbers(head.name(), head.unit(), Arrays.copyOf(numbers, filled))
          : new Categories(
              head.name(),
              head.unit(),
              Arrays.copyOf(codes, filled),
              new ArrayList<>(head.levels()),
              "ordered".equals(head.kind()));
    }
  }

  /** The kinds that a head may have. */
  static List<String> kinds() {
    return Arrays.asList("number", "category", "ordered");
  }
}
