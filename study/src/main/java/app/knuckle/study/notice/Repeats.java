package app.knuckle.study.notice;

import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.SetAside;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

/** Rows that stand there twice, and names of units that do. */
final class Repeats {

  /** A column names units if at most this share of its rows repeats a name. */
  private static final double NAMES_UNITS = 0.1;

  private Repeats() {}

  static List<Notice> look(Frame frame) {
    List<Notice> notices = new ArrayList<>();
    int[] inPlay = IntStream.range(0, frame.rows()).filter(frame::inPlay).toArray();
    List<Integer> twice = repeated(frame, inPlay);
    if (!twice.isEmpty()) {
      notices.add(
          notice(
              frame,
              "",
              Numerals.count(twice.size(), "row repeats", "rows repeat")
                  + " an earlier one in every column.",
              twice,
              "a copy of an earlier row"));
    }
    for (Column column : frame.columns()) {
      if (column instanceof Categories categories) {
        List<Integer> again = namedTwice(categories, inPlay);
        again.removeAll(twice);
        if (!again.isEmpty()) {
          Set<String> names = new HashSet<>();
          again.forEach(row -> names.add(column.text(row)));
          notices.add(
              notice(
                  frame,
                  column.name(),
                  column.name()
                      + " names each row, but "
                      + Numerals.list(names.stream().sorted().toList())
                      + (names.size() == 1 ? " stands" : " stand")
                      + " there more than once.",
                  again,
                  "the name stands there twice"));
        }
      }
    }
    return notices;
  }

  private static Notice notice(
      Frame frame, String column, String words, List<Integer> rows, String why) {
    List<Integer> sources = rows.stream().map(row -> frame.sourceRow(row) + 1).toList();
    String label =
        sources.size() == 1
            ? "Set row " + sources.get(0) + " aside"
            : "Set the later " + sources.size() + " aside";
    return new Notice(
        column,
        words,
        rows,
        List.of(new Notice.Fix(label, List.of(new SetAside(sources, why, false)))));
  }

  /** Rows equal to an earlier one; with few columns equal rows mean nothing. */
  private static List<Integer> repeated(Frame frame, int[] rows) {
    if (frame.columns().size() < 2 || frame.columns().stream().noneMatch(Repeats::isFine)) {
      return List.of();
    }
    long[] keys = new long[rows.length];
    for (Column column : frame.columns()) {
      for (int i = 0; i < rows.length; i++) {
        keys[i] = 31 * keys[i] + code(column, rows[i]);
        keys[i] ^= keys[i] >>> 29;
        keys[i] *= 0xBF58476D1CE4E5B9L; // Mixes the bits (Stafford 2011, mix 13).
      }
    }
    long[] sorted = keys.clone();
    Arrays.sort(sorted);
    Set<Long> doubled = new HashSet<>();
    for (int i = 1; i < sorted.length; i++) {
      if (sorted[i] == sorted[i - 1]) {
        doubled.add(sorted[i]);
      }
    }
    Map<Long, Integer> first = new HashMap<>();
    List<Integer> later = new ArrayList<>();
    for (int i = 0; i < rows.length && !doubled.isEmpty(); i++) {
      if (doubled.contains(keys[i])) {
        Integer before = first.putIfAbsent(keys[i], rows[i]);
        if (before != null && equal(frame, before, rows[i])) {
          later.add(rows[i]);
        }
      }
    }
    return later.size() > NumberNotices.MOST_ROWS || later.size() * 2 > rows.length
        ? List.of()
        : later;
  }

  /** Numbers with decimals seldom agree by chance. */
  private static boolean isFine(Column column) {
    if (!(column instanceof Numbers numbers)) {
      return false;
    }
    return IntStream.range(0, Math.min(numbers.size(), NumberNotices.MOST_ROWS))
        .anyMatch(row -> numbers.value(row) != Math.rint(numbers.value(row)));
  }

  private static long code(Column column, int row) {
    return column instanceof Numbers numbers
        ? Double.doubleToLongBits(numbers.value(row))
        : ((Categories) column).code(row);
  }

  private static boolean equal(Frame frame, int a, int b) {
    return frame.columns().stream().allMatch(c -> code(c, a) == code(c, b));
  }

  private static List<Integer> namedTwice(Categories column, int[] rows) {
    boolean[] seen = new boolean[column.levels().size()];
    List<Integer> again = new ArrayList<>();
    for (int row : rows) {
      if (!column.isMissing(row)) {
        if (seen[column.code(row)]) {
          again.add(row);
        }
        seen[column.code(row)] = true;
      }
      if (again.size() > NAMES_UNITS * rows.length) {
        return new ArrayList<>();
      }
    }
    return again;
  }
}
