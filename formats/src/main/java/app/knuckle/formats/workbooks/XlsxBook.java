package app.knuckle.formats.workbooks;

import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Numbers;
import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import java.util.zip.ZipFile;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Sheet;
import org.dhatim.fastexcel.reader.SheetVisibility;

/** A workbook in Office Open XML, .xlsx, read row by row. */
public final class XlsxBook implements Book {

  private final ReadableWorkbook book;

  /** The widest sheets that spreadsheets have end at XFD. */
  private static final int MOST_COLUMNS = 16_384;

  /**
   * Opens a workbook.
   *
   * @param file an .xlsx file
   * @throws IOException if it cannot be read
   */
  public XlsxBook(Path file) throws IOException {
    CellReferences.check(file, MOST_COLUMNS);
    book = new ReadableWorkbook(file.toFile(), new ReadingOptions(hasStyles(file), false));
  }

  /** The part of the styles may be left out; the reader wants to be told. */
  private static boolean hasStyles(Path file) throws IOException {
    try (ZipFile zip = new ZipFile(file.toFile())) {
      return zip.getEntry("xl/styles.xml") != null;
    }
  }

  @Override
  public List<String> sheets() {
    return book.getSheets().map(Sheet::getName).toList();
  }

  @Override
  public boolean isVisible(String sheet) {
    return book.findSheet(sheet)
        .map(s -> s.getVisibility() == SheetVisibility.VISIBLE)
        .orElse(false);
  }

  @Override
  public Stream<Row> rows(String sheet) throws IOException {
    return book.findSheet(sheet).orElseThrow().openStream().map(this::row);
  }

  private Row row(org.dhatim.fastexcel.reader.Row row) {
    List<String> unvalued = new ArrayList<>();
    List<String> cells = new ArrayList<>();
    int errors = 0;
    for (int c = 0; c < row.getCellCount(); c++) {
      Cell cell = row.getCell(c);
      if (cell != null && cell.getType() == CellType.FORMULA && isBlank(cell.getRawValue())) {
        unvalued.add(Area.name(c) + row.getRowNum());
      }
      errors += isError(cell) ? 1 : 0;
      cells.add(isError(cell) ? "" : text(cell));
    }
    while (!cells.isEmpty() && cells.get(cells.size() - 1).isBlank()) {
      cells.remove(cells.size() - 1);
    }
    return new Row(row.getRowNum(), cells, errors, unvalued);
  }

  private static boolean isBlank(String text) {
    return text == null || text.isBlank();
  }

  private static boolean isError(Cell cell) {
    return cell != null
        && (cell.getType() == CellType.ERROR
            || cell.getType() == CellType.FORMULA
                && cell.getRawValue() != null
                && cell.getRawValue().startsWith("#"));
  }

  private String text(Cell cell) {
    if (cell == null || cell.getType() == CellType.EMPTY) {
      return "";
    }
    if (cell.getType() == CellType.NUMBER) {
      return isDate(cell.getDataFormatString())
          ? date(cell.asDate())
          : Numbers.text(cell.asNumber().doubleValue());
    }
    if (cell.getType() == CellType.FORMULA) {
      String raw = cell.getRawValue() == null ? "" : cell.getRawValue();
      double number = NumberText.parse(raw, false);
      return Double.isFinite(number) && isDate(cell.getDataFormatString())
          ? date(day(number))
          : raw;
    }
    return cell.getValue() == null ? "" : cell.getValue().toString();
  }

  /** Days are counted from the end of 1899, or of 1903. */
  private LocalDateTime day(double serial) {
    long seconds = Math.round(serial * SECONDS_A_DAY);
    LocalDateTime start = LocalDate.of(1899, 12, 30).atStartOfDay();
    return start.plusDays(book.isDate1904() ? DAYS_TO_1904 : 0).plusSeconds(seconds);
  }

  private static final double SECONDS_A_DAY = 86_400;
  private static final int DAYS_TO_1904 = 1_462;

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
    String bare =
        format.toLowerCase(Locale.ROOT).replaceAll("\"[^\"]*\"|\\[[^\\]]*\\]|[\\\\_*].", "");
    return bare.contains("yy") || bare.contains("d") && bare.contains("m");
  }

  @Override
  public void close() throws IOException {
    book.close();
  }
}
