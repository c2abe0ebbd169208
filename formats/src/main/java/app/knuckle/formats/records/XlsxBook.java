package app.knuckle.formats.records;

import app.knuckle.study.table.Numbers;
import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Sheet;

/** A workbook in Office Open XML, .xlsx, read row by row. */
final class XlsxBook implements Book {

  private final ReadableWorkbook book;

  XlsxBook(Path file) throws IOException {
    book = new ReadableWorkbook(file.toFile(), new ReadingOptions(true, false));
  }

  @Override
  public List<String> sheets() {
    return book.getSheets().map(Sheet::getName).toList();
  }

  @Override
  public Stream<Row> rows(String sheet) throws IOException {
    return book.findSheet(sheet).orElseThrow().openStream().map(XlsxBook::row);
  }

  private static Row row(org.dhatim.fastexcel.reader.Row row) {
    List<String> cells = new ArrayList<>();
    int errors = 0;
    for (int c = 0; c < row.getCellCount(); c++) {
      Cell cell = row.getCell(c);
      errors += isError(cell) ? 1 : 0;
      cells.add(isError(cell) ? "" : text(cell));
    }
    while (!cells.isEmpty() && cells.get(cells.size() - 1).isBlank()) {
      cells.remove(cells.size() - 1);
    }
    return new Row(row.getRowNum(), cells, errors);
  }

  private static boolean isError(Cell cell) {
    return cell != null
        && (cell.getType() == CellType.ERROR
            || cell.getType() == CellType.FORMULA
                && cell.getRawValue() != null
                && cell.getRawValue().startsWith("#"));
  }

  private static String text(Cell cell) {
    if (cell == null || cell.getType() == CellType.EMPTY) {
      return "";
    }
    if (cell.getType() == CellType.NUMBER) {
      return isDate(cell.getDataFormatString())
          ? date(cell.asDate())
          : Numbers.text(cell.asNumber().doubleValue());
    }
    Object value = cell.getType() == CellType.FORMULA ? cell.getRawValue() : cell.getValue();
    return value == null ? "" : value.toString();
  }

  private static String date(LocalDateTime date) {
    return date.toLocalTime().equals(LocalTime.MIDNIGHT)
        ? date.toLocalDate().toString()
        : date.toString();
  }

  /** A number format with a year, or a day beside a month, shows a date. */
  private static boolean isDate(String format) {
    if (format == null) {
      return false;
    }
    String bare = format.toLowerCase(Locale.ROOT).replaceAll("\"[^\"]*\"|\\[[^\\]]*\\]|\\\\.", "");
    return bare.contains("yy") || bare.contains("d") && bare.contains("m");
  }

  @Override
  public void close() throws IOException {
    book.close();
  }
}
