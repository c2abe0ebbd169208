package app.knuckle.formats.records;

import app.knuckle.formats.keeping.SafeFile;
import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Prose;
import com.github.miachm.sods.Sheet;
import com.github.miachm.sods.SpreadSheet;
import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** Writes prepared records, the rows in play only: .csv, .tsv, .xlsx or .ods by the name. */
public final class RecordsWriter {

  /** Rows that a sheet can hold. */
  private static final int MOST_SHEET_ROWS = (1 << 20) - 1;

  /** The library for .ods holds every cell as an object; more cells than this fill the memory. */
  private static final int MOST_ODS_CELLS = 2_000_000;

  private static final int ROWS_PER_LOOK = 1 << 10;

  private RecordsWriter() {}

  /**
   * Writes the rows in play.
   *
   * @param frame the prepared records
   * @param file where; its ending says how
   * @param progress told the share written; may stop it
   * @throws Refused if the ending is not known, the sheet would be too large, or it cannot be
   *     written
   */
  public static void write(Frame frame, Path file, Progress progress) {
    String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
    Place where = new Place.WholeFile(file.getFileName().toString());
    int[] rows = IntStream.range(0, frame.rows()).filter(frame::inPlay).toArray();
    boolean sheet = name.endsWith(".xlsx") || name.endsWith(".ods");
    boolean tooLarge =
        rows.length > MOST_SHEET_ROWS
            || name.endsWith(".ods")
                && (long) rows.length * frame.columns().size() > MOST_ODS_CELLS;
    if (sheet && tooLarge) {
      throw Refused.at(where, "the records are too many for a sheet", "Write them as .csv");
    }
    List<Column> columns = frame.columns();
    SafeFile.Content content;
    if (name.endsWith(".xlsx")) {
      content = out -> xlsx(columns, rows, out, progress);
    } else if (name.endsWith(".ods")) {
      content = out -> ods(columns, rows, out, progress);
    } else if (name.endsWith(".csv") || name.endsWith(".tsv")) {
      content = out -> text(columns, rows, out, name.endsWith(".tsv") ? '\t' : ',', progress);
    } else {
      throw Refused.at(
          where, "the ending does not say how to write it", "Use .csv, .tsv, .xlsx or .ods");
    }
    SafeFile.writeChosen(file, content);
  }

  private static void look(int i, int rows, Progress progress) {
    if (i % ROWS_PER_LOOK == 0) {
      progress.check();
      progress.done((double) i / rows);
    }
  }

  private static void text(
      List<Column> columns, int[] rows, OutputStream out, char delimiter, Progress progress)
      throws IOException {
    try (CsvWriter csv =
        CsvWriter.builder().fieldSeparator(delimiter).build(out, StandardCharsets.UTF_8)) {
      csv.writeRecord(columns.stream().map(c -> SpreadsheetText.written(c.name())).toList());
      for (int i = 0; i < rows.length; i++) {
        look(i, rows.length, progress);
        int row = rows[i];
        csv.writeRecord(
            columns.stream()
                .map(c -> c instanceof Numbers ? c.text(row) : SpreadsheetText.written(c.text(row)))
                .toList());
      }
    }
  }

  private static void xlsx(List<Column> columns, int[] rows, OutputStream out, Progress progress)
      throws IOException {
    try (Workbook book = new Workbook(out, "Knuckle", null)) {
      Worksheet sheet = book.newWorksheet("records");
      for (int c = 0; c < columns.size(); c++) {
        sheet.value(0, c, columns.get(c).name());
      }
      for (int i = 0; i < rows.length; i++) {
        look(i, rows.length, progress);
        for (int c = 0; c < columns.size(); c++) {
          Column column = columns.get(c);
          if (column.isMissing(rows[i])) {
            continue;
          }
          // A string cell is never run as a formula, whatever it begins with.
          if (column instanceof Numbers numbers) {
            sheet.value(i + 1, c, numbers.value(rows[i]));
          } else {
            sheet.value(i + 1, c, column.text(rows[i]));
          }
        }
      }
    }
  }

  private static void ods(List<Column> columns, int[] rows, OutputStream out, Progress progress)
      throws IOException {
    Sheet sheet = new Sheet("records", rows.length + 1, columns.size());
    for (int c = 0; c < columns.size(); c++) {
      Column column = columns.get(c);
      Object[][] cells = new Object[rows.length + 1][1];
      cells[0][0] = Prose.visible(column.name());
      for (int i = 0; i < rows.length; i++) {
        look(i, rows.length, progress);
        cells[i + 1][0] = cell(column, rows[i]);
      }
      sheet.getRange(0, c, rows.length + 1, 1).setValues(cells);
    }
    SpreadSheet book = new SpreadSheet();
    book.appendSheet(sheet);
    book.save(out);
  }

  private static Object cell(Column column, int row) {
    if (column.isMissing(row)) {
      return null;
    }
    return column instanceof Numbers numbers
        ? (Object) numbers.value(row)
        : Prose.visible(((Categories) column).text(row));
  }
}
