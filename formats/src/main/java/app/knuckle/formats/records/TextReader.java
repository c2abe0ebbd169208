package app.knuckle.formats.records;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.Numerals;
import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import java.io.BufferedReader;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;

/** Reads delimited text. */
final class TextReader {

  private static final char BYTE_ORDER_MARK = '\uFEFF';

  /** Rows between two looks at the progress: some milliseconds of reading. */
  private static final int ROWS_PER_LOOK = 1 << 13;

  /** Rows that tell nearly always which columns hold words. */
  private static final int ROWS_TO_GUESS = 200;

  private TextReader() {}

  static List<List<String>> preview(Path file, FileForm.Text form, int rows) throws IOException {
    List<List<String>> first = new ArrayList<>();
    int above = form.skip();
    try (CsvReader<CsvRecord> reader = open(Files.newInputStream(file), form)) {
      for (CsvRecord row : reader) {
        if (above-- > 0) {
          continue;
        }
        first.add(first.isEmpty() ? unmarked(row.getFields()) : row.getFields());
        if (first.size() == rows) {
          break;
        }
      }
    } catch (CsvParseException | UncheckedIOException e) {
      throw broken(new Place.Cell(name(file), Math.max(1, first.size()), ""), form, e);
    }
    return first;
  }

  static Table read(Path file, FileForm.Text form, Progress progress) throws IOException {
    try {
      return readAs(file, form, progress);
    } catch (Refused e) {
      // A letter that is none of UTF-8 may come late in a file: it is then written in another way.
      if (form.charset().equals(StandardCharsets.UTF_8) && isOfEncoding(e)) {
        return readAs(file, western(form), progress);
      }
      throw e;
    }
  }

  private static boolean isOfEncoding(Throwable e) {
    for (Throwable cause = e; cause != null; cause = cause.getCause()) {
      if (cause instanceof CharacterCodingException) {
        return true;
      }
    }
    return false;
  }

  private static FileForm.Text western(FileForm.Text form) {
    return new FileForm.Text(
        TextGuess.WESTERN,
        form.delimiter(),
        form.quote(),
        form.decimalComma(),
        form.grouped(),
        form.skip(),
        form.header(),
        form.doubt());
  }

  private static Table readAs(Path file, FileForm.Text form, Progress progress) throws IOException {
    TableBuilder builder = new TableBuilder(file, form);
    builder.expect(preview(file, form, ROWS_TO_GUESS));
    do {
      pass(file, form, builder, progress);
    } while (builder.needsAnotherPass());
    return builder.table();
  }

  private static void pass(Path file, FileForm.Text form, TableBuilder builder, Progress progress)
      throws IOException {
    double size = Files.size(file);
    Counting bytes = new Counting(Files.newInputStream(file));
    int row = 0;
    try (RowHandler handler = new RowHandler(builder, form.skip(), form.delimiter());
        CsvReader<Boolean> reader = settings(form).build(handler, decoded(bytes, form))) {
      try {
        for (Iterator<Boolean> rows = reader.iterator(); rows.hasNext(); rows.next()) {
          if (++row % ROWS_PER_LOOK == 0) {
            progress.check();
            progress.done(bytes.count / size);
          }
        }
      } catch (CsvParseException | UncheckedIOException e) {
        handler.finish();
        throw broken(new Place.Cell(name(file), builder.rows() + 1, ""), form, e);
      }
      handler.finish();
    }
    builder.end();
  }

  private static CsvReader<CsvRecord> open(InputStream in, FileForm.Text form) {
    return settings(form).ofCsvRecord(decoded(in, form));
  }

  private static Reader decoded(InputStream in, FileForm.Text form) {
    Reader reader =
        new BufferedReader(
            new InputStreamReader(
                in,
                form.charset()
                    .newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .onUnmappableCharacter(CodingErrorAction.REPORT)),
            1 << 16);
    try {
      reader.mark(1);
      if (reader.read() != BYTE_ORDER_MARK) {
        reader.reset();
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return reader;
  }

  /** Rows of any length are let through here, so that all wrong ones can be named together. */
  private static CsvReader.CsvReaderBuilder settings(FileForm.Text form) {
    return CsvReader.builder()
        .fieldSeparator(form.delimiter())
        .quoteCharacter(form.quote())
        .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
        .missingFieldStrategy(FieldMismatchStrategy.IGNORE);
  }

  /** The header without the mark that some programs put before the first letter of a file. */
  static List<String> unmarked(List<String> header) {
    if (!header.isEmpty()
        && !header.get(0).isEmpty()
        && header.get(0).charAt(0) == BYTE_ORDER_MARK) {
      List<String> bare = new ArrayList<>(header);
      bare.set(0, header.get(0).substring(1));
      return bare;
    }
    return header;
  }

  private static String name(Path file) {
    return file.getFileName().toString();
  }

  private static Refused broken(Place where, FileForm.Text form, RuntimeException e) {
    if (isOfEncoding(e)) {
      return new Refused(
          Refused.at(
                  where,
                  "some letters are not written in " + form.charset().displayName(),
                  "Choose another encoding, Windows-1252 for instance")
              .refusal(),
          e);
    }
    if (e instanceof UncheckedIOException io) {
      throw io;
    }
    return new Refused(
        Refused.at(
                where,
                "a cell goes on after its end; most likely a quotation mark is opened and not closed",
                "Mend the quotation marks there, or read the file without them (--quote none)")
            .refusal(),
        e);
  }

  /** How a table was read, in one line. */
  static String howRead(Table table, FileForm form) {
    return Numerals.count(table.rows(), "row", "rows")
        + ", "
        + Numerals.count(table.columns().size(), "column", "columns")
        + ", "
        + form.words();
  }

  private static final class Counting extends FilterInputStream {
    private long count;

    Counting(InputStream in) {
      super(in);
    }

    @Override
    public int read(byte[] b, int off, int len) throws IOException {
      int n = super.read(b, off, len);
      count += Math.max(0, n);
      return n;
    }
  }
}
