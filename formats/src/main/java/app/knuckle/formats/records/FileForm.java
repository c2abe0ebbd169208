package app.knuckle.formats.records;

import java.nio.charset.Charset;
import java.util.List;

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
   * Delimited text.
   *
   * @param charset encoding
   * @param delimiter between cells
   * @param quote around cells that hold a delimiter
   * @param decimalComma whether numbers have a decimal comma
   * @param header whether the first row names the columns
   */
  record Text(Charset charset, char delimiter, char quote, boolean decimalComma, boolean header)
      implements FileForm {

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
   * @param header whether the first row names the columns
   */
  record Workbook(List<String> sheets, String sheet, boolean header) implements FileForm {

    public Workbook {
      sheets = List.copyOf(sheets);
    }

    @Override
    public String words() {
      return "sheet " + sheet;
    }
  }
}
