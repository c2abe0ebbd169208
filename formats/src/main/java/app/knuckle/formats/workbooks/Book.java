package app.knuckle.formats.workbooks;

import java.io.Closeable;
import java.io.IOException;
import java.util.List;
import java.util.stream.Stream;

/** An open workbook, whatever its format. */
public interface Book extends Closeable {

  /**
   * A row of a sheet.
   *
   * @param number counted from 1, rows that hold nothing counted too
   * @param cells as text, without blanks at the end
   * @param errors cells that hold a spreadsheet's error and so no value
   * @param unvalued places of formulas whose value was not stored, such as "C5"
   */
  record Row(int number, List<String> cells, int errors, List<String> unvalued) {
    public boolean isBlank() {
      return cells.stream().allMatch(String::isBlank);
    }
  }

  /** Names of the sheets, in order. */
  List<String> sheets();

  /** Whether a sheet is shown when the workbook is opened. */
  boolean isVisible(String sheet);

  /** The rows of a sheet in order; those that hold nothing may be left out. */
  Stream<Row> rows(String sheet) throws IOException;
}
