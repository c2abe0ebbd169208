package app.knuckle.formats.records;

import app.knuckle.formats.workbooks.Area;
import app.knuckle.formats.workbooks.Book;
import app.knuckle.formats.workbooks.OdsBook;
import app.knuckle.formats.workbooks.SheetArea;
import app.knuckle.formats.workbooks.XlsxBook;
import app.knuckle.formats.workbooks.ZipGuard;
import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.Numerals;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.dhatim.fastexcel.reader.ExcelReaderException;

/** Reads a sheet of a workbook, .xlsx or .ods. */
final class WorkbookReader {

  private static final int ROWS_PER_LOOK = 1 << 10;
  private static final int ROWS_TO_GUESS = 40;

  /** From this many rows without anything on, a sheet is at its end: only styles follow. */
  private static final int BLANK_ROWS_AT_END = 10_000;

  private WorkbookReader() {}

  static FileForm.Workbook guess(Path file) throws IOException {
    return with(
        file,
        book -> {
          if (book.sheets().isEmpty()) {
            throw Refused.at(place(file), "the workbook has no sheet", "Choose another file");
          }
          FileForm.Workbook only = null;
          List<String> sheets = new ArrayList<>(book.sheets());
          // What is shown before what is hidden; each in its order.
          sheets.sort(Comparator.comparing(sheet -> !book.isVisible(sheet)));
          for (String sheet : sheets) {
            List<Book.Row> rows = filled(book, sheet, Area.ALL, ROWS_TO_GUESS);
            if (rows.size() > 1) {
              return guess(book, sheet, rows);
            }
            only = only == null && !rows.isEmpty() ? guess(book, sheet, rows) : only;
          }
          if (only == null) {
            throw Refused.at(place(file), "every sheet is empty", "Choose another file");
          }
          return only;
        });
  }

  private static FileForm.Workbook guess(Book book, String sheet, List<Book.Row> rows) {
    Area area = SheetArea.guess(rows);
    List<List<String>> inside =
        rows.stream()
            .filter(row -> area.holdsRow(row.number()))
            .map(row -> area.of(row.cells()))
            .toList();
    return new FileForm.Workbook(book.sheets(), sheet, area, TextGuess.hasHeader(inside, false));
  }

  static List<List<String>> preview(Path file, FileForm.Workbook form, int rows)
      throws IOException {
    return with(
        file,
        book ->
            filled(book, sheet(file, book, form), form.area(), rows).stream()
                .map(row -> form.area().of(row.cells()))
                .toList());
  }

  static Table read(Path file, FileForm.Workbook form, Progress progress) throws IOException {
    TableBuilder builder = new TableBuilder(file, form);
    Unread unread;
    do {
      unread =
          with(file, book -> pass(file, book, sheet(file, book, form), form, builder, progress));
    } while (builder.needsAnotherPass());
    Table table = builder.table();
    return unread.words().isEmpty()
        ? table
        : new Table(table.name(), table.file(), table.columns(), table.howRead() + unread.words());
  }

  /** Cells without a value of their own. */
  private static final class Unread {
    private int errors;
    private int formulas;
    private final List<String> named = new ArrayList<>();

    void add(Book.Row row) {
      errors += row.errors();
      formulas += row.unvalued().size();
      row.unvalued().stream().limit(MOST_NAMED - named.size()).forEach(named::add);
    }

    String words() {
      String words = "";
      if (errors > 0) {
        words +=
            "; "
                + Numerals.count(errors, "cell with an error", "cells with an error")
                + " read as missing";
      }
      if (formulas > 0) {
        words +=
            "; "
                + Numerals.count(formulas, "formula", "formulas")
                + " without a stored value read as missing ("
                + String.join(", ", named)
                + (formulas > named.size() ? ", ..." : "")
                + ")";
      }
      return words;
    }
  }

  private static final int MOST_NAMED = 5;

  /** Reads all rows into the builder; gives the cells without a value of their own. */
  private static Unread pass(
      Path file,
      Book book,
      String sheet,
      FileForm.Workbook form,
      TableBuilder builder,
      Progress progress)
      throws IOException {
    Unread unread = new Unread();
    try (Stream<Book.Row> rows = book.rows(sheet)) {
      int width = 0;
      int count = 0;
      int blank = 0;
      int seen = 0;
      for (Iterator<Book.Row> each = rows.iterator(); each.hasNext(); ) {
        Book.Row row = each.next();
        if (++seen % ROWS_PER_LOOK == 0) {
          progress.check();
        }
        List<String> cells = form.area().of(row.cells());
        if (row.number() > form.area().bottom() || blank > BLANK_ROWS_AT_END) {
          break;
        }
        boolean empty =
            row.errors() == 0
                && row.unvalued().isEmpty()
                && cells.stream().allMatch(String::isBlank);
        if (row.number() < form.area().top() || empty) {
          blank++;
          continue;
        }
        blank = 0;
        unread.add(row);
        if (count++ == 0) {
          width = cells.size();
          builder.start(cells);
        } else {
          // A sheet leaves out the blank cells at the end of a row.
          List<String> full = new ArrayList<>(cells);
          full.addAll(Collections.nCopies(Math.max(0, width - cells.size()), ""));
          builder.add(full);
        }
      }
      if (count == 0) {
        throw Refused.at(
            place(file),
            "the sheet "
                + sheet
                + " holds nothing"
                + (form.area().equals(Area.ALL) ? "" : " in " + form.area().words()),
            "Choose another sheet or range");
      }
    }
    builder.end();
    return unread;
  }

  private static String sheet(Path file, Book book, FileForm.Workbook form) {
    if (book.sheets().contains(form.sheet())) {
      return form.sheet();
    }
    throw Refused.at(
        place(file),
        "there is no sheet '" + form.sheet() + "'",
        "The sheets are " + String.join(", ", book.sheets()));
  }

  private static List<Book.Row> filled(Book book, String sheet, Area area, int most)
      throws IOException {
    try (Stream<Book.Row> rows = book.rows(sheet)) {
      return rows.limit(BLANK_ROWS_AT_END)
          .filter(row -> area.holdsRow(row.number()) && !row.isBlank())
          .limit(most)
          .toList();
    }
  }

  private interface Use<T> {
    T of(Book book) throws IOException;
  }

  private static <T> T with(Path file, Use<T> use) throws IOException {
    ZipGuard.check(file);
    try (Book book = isOpenDocument(file) ? new OdsBook(file) : new XlsxBook(file)) {
      return use.of(book);
    } catch (ExcelReaderException | UncheckedIOException | IOException e) {
      throw broken(file, e);
    } catch (Refused | java.util.concurrent.CancellationException e) {
      throw e;
    } catch (RuntimeException e) {
      // The libraries answer a damaged part with whatever exception it leads them into.
      throw broken(file, e);
    }
  }

  private static Refused broken(Path file, Exception e) {
    return new Refused(
        Refused.at(
                place(file),
                "the workbook is broken or protected",
                "Open it in a spreadsheet and save it anew, without a password")
            .refusal(),
        e);
  }

  private static boolean isOpenDocument(Path file) throws IOException {
    try (ZipFile zip = new ZipFile(file.toFile())) {
      ZipEntry type = zip.getEntry("mimetype");
      if (type == null) {
        return file.toString().toLowerCase(Locale.ROOT).endsWith(".ods");
      }
      return new String(zip.getInputStream(type).readAllBytes(), StandardCharsets.US_ASCII)
          .contains("opendocument.spreadsheet");
    }
  }

  private static Place place(Path file) {
    return new Place.WholeFile(file.getFileName().toString());
  }
}
