package app.knuckle.formats.records;

import java.nio.charset.Charset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** How a file of records is written: guessed from the file, changeable by the user. */
public sealed interface FileForm {

  /**
   * Whether the first row names the columns.
   *
   * @return true if it does
   */
  boolean header();

  /**
   * The form in words: "comma, point, UTF-8".
   *
   * @return a short list
   */
  String words();

  /**
   * The form as a study file keeps it.
   *
   * @return names and values
   */
  Map<String, String> settings();

  /**
   * The form that a study file kept.
   *
   * @param settings as given by {@link #settings()}
   * @return empty if a setting is missing or not understood
   */
  static Optional<FileForm> of(Map<String, String> settings) {
    try {
      boolean header = Boolean.parseBoolean(settings.get("header"));
      if (settings.containsKey("sheet")) {
        String sheet = settings.get("sheet");
        return Optional.of(
            new Workbook(List.of(sheet), sheet, Area.of(settings.get("area")), header));
      }
      return Optional.of(
          new Text(
              Charset.forName(settings.get("charset")),
              settings.get("delimiter").charAt(0),
              settings.get("quote").charAt(0),
              Boolean.parseBoolean(settings.get("decimalComma")),
              Integer.parseInt(settings.get("skip")),
              header));
    } catch (IllegalArgumentException | NullPointerException | IndexOutOfBoundsException e) {
      return Optional.empty(); // Another version's form: it is guessed again.
    }
  }

  /**
   * Delimited text.
   *
   * @param charset encoding
   * @param delimiter between cells
   * @param quote around cells that hold a delimiter
   * @param decimalComma whether numbers have a decimal comma
   * @param skip rows above the table, such as a title
   * @param header whether the first row of the table names the columns
   */
  record Text(
      Charset charset, char delimiter, char quote, boolean decimalComma, int skip, boolean header)
      implements FileForm {

    @Override
    public Map<String, String> settings() {
      return new TreeMap<>(
          Map.of(
              "charset", charset.name(),
              "delimiter", String.valueOf(delimiter),
              "quote", String.valueOf(quote),
              "decimalComma", String.valueOf(decimalComma),
              "skip", String.valueOf(skip),
              "header", String.valueOf(header)));
    }

    @Override
    public String words() {
      return nameOf(delimiter)
          + (decimalComma ? ", decimal comma, " : ", ")
          + charset.displayName(java.util.Locale.ROOT);
    }

    /**
     * A delimiter in words.
     *
     * @param delimiter the character
     * @return such as "comma"
     */
    public static String nameOf(char delimiter) {
      return switch (delimiter) {
        case ',' -> "comma";
        case ';' -> "semicolon";
        case '\t' -> "tab";
        case '|' -> "bar";
        case ' ' -> "blank";
        default -> "'" + delimiter + "'";
      };
    }
  }

  /**
   * A workbook.
   *
   * @param sheets their names, in order
   * @param sheet the one to read
   * @param area the cells of it to read
   * @param header whether the first row names the columns
   */
  record Workbook(List<String> sheets, String sheet, Area area, boolean header)
      implements FileForm {

    public Workbook {
      sheets = List.copyOf(sheets);
    }

    @Override
    public Map<String, String> settings() {
      return new TreeMap<>(
          Map.of("sheet", sheet, "area", area.words(), "header", String.valueOf(header)));
    }

    @Override
    public String words() {
      return "sheet " + sheet + (area.equals(Area.ALL) ? "" : ", " + area.words());
    }
  }
}
