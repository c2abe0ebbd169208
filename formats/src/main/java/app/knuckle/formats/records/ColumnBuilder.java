package app.knuckle.formats.records;

import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.MissingMarks;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Units;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;

/** Gathers the cells of one column, as numbers or as categories. */
final class ColumnBuilder {

  private static final int FIRST_ROWS = 1024;

  private final String name;
  private final boolean decimalComma;

  /** Numbers whose thousands are parted; null where none are. */
  private final Pattern groups;

  private final boolean asWords;

  /** Whether an apostrophe is the sign for text, as in files for spreadsheets. */
  private final boolean marked;

  private final LevelIndex index = new LevelIndex();
  private final List<String> levels = new ArrayList<>();
  private double[] numbers;
  private int[] codes;
  private int size;
  private boolean metWord;

  /**
   * Whole numbers that were written with decimals, "1.0", by how often; null once they are many.
   */
  private Map<Double, Integer> withDecimals = new TreeMap<>();

  /** A column with more of them holds measurements, which are written in many ways. */
  private static final int MOST_WITH_DECIMALS = 50;

  ColumnBuilder(
      String name, boolean decimalComma, boolean grouped, boolean asWords, boolean marked) {
    this.name = name;
    this.decimalComma = decimalComma;
    this.asWords = asWords;
    this.marked = marked;
    groups = grouped ? Marks.groups(decimalComma ? '.' : ',') : null;
    numbers = new double[asWords ? 0 : FIRST_ROWS];
    codes = new int[asWords ? FIRST_ROWS : 0];
  }

  String name() {
    return name;
  }

  void add(String cell) {
    add(cell.toCharArray(), 0, cell.length());
  }

  /** Adds a cell that is some of many letters, without making a text of it where that can be. */
  void add(char[] letters, int from, int length) {
    if (asWords) {
      addWord(letters, from, length);
    } else if (!metWord) {
      addNumber(letters, from, length);
    }
  }

  private void addNumber(char[] letters, int from, int length) {
    if (size == numbers.length) {
      numbers = Arrays.copyOf(numbers, size + (size >> 1));
    }
    boolean plain = groups == null && !mayBeCode(letters, from, length);
    double value = plain ? NumberText.plain(letters, from, length, mark()) : Double.NaN;
    if (Double.isNaN(value) && length > 0) {
      String cell = new String(letters, from, length);
      value = parse(cell);
      if (isWord(cell, value)) {
        metWord = true;
        numbers = new double[0];
        return;
      }
    }
    if (withDecimals != null && length > 0 && !Double.isNaN(value)) {
      noteDecimals(value, letters, from, length);
    }
    numbers[size++] = value;
  }

  private void noteDecimals(double value, char[] letters, int from, int length) {
    if (value != Math.rint(value)) {
      withDecimals = null; // Measurements: no two of them are one level.
      return;
    }
    for (int i = from; i < from + length; i++) {
      if (letters[i] == mark()) {
        withDecimals.merge(value, 1, Integer::sum);
        break;
      }
    }
    if (withDecimals.size() > MOST_WITH_DECIMALS) {
      withDecimals = null;
    }
  }

  /**
   * Whole numbers that some cells write with decimals and others without: 1.0 and 1 are one number,
   * and would be one level.
   */
  private List<String> writtenInTwoWays() {
    if (withDecimals == null || withDecimals.isEmpty()) {
      return List.of();
    }
    Map<Double, Integer> all = new TreeMap<>();
    for (int row = 0; row < size; row++) {
      if (withDecimals.containsKey(numbers[row])) {
        all.merge(numbers[row], 1, Integer::sum);
      }
    }
    return all.entrySet().stream()
        .filter(e -> e.getValue() > withDecimals.get(e.getKey()))
        .map(e -> Numbers.text(e.getKey()))
        .toList();
  }

  /** A 0 before anything but the decimal mark is looked at more closely. */
  private boolean mayBeCode(char[] letters, int from, int length) {
    return length > 1 && letters[from] == '0' && letters[from + 1] != mark();
  }

  private char mark() {
    return decimalComma ? ',' : '.';
  }

  private double parse(String cell) {
    if (groups != null) {
      String bare = cell.strip();
      if (groups.matcher(bare).matches()) {
        return NumberText.parse(bare.replace(decimalComma ? "." : ",", ""), decimalComma);
      }
    }
    return NumberText.parse(cell, decimalComma);
  }

  /** Whether a cell is neither a number nor missing, or a number written like a code. */
  boolean isWord(String cell) {
    return isWord(cell, parse(cell));
  }

  private static boolean isWord(String cell, double value) {
    return Double.isNaN(value) ? !MissingMarks.isMissing(cell) : NumberText.looksLikeCode(cell);
  }

  private void addWord(char[] letters, int from, int length) {
    if (size == codes.length) {
      codes = Arrays.copyOf(codes, size + (size >> 1));
    }
    int code = index.code(letters, from, length);
    if (code == LevelIndex.UNKNOWN) {
      String cell = new String(letters, from, length);
      String level = marked ? SpreadsheetText.read(cell) : cell;
      code = MissingMarks.isMissing(level) ? Categories.MISSING : levels.size();
      index.put(level, code);
      String sheet = marked ? SpreadsheetText.written(level) : level;
      if (!sheet.equals(level)) {
        index.put(sheet, code); // With the sign for text and without it is the same word.
      }
      if (code != Categories.MISSING) {
        levels.add(level);
      }
    }
    codes[size++] = code;
  }

  /** Whether this pass met a cell that is no number in a column taken for numbers. */
  boolean metWord() {
    return metWord;
  }

  Column column() {
    String unit = Units.of(name);
    return asWords
        ? new Categories(name, unit, Arrays.copyOf(codes, size), levels, false)
        : new Numbers(name, unit, Arrays.copyOf(numbers, size), writtenInTwoWays());
  }
}
