package app.knuckle.desktop.command;

import app.knuckle.formats.records.FileForm;
import app.knuckle.formats.records.RecordsFile;
import app.knuckle.formats.workbooks.Area;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import java.nio.charset.Charset;
import java.nio.charset.IllegalCharsetNameException;
import java.nio.charset.UnsupportedCharsetException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Option;

/** How a file is read, where it is not to be guessed: whatever the window can choose. */
final class ReadingOptions {
  private static final Map<String, Character> DELIMITERS =
      Map.of("comma", ',', "semicolon", ';', "tab", '\t', "bar", '|', "blank", ' ');
  private static final Map<String, Character> QUOTES =
      Map.of("double", '"', "single", '\'', "none", FileForm.Text.NO_QUOTE);

  @Option(
      names = "--header",
      paramLabel = "yes|no|ROW",
      description = "Whether the first row names the columns, or the row that does.")
  private String header;

  @Option(
      names = "--delimiter",
      paramLabel = "NAME",
      description = "Between cells: comma, semicolon, tab, bar or blank.")
  private String delimiter;

  @Option(
      names = "--quote",
      paramLabel = "NAME",
      description = "Around cells: double, single or none.")
  private String quote;

  @Option(
      names = "--decimal",
      paramLabel = "point|comma",
      description = "The decimal mark; the other of the two may part thousands.")
  private String decimal;

  @Option(names = "--encoding", paramLabel = "NAME", description = "Such as UTF-8.")
  private String encoding;

  @Option(names = "--sheet", paramLabel = "NAME", description = "The sheet of a workbook.")
  private String sheet;

  @Option(names = "--range", paramLabel = "CELLS", description = "Cells of a sheet: B3:F40.")
  private String range;

  /**
   * How the file is read.
   *
   * @param table the file
   * @return the form
   * @throws Refused if an option does not fit the file, or the file leaves a doubt
   */
  FileForm form(Path table) {
    FileForm guess = RecordsFile.guess(table);
    return guess instanceof FileForm.Text text
        ? ofText(text, table)
        : ofBook((FileForm.Workbook) guess);
  }

  private FileForm ofText(FileForm.Text guess, Path table) {
    unfit("--sheet", sheet, "text has no sheets");
    unfit("--range", range, "text has no cells by letters");
    FileForm.Text form = guess;
    boolean stray = guess.quote() == FileForm.Text.NO_QUOTE && !guess.doubt().isEmpty();
    if (quote != null) {
      form = form.quoted(chosen("--quote", quote, QUOTES));
    }
    if (decimal != null) {
      boolean comma = chosen("--decimal", decimal, Map.of("point", false, "comma", true));
      form = form.marked(comma, true);
    }
    boolean undecided =
        !guess.doubt().isEmpty() && (stray ? quote == null : quote == null && decimal == null);
    if (undecided) {
      throw Refused.at(
          new Place.WholeFile(table.getFileName().toString()),
          guess.doubt(),
          stray ? "Mend the file there, or say --quote none" : "Say --decimal point or comma");
    }
    Charset charset = encoding == null ? form.charset() : charset();
    char between =
        delimiter == null ? form.delimiter() : chosen("--delimiter", delimiter, DELIMITERS);
    form =
        new FileForm.Text(
            charset,
            between,
            form.quote(),
            form.decimalComma(),
            form.grouped(),
            form.skip(),
            form.header(),
            "");
    if (header == null) {
      return form;
    }
    return switch (header) {
      case "yes" -> form.from(form.skip(), true);
      case "no" -> form.from(0, false);
      default -> form.from(row() - 1, true);
    };
  }

  private FileForm ofBook(FileForm.Workbook guess) {
    unfit("--delimiter", delimiter, "a workbook has cells of its own");
    unfit("--quote", quote, "a workbook has cells of its own");
    unfit("--decimal", decimal, "a workbook keeps numbers as numbers");
    unfit("--encoding", encoding, "a workbook says its own");
    String of = sheet == null ? guess.sheet() : sheet;
    Area area = range != null ? Area.of(range) : sheet == null ? guess.area() : Area.ALL;
    boolean named = header == null ? guess.header() : !header.equals("no");
    if (header != null && !header.equals("yes") && !header.equals("no")) {
      area = new Area(row(), area.left(), area.bottom(), area.right());
    }
    return new FileForm.Workbook(guess.sheets(), of, area, named);
  }

  private int row() {
    try {
      int row = Integer.parseInt(header);
      if (row > 0) {
        return row;
      }
    } catch (NumberFormatException e) {
      // Said below, like a number that is no row.
    }
    throw wrong("--header", "'" + header + "' is neither yes nor no nor a row", "Rows begin at 1");
  }

  private Charset charset() {
    try {
      return Charset.forName(encoding);
    } catch (IllegalCharsetNameException | UnsupportedCharsetException e) {
      throw wrong("--encoding", "there is no encoding '" + encoding + "'", "UTF-8 is usual");
    }
  }

  private static <T> T chosen(String option, String name, Map<String, T> known) {
    if (!known.containsKey(name)) {
      throw wrong(
          option,
          "there is no '" + name + "' here",
          "Use " + String.join(" or ", known.keySet().stream().sorted().toList()));
    }
    return known.get(name);
  }

  private static void unfit(String option, String value, String why) {
    if (value != null) {
      throw wrong(option, why, "Leave it out");
    }
  }

  private static Refused wrong(String option, String what, String wayOn) {
    return Refused.at(new Place.Key("command line", List.of(option)), what, wayOn);
  }
}
