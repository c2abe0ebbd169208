package app.knuckle.formats.records;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Table;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Iterator;
import java.util.List;
import java.util.stream.Stream;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ExcelReaderException;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;

/** Reads a sheet of an .xlsx workbook. */
final class WorkbookReader {

  private static final int ROWS_PER_LOOK = 1 << 10;
  private static final int ROWS_TO_GUESS = 20;

  private WorkbookReader() {}

  static FileForm.Workbook guess(Path file) throws IOException {
    return with(
        file,
        book -> {
          List<Sheet> sheets = book.getSheets().toList();
          if (sheets.isEmpty()) {
            throw Refused.at(place(file), "the workbook has no sheet", "Choose another file");
          }
          List<List<String>> rows = rows(sheets.get(0), ROWS_TO_GUESS);
          return new FileForm.Workbook(
              sheets.stream().map(Sheet::getName).toList(),
              sheets.get(0).getName(),
              TextGuess.hasHeader(rows, false));
        });
  }

  static List<List<String>> preview(Path file, FileForm.Workbook form, int rows)
      throws IOException {
    return with(file, book -> rows(sheet(file, book, form), rows));
  }

  static Table read(Path file, FileForm.Workbook form, Progress progress) throws IOException {
    TableBuilder builder = new TableBuilder(file, form);
    do {
      with(file, book -> pass(file, sheet(file, book, form), builder, progress));
    } while (builder.needsAnotherPass());
    return builder.table();
  }

  private static Void pass(Path file, Sheet sheet, TableBuilder builder, Progress progress) {
    try (Stream<Row> rows = sheet.openStream()) {
      Iterator<Row> each = rows.iterator();
      int width = 0;
      int count = 0;
      while (each.hasNext()) {
        List<String> cells = cells(each.next());
        if (cells.stream().allMatch(String::isBlank)) {
          continue;
        }
        if (count == 0) {
          width = cells.size();
          builder.start(cells);
        } else {
          // A sheet leaves out the blank cells at the end of a row.
          List<String> full = new ArrayList<>(cells);
          full.addAll(Collections.nCopies(Math.max(0, width - cells.size()), ""));
          builder.add(full);
        }
        if (++count % ROWS_PER_LOOK == 0) {
          progress.check();
        }
      }
      if (count == 0) {
        throw Refused.at(
            place(file), "the sheet " + sheet.getName() + " is empty", "Choose another sheet");
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    builder.end();
    return null;
  }

  private static Sheet sheet(Path file, ReadableWorkbook book, FileForm.Workbook form) {
    return book.findSheet(form.sheet())
        .orElseThrow(
            () ->
                Refused.at(
                    place(file),
                    "there is no sheet '" + form.sheet() + "'",
                    "The sheets are " + String.join(", ", form.sheets())));
  }

  private static List<List<String>> rows(Sheet sheet, int most) {
    try (Stream<Row> rows = sheet.openStream()) {
      return rows.map(WorkbookReader::cells)
          .filter(cells -> !cells.stream().allMatch(String::isBlank))
          .limit(most)
          .toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static List<String> cells(Row row) {
    List<String> cells = new ArrayList<>();
    for (int c = 0; c < row.getCellCount(); c++) {
      cells.add(text(row.getCell(c)));
    }
    while (!cells.isEmpty() && cells.get(cells.size() - 1).isBlank()) {
      cells.remove(cells.size() - 1);
    }
    return cells;
  }

  private static String text(Cell cell) {
    if (cell == null || cell.getType() == CellType.EMPTY || cell.getType() == CellType.ERROR) {
      return "";
    }
    if (cell.getType() == CellType.NUMBER) {
      return app.knuckle.study.table.Numbers.text(cell.asNumber().doubleValue());
    }
    Object value = cell.getValue();
    return value == null ? "" : value.toString();
  }

  private interface Use<T> {
    T of(ReadableWorkbook book) throws IOException;
  }

  private static <T> T with(Path file, Use<T> use) throws IOException {
    try (ReadableWorkbook book = new ReadableWorkbook(file.toFile())) {
      return use.of(book);
    } catch (ExcelReaderException | UncheckedIOException | IOException e) {
      throw new Refused(
          Refused.at(
                  place(file),
                  "the workbook is broken or protected",
                  "Open it in a spreadsheet and save it as .xlsx, without a password")
              .refusal(),
          e);
    }
  }

  private static Place place(Path file) {
    return new Place.WholeFile(file.getFileName().toString());
  }
}
