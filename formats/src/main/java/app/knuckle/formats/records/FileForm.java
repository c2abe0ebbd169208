package app.knuckle.formats.records;

import app.knuckle.formats.workbooks.Area;
import app.knuckle.study.words.Numerals;
import java.nio.charset.Charset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** How a file of records is written: guessed from the file, changeable by the user. */
public sealed interface FileForm {

  /** Whether the first row names the columns. */
  boolean header();

  /** The form in words: "comma, point, UTF-8". Returns a short list. */
  String words();

  /** The form as a study file keeps it: names and values. */
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
              Boolean.parseBoolean(settings.get("grouped")),
              Integer.parseInt(settings.get("skip")),
              header,
              ""));
    } catch (IllegalArgumentException | NullPointerException | IndexOutOfBoundsException e) {
      return Optional.empty(); // Another version's form: it is guessed again.
    }
  }

  /**
   * Delimited text.
   *
   * @param charset encoding
   * @param delimiter between cells
   * @param quote around cells that hold a delimiter; {@link #NO_QUOTE} for none
   * @param decimalComma whether numbers have a decimal comma
   * @param grouped whether the other of comma and point stands between thousands
   * @param skip rows above the table, such as a title
   * @param header whether the first row of the table names the columns
   * @param doubt what only a person can decide about the file, a sentence; empty if it is clear
   */
  record Text(
      Charset charset,
      char delimiter,
      char quote,
      boolean decimalComma,
      boolean grouped,
      int skip,
      boolean header,
      String doubt)
      implements FileForm {

    /** A character that no text holds. */
    public static final char NO_QUOTE = '\uFFFE';

    /**
     * A form without marks between thousands, and without a doubt.
     *
     * @param charset encoding
     * @param delimiter between cells
     * @param quote around cells that hold a delimiter
     * @param decimalComma whether numbers have a decimal comma
     * @param skip rows above the table
     * @param header whether the first row of the table names the columns
     */
    public Text(
        Charset charset,
        char delimiter,
        char quote,
        boolean decimalComma,
        int skip,
        boolean header) {
      this(charset, delimiter, quote, decimalComma, false, skip, header, "");
    }

    /** The same as someone chose it, so that nothing is in doubt any more. */
    public Text decided() {
      return new Text(charset, delimiter, quote, decimalComma, grouped, skip, header, "");
    }

    /**
     * The same with other marks in numbers.
     *
     * @param comma whether numbers have a decimal comma
     * @param thousands whether the other mark stands between thousands
     * @return the form
     */
    public Text marked(boolean comma, boolean thousands) {
      return new Text(charset, delimiter, quote, comma, thousands, skip, header, "");
    }

    /**
     * The same with another quotation mark.
     *
     * @param mark around cells; {@link #NO_QUOTE} for none
     * @return the form
     */
    public Text quoted(char mark) {
      return new Text(charset, delimiter, mark, decimalComma, grouped, skip, header, "");
    }

    /**
     * The same with rows above the table left out.
     *
     * @param rows how many
     * @param named whether the row after them names the columns
     * @return the form
     */
    public Text from(int rows, boolean named) {
      return new Text(charset, delimiter, quote, decimalComma, grouped, rows, named, doubt);
    }

    @Override
    public Map<String, String> settings() {
      return new TreeMap<>(
          Map.of(
              "charset", charset.name(),
              "delimiter", String.valueOf(delimiter),
              "quote", String.valueOf(quote),
              "decimalComma", String.valueOf(decimalComma),
              "grouped", String.valueOf(grouped),
              "skip", String.valueOf(skip),
              "header", String.valueOf(header)));
    }

    @Override
    public String words() {
      return nameOf(delimiter)
          + (decimalComma ? ", decimal comma" : "")
          + (grouped ? (decimalComma ? ", point" : ", comma") + " between thousands" : "")
          + (quote == NO_QUOTE ? ", without quotation marks" : "")
          + ", "
          + charset.displayName(java.util.Locale.ROOT)
          + (skip > 0 ? ", " + Numerals.count(skip, "row", "rows") + " above left out" : "")
          + (doubt.isEmpty() ? "" : ". " + doubt);
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
