package app.knuckle.formats.records;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.Numerals;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** Opens a file of records, whatever its format. */
public final class RecordsFile {

  private RecordsFile() {}

  /**
   * Guesses how a file is written.
   *
   * @param file a .csv, .tsv, .txt, .xlsx or .ods file
   * @return the guess
   * @throws Refused if the file cannot be read as records at all
   */
  public static FileForm guess(Path file) {
    check(file);
    try {
      return isWorkbook(file) ? WorkbookReader.guess(file) : TextGuess.of(file);
    } catch (IOException | UncheckedIOException e) {
      throw unreadable(file, e);
    }
  }

  /**
   * Reads the whole file.
   *
   * @param file the file
   * @param form how it is written
   * @param progress told the share read; may stop it
   * @return the table, named after the file
   * @throws Refused if a place in the file does not fit
   */
  public static Table read(Path file, FileForm form, Progress progress) {
    check(file);
    try {
      return form instanceof FileForm.Text text
          ? TextReader.read(file, text, progress)
          : WorkbookReader.read(file, (FileForm.Workbook) form, progress);
    } catch (IOException | UncheckedIOException e) {
      throw unreadable(file, e);
    }
  }

  /**
   * Reads cells copied from a spreadsheet, or any delimited text.
   *
   * @param name of the table
   * @param text the cells
   * @return the table
   * @throws Refused if the text holds no table
   */
  public static Table paste(String name, String text) {
    Path folder = null;
    Path copy = null;
    try {
      folder = Files.createTempDirectory("knuckle-paste");
      copy = Files.writeString(folder.resolve(name + ".tsv"), text);
      Table table = read(copy, guess(copy), Progress.NONE);
      return new Table(name, "", table.columns(), table.howRead());
    } catch (IOException e) {
      throw new UncheckedIOException("The temporary folder cannot be used", e);
    } finally {
      deleteQuietly(copy);
      deleteQuietly(folder);
    }
  }

  /**
   * Reads cells typed by hand.
   *
   * @param name of the table
   * @param cells row by row, the names of the columns first
   * @return the table
   * @throws Refused if there is no row, or a row of another length
   */
  public static Table ofCells(String name, List<List<String>> cells) {
    boolean comma = TextGuess.hasDecimalCommas(cells);
    FileForm.Text form = new FileForm.Text(StandardCharsets.UTF_8, ',', '"', comma, 0, true);
    TableBuilder builder = new TableBuilder(Path.of(name), form);
    builder.expect(cells);
    do {
      builder.start(cells.get(0));
      cells.stream().skip(1).forEach(builder::add);
      builder.end();
    } while (builder.needsAnotherPass());
    Table table = builder.table();
    return new Table(
        name, "", table.columns(), Numerals.count(table.rows(), "row", "rows") + ", typed");
  }

  private static void deleteQuietly(Path path) {
    try {
      if (path != null) {
        Files.deleteIfExists(path);
      }
    } catch (IOException e) {
      // A file left in the temporary folder harms nobody.
    }
  }

  /**
   * The first rows as text, to judge a form by.
   *
   * @param file the file
   * @param form how it is written
   * @param rows at most so many, the header among them
   * @return cells row by row
   * @throws Refused if the file cannot be read in this form
   */
  public static List<List<String>> preview(Path file, FileForm form, int rows) {
    check(file);
    try {
      return form instanceof FileForm.Text text
          ? TextReader.preview(file, text, rows)
          : WorkbookReader.preview(file, (FileForm.Workbook) form, rows);
    } catch (IOException | UncheckedIOException e) {
      throw unreadable(file, e);
    }
  }

  /**
   * The name of a table read from a file: the file's without its ending.
   *
   * @param file the file
   * @return such as "rack-trial"
   */
  static String tableName(Path file) {
    String name = file.getFileName().toString();
    int dot = name.lastIndexOf('.');
    return dot > 0 ? name.substring(0, dot) : name;
  }

  private static boolean isWorkbook(Path file) throws IOException {
    byte[] start = TextGuess.head(file, 8);
    if (startsWith(start, 0xD0, 0xCF, 0x11, 0xE0)) {
      throw Refused.at(
          new Place.WholeFile(file.getFileName().toString()),
          "the workbook is protected by a password or written in the old .xls format",
          "Save it as .xlsx without a password");
    }
    return startsWith(start, 'P', 'K', 3, 4)
        || file.toString().toLowerCase(Locale.ROOT).matches(".*\\.(xlsx|ods)");
  }

  private static boolean startsWith(byte[] bytes, int... start) {
    if (bytes.length < start.length) {
      return false;
    }
    for (int i = 0; i < start.length; i++) {
      if ((bytes[i] & 0xFF) != start[i]) {
        return false;
      }
    }
    return true;
  }

  private static void check(Path file) {
    Place where = new Place.WholeFile(file.toString());
    if (!Files.exists(file)) {
      throw Refused.at(where, "there is no such file", "Check the name and the folder");
    }
    if (Files.isDirectory(file)) {
      throw Refused.at(where, "this is a folder", "Choose a file of records in it");
    }
    if (!Files.isRegularFile(file)) {
      throw Refused.at(
          where, "this is a pipe or a device, not a file", "Save the records as a file first");
    }
    if (!Files.isReadable(file)) {
      throw Refused.at(where, "the file may not be read", "Ask for permission, or copy it");
    }
  }

  private static Refused unreadable(Path file, Exception e) {
    return new Refused(
        Refused.at(
                new Place.WholeFile(file.getFileName().toString()),
                "the file cannot be read to its end",
                "Check that it is whole and that its disk is there")
            .refusal(),
        e);
  }
}
