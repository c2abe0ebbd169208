package app.knuckle.formats.records;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.MissingMarks;
import app.knuckle.study.table.NumberText;
import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import de.siegmar.fastcsv.reader.FieldMismatchStrategy;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;

/** Guesses encoding, delimiter, quote, decimal mark and header from the start of a file. */
final class TextGuess {

  /** Enough to see some hundred rows, little enough to be read at once. */
  private static final int HEAD = 1 << 18;

  private static final int ROWS = 100;
  private static final char[] DELIMITERS = {',', ';', '\t', '|'};
  static final Charset WESTERN = Charset.forName("windows-1252");

  private TextGuess() {}

  static FileForm.Text of(Path file) throws IOException {
    byte[] head = head(file, HEAD);
    String name = file.getFileName().toString();
    if (head.length == 0) {
      throw Refused.at(
          new Place.WholeFile(name), "the file is empty", "Choose a file with records");
    }
    Charset charset = charset(head, name);
    String text = new String(head, charset);
    if (text.startsWith("\uFEFF")) {
      text = text.substring(1);
    }
    if (text.isBlank()) {
      throw Refused.at(
          new Place.WholeFile(name),
          "the file holds nothing but blanks",
          "Choose a file with records");
    }
    boolean whole = Files.size(file) <= HEAD;
    char quote = text.indexOf('"') < 0 && text.indexOf('\'') == 0 ? '\'' : '"';
    char best = ',';
    double bestScore = -1;
    for (char delimiter : DELIMITERS) {
      double score = score(rows(text, delimiter, quote, whole));
      if (score > bestScore) {
        best = delimiter;
        bestScore = score;
      }
    }
    List<List<String>> rows = rows(text, best, quote, whole);
    String doubt = "";
    int stray = isBroken(text, best, quote) ? rows.size() - 1 : StrayQuote.row(rows, best);
    if (stray >= 0) {
      doubt =
          "In row "
              + Math.max(1, hasHeader(rows, false) ? stray : stray + 1)
              + " a quotation mark is opened and not closed, so that other rows would be swallowed:"
              + " the file is read without quotation marks";
      quote = FileForm.Text.NO_QUOTE;
      rows = rows(text, best, quote, whole);
    }
    int skip = titles(rows);
    List<List<String>> table = rows.subList(skip, rows.size());
    boolean header = hasHeader(table, best != ',' && hasDecimalCommas(rows));
    Marks marks = Marks.of(header ? table.subList(1, table.size()) : table, best);
    return new FileForm.Text(
        charset,
        best,
        quote,
        marks.decimalComma(),
        marks.grouped(),
        skip,
        hasHeader(table, marks.decimalComma()),
        doubt.isEmpty() ? marks.doubt() : doubt);
  }

  /** Rows with one filled cell above a table of several columns. */
  private static int titles(List<List<String>> rows) {
    int skip = 0;
    boolean wide = !rows.isEmpty() && rows.get(rows.size() - 1).size() > 1;
    while (wide && skip < rows.size() - 1 && filled(rows.get(skip)) < 2) {
      skip++;
    }
    return skip;
  }

  private static long filled(List<String> row) {
    return row.stream().filter(c -> !c.isBlank()).count();
  }

  static byte[] head(Path file, int bytes) throws IOException {
    try (InputStream in = Files.newInputStream(file)) {
      return in.readNBytes(bytes);
    }
  }

  private static Charset charset(byte[] head, String name) {
    if (head.length >= 2 && head[0] == (byte) 0xFF && head[1] == (byte) 0xFE) {
      return StandardCharsets.UTF_16LE;
    }
    if (head.length >= 2 && head[0] == (byte) 0xFE && head[1] == (byte) 0xFF) {
      return StandardCharsets.UTF_16BE;
    }
    for (byte b : head) {
      if (b == 0) {
        throw Refused.at(
            new Place.WholeFile(name),
            "this is not a text file",
            "Choose a .csv, .tsv, .txt, .xlsx or .ods file");
      }
    }
    // A character cut in two at the end of the head is no sign of another encoding.
    for (int cut = 0; cut < 4 && cut < head.length; cut++) {
      try {
        StandardCharsets.UTF_8
            .newDecoder()
            .onMalformedInput(CodingErrorAction.REPORT)
            .decode(ByteBuffer.wrap(head, 0, head.length - (head.length == HEAD ? cut : 0)));
        return StandardCharsets.UTF_8;
      } catch (CharacterCodingException e) {
        // Not UTF-8 up to here: try without the last byte, then give up.
      }
    }
    return WESTERN;
  }

  private static List<List<String>> rows(String text, char delimiter, char quote, boolean whole) {
    List<List<String>> rows = new ArrayList<>();
    try (CsvReader<CsvRecord> reader =
        CsvReader.builder()
            .fieldSeparator(delimiter)
            .quoteCharacter(quote)
            .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
            .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
            .ofCsvRecord(text)) {
      for (CsvRecord row : reader) {
        rows.add(row.getFields());
        if (rows.size() > ROWS) {
          break;
        }
      }
    } catch (CsvParseException | UncheckedIOException | IOException e) {
      return rows;
    }
    if (!whole && rows.size() <= ROWS && rows.size() > 1) {
      rows.remove(rows.size() - 1); // Cut off in the middle.
    }
    return rows;
  }

  /** Whether something follows a closing quotation mark, which no writer of such texts leaves. */
  private static boolean isBroken(String text, char delimiter, char quote) {
    try (CsvReader<CsvRecord> reader =
        CsvReader.builder()
            .fieldSeparator(delimiter)
            .quoteCharacter(quote)
            .extraFieldStrategy(FieldMismatchStrategy.IGNORE)
            .missingFieldStrategy(FieldMismatchStrategy.IGNORE)
            .ofCsvRecord(text)) {
      reader.forEach(row -> {});
      return false;
    } catch (CsvParseException e) {
      return true;
    } catch (UncheckedIOException | IOException e) {
      return false; // Of a text in memory there is none.
    }
  }

  /** Share of rows with the commonest number of cells, times that number when it is over one. */
  private static double score(List<List<String>> rows) {
    Map<Integer, Integer> counts = new HashMap<>();
    rows.forEach(row -> counts.merge(row.size(), 1, Integer::sum));
    return counts.entrySet().stream()
        .mapToDouble(
            e -> e.getKey() < 2 ? 0 : (double) e.getValue() / rows.size() + 0.001 * e.getKey())
        .max()
        .orElse(0);
  }

  static boolean hasDecimalCommas(List<List<String>> rows) {
    long commas = cells(rows).filter(c -> c.matches("[-+]?\\d+,\\d+")).count();
    long points = cells(rows).filter(c -> c.matches("[-+]?\\d+\\.\\d+")).count();
    return commas > points;
  }

  private static java.util.stream.Stream<String> cells(List<List<String>> rows) {
    return rows.stream().flatMap(List::stream).map(String::strip);
  }

  /**
   * Whether the first row names the columns: it holds a word where numbers follow, or nothing but
   * words, and not those of a row below.
   */
  static boolean hasHeader(List<List<String>> rows, boolean decimalComma) {
    if (rows.isEmpty()) {
      return false;
    }
    List<String> first = rows.get(0);
    boolean overNumbers = false;
    boolean numbers = false;
    for (int c = 0; c < first.size(); c++) {
      boolean below = isOfNumbers(rows, c, decimalComma);
      boolean word =
          !first.get(c).isBlank()
              && !MissingMarks.isMissing(first.get(c))
              && Double.isNaN(NumberText.parse(first.get(c), decimalComma));
      overNumbers |= below && word;
      numbers |= !first.get(c).isBlank() && !word;
    }
    boolean names =
        !numbers
            && new HashSet<>(first).size() == first.size()
            && first.stream().anyMatch(c -> !c.isBlank());
    return overNumbers || names;
  }

  private static boolean isOfNumbers(List<List<String>> rows, int column, boolean decimalComma) {
    int numbers = 0;
    int words = 0;
    for (List<String> row : rows.subList(1, rows.size())) {
      String cell = column < row.size() ? row.get(column) : "";
      if (!Double.isNaN(NumberText.parse(cell, decimalComma))) {
        numbers++;
      } else if (!MissingMarks.isMissing(cell)) {
        words++;
      }
    }
    return numbers > words;
  }
}
