package app.knuckle.formats.documents;

import app.knuckle.formats.records.SpreadsheetText;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.Page;
import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** Writes the tables of a page alone, for a spreadsheet. */
public final class TableReport {

  private static final Pattern NUMBER = Pattern.compile("[-\u2212]?\\d*\\.?\\d+");

  /** What a workbook says of the program that wrote it; a date would make bytes differ. */
  private static final String PROGRAM = "Knuckle";

  /** Format of cells that are shown as they were rounded. */
  private static final String WHOLE = "0";

  private TableReport() {}

  /**
   * One table below the other, each under its caption, with an empty line between.
   *
   * @param page with the tables
   * @param out where to; not closed
   * @throws IOException if it cannot be written
   */
  public static void csv(Page page, OutputStream out) throws IOException {
    OutputStreamWriter text = new OutputStreamWriter(out, StandardCharsets.UTF_8);
    CsvWriter csv = CsvWriter.builder().build(text);
    boolean first = true;
    for (Block.Table table : tables(page)) {
      if (!first) {
        csv.writeRecord("");
      }
      first = false;
      csv.writeRecord(SpreadsheetText.written(table.caption()));
      csv.writeRecord(table.heads().stream().map(SpreadsheetText::written).toList());
      for (List<String> row : table.rows()) {
        csv.writeRecord(
            row.stream()
                .map(cell -> cell.replace('\u2212', '-'))
                .map(SpreadsheetText::written)
                .toList());
      }
      if (!table.note().isEmpty()) {
        csv.writeRecord(SpreadsheetText.written(table.note()));
      }
    }
    csv.flush();
  }

  /**
   * A sheet for each table, with its numbers as numbers.
   *
   * @param page with the tables
   * @param out where to; not closed
   * @throws IOException if it cannot be written
   */
  public static void xlsx(Page page, OutputStream out) throws IOException {
    Workbook book = new Workbook(out, PROGRAM, null);
    int number = 0;
    for (Block.Table table : tables(page)) {
      sheet(table, book.newWorksheet("Table " + ++number));
    }
    if (number == 0) {
      book.newWorksheet("no tables");
    }
    book.finish();
  }

  private static void sheet(Block.Table table, Worksheet sheet) {
    sheet.value(0, 0, table.caption());
    sheet.style(0, 0).bold().set();
    for (int c = 0; c < table.heads().size(); c++) {
      sheet.value(1, c, table.heads().get(c));
      sheet.style(1, c).bold().borderStyle("thin").set();
    }
    for (int r = 0; r < table.rows().size(); r++) {
      List<String> row = table.rows().get(r);
      for (int c = 0; c < row.size(); c++) {
        cell(sheet, r + 2, c, row.get(c));
      }
    }
    if (!table.note().isEmpty()) {
      sheet.value(table.rows().size() + 2, 0, table.note());
    }
  }

  /** What is a number on the page is one in the sheet, shown with the same decimals. */
  private static void cell(Worksheet sheet, int r, int c, String text) {
    if (c == 0 || !NUMBER.matcher(text).matches()) {
      sheet.value(r, c, text);
      return;
    }
    int point = text.indexOf('.');
    int decimals = point < 0 ? 0 : text.length() - point - 1;
    sheet.value(r, c, Double.parseDouble(text.replace('\u2212', '-')));
    sheet.style(r, c).format(decimals == 0 ? WHOLE : WHOLE + "." + WHOLE.repeat(decimals)).set();
  }

  private static List<Block.Table> tables(Page page) {
    return page.blocks().stream()
        .filter(Block.Table.class::isInstance)
        .map(Block.Table.class::cast)
        .toList();
  }
}
