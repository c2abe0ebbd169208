package app.knuckle.formats.records;

import app.knuckle.study.table.NumberText;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/**
 * What commas and points stand for in the numbers of a text: a mark that always stands before three
 * digits may part thousands, or be a decimal mark of numbers with three decimals.
 *
 * @param decimalComma whether numbers have a decimal comma
 * @param grouped whether the other mark stands between thousands
 * @param doubt a sentence if only a person can tell; else empty
 */
record Marks(boolean decimalComma, boolean grouped, String doubt) {

  private static final Pattern WHOLE = Pattern.compile("[-+]?\\d+");
  private static final double THOUSAND = 1_000;

  /** Whole numbers this large stand beside thousands rather than beside parts of one. */
  private static final double LARGE = 100;

  /** What one column says of a mark. */
  private enum Says {
    NOTHING,
    DECIMAL,
    THOUSANDS,
    EITHER
  }

  /**
   * Guesses.
   *
   * @param rows of the table
   * @param delimiter between their cells
   */
  static Marks of(List<List<String>> rows, char delimiter) {
    List<List<String>> columns = columns(rows);
    boolean decimalComma = delimiter != ',' && TextGuess.hasDecimalCommas(rows);
    List<Says> commas = columns.stream().map(c -> says(c, ',')).toList();
    List<Says> points = columns.stream().map(c -> says(c, '.')).toList();
    boolean clearComma = commas.contains(Says.DECIMAL);
    boolean clearPoint = points.contains(Says.DECIMAL);
    if (commas.contains(Says.THOUSANDS) && !clearComma) {
      return new Marks(false, true, "");
    }
    if (points.contains(Says.THOUSANDS) && !clearPoint && (clearComma || !isShort(columns))) {
      return new Marks(true, true, "");
    }
    if (commas.contains(Says.EITHER) && !clearComma) {
      if (clearPoint) {
        return new Marks(false, true, "");
      }
      return new Marks(
          decimalComma,
          false,
          "It cannot be told whether the commas in "
              + example(columns.get(commas.indexOf(Says.EITHER)))
              + " are decimal marks or part thousands: choose the decimal mark");
    }
    return new Marks(decimalComma, false, "");
  }

  /** Whether whole numbers beside points are so small that the points may be decimal. */
  private static boolean isShort(List<List<String>> columns) {
    return columns.stream()
        .filter(c -> says(c, '.') == Says.THOUSANDS)
        .flatMap(List::stream)
        .filter(cell -> WHOLE.matcher(cell).matches())
        .noneMatch(cell -> Math.abs(NumberText.parse(cell, false)) >= LARGE);
  }

  private static String example(List<String> column) {
    return column.stream().filter(c -> c.indexOf(',') >= 0).findFirst().orElse("it");
  }

  private static List<List<String>> columns(List<List<String>> rows) {
    List<List<String>> columns = new ArrayList<>();
    for (List<String> row : rows) {
      for (int c = 0; c < row.size(); c++) {
        if (c == columns.size()) {
          columns.add(new ArrayList<>());
        }
        columns.get(c).add(row.get(c).strip());
      }
    }
    return columns;
  }

  private static Says says(List<String> column, char mark) {
    Pattern number = Pattern.compile("[-+]?\\d*" + Pattern.quote("" + mark) + "[\\d" + mark + "]*");
    Pattern groups = groups(mark);
    int grouped = 0;
    int several = 0;
    int plain = 0;
    boolean large = false;
    for (String cell : column) {
      if (WHOLE.matcher(cell).matches()) {
        plain++;
        large |= Math.abs(NumberText.parse(cell, false)) >= THOUSAND;
      } else if (number.matcher(cell).matches()) {
        if (!groups.matcher(cell).matches()) {
          return Says.DECIMAL;
        }
        grouped++;
        several += cell.indexOf(mark) != cell.lastIndexOf(mark) ? 1 : 0;
      }
    }
    if (grouped == 0) {
      return Says.NOTHING;
    }
    return several > 0 || plain > 0 && !large
        ? Says.THOUSANDS
        : plain > 0 ? Says.DECIMAL : Says.EITHER;
  }

  /** Numbers whose every mark stands before exactly three digits. */
  static Pattern groups(char mark) {
    return Pattern.compile("[-+]?[1-9]\\d{0,2}(" + Pattern.quote("" + mark) + "\\d{3})+");
  }
}
