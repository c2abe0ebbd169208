package app.knuckle.formats.records;

import app.knuckle.study.table.Numbers;
import com.github.miachm.sods.OfficeCurrency;
import com.github.miachm.sods.OfficePercentage;
import com.github.miachm.sods.Sheet;
import com.github.miachm.sods.SpreadSheet;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** A workbook in OpenDocument, .ods; held in memory as a whole. */
final class OdsBook implements Book {

  private final SpreadSheet book;

  OdsBook(Path file) throws IOException {
    try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
      book = new SpreadSheet(in);
    }
  }

  @Override
  public List<String> sheets() {
    return book.getSheets().stream().map(Sheet::getName).toList();
  }

  @Override
  public Stream<Row> rows(String name) {
    Sheet sheet = book.getSheet(name);
    int columns = sheet.getMaxColumns();
    return IntStream.range(0, sheet.getMaxRows())
        .mapToObj(
            r -> {
              List<String> cells = new ArrayList<>();
              int errors = 0;
              for (int c = 0; c < columns; c++) {
                String text = text(sheet.getRange(r, c).getValue());
                boolean error = text.startsWith("#") && text.endsWith("!") || text.equals("#N/A");
                errors += error ? 1 : 0;
                cells.add(error ? "" : text);
              }
              while (!cells.isEmpty() && cells.get(cells.size() - 1).isBlank()) {
                cells.remove(cells.size() - 1);
              }
              return new Row(r + 1, cells, errors);
            });
  }

  private static String text(Object value) {
    if (value == null) {
      return "";
    }
    if (value instanceof OfficePercentage share) {
      return Numbers.text(share.getValue());
    }
    if (value instanceof OfficeCurrency amount) {
      return Numbers.text(amount.getValue());
    }
    return value instanceof Number number ? Numbers.text(number.doubleValue()) : value.toString();
  }

  @Override
  public void close() {
    // Nothing is held open.
  }
}
