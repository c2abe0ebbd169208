package app.knuckle.study.notice;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Kind;
import app.knuckle.study.prep.Missing;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;

/** Numbers that look like codes, columns that look like names, columns without a value. */
final class NumberNotices {

  /** What people write where an instrument gave nothing. */
  private static final double[] CODES = {-9, -99, -999, -9999, 99, 999, 9999, 99999};

  /** Names for groups written as numbers go at most so far. */
  private static final int MOST_LEVELS = 12;

  /** Rows shown for one notice. */
  static final int MOST_ROWS = 1000;

  private NumberNotices() {}

  static List<Notice> look(Frame frame, Numbers column) {
    double[] inPlay =
        IntStream.range(0, column.size())
            .filter(row -> frame.inPlay(row) && !column.isMissing(row))
            .mapToDouble(column::value)
            .toArray();
    if (inPlay.length == 0) {
      return List.of(
          new Notice(
              column.name(), "No row has a value of " + column.name() + ".", List.of(), List.of()));
    }
    List<Notice> notices = new ArrayList<>();
    infinite(frame, column).ifPresent(notices::add);
    twoWays(column).ifPresent(notices::add);
    codes(inPlay).forEach(code -> notices.add(code(frame, column, code)));
    if (looksLikeNames(inPlay)) {
      notices.add(
          new Notice(
              column.name(),
              column.name()
                  + " counts from "
                  + Numbers.text(least(inPlay))
                  + " upward with repeats:"
                  + " perhaps each number is a name.",
              List.of(),
              List.of(
                  new Notice.Fix(
                      "Read it as a category",
                      List.of(new Kind(column.name(), Kind.As.CATEGORY, false))))));
    }
    return notices;
  }

  /** Cells such as 1e400, beyond every number that is reckoned with. */
  private static Optional<Notice> infinite(Frame frame, Numbers column) {
    List<Integer> rows =
        IntStream.range(0, column.size())
            .filter(row -> frame.inPlay(row) && Double.isInfinite(column.value(row)))
            .limit(MOST_ROWS)
            .boxed()
            .toList();
    return rows.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new Notice(column.name(), say("notice.infinite", column.name()), rows, List.of()));
  }

  /** Texts that differ and became one number, and could have been meant as two levels. */
  static Optional<Notice> twoWays(Numbers column) {
    List<String> numbers = column.writtenInTwoWays();
    String words = say("notice.two.ways", column.name(), Numerals.list(numbers));
    return numbers.isEmpty()
        ? Optional.empty()
        : Optional.of(new Notice(column.name(), words, List.of(), List.of()));
  }

  private static double least(double[] values) {
    return Arrays.stream(values).min().orElse(0);
  }

  /** Codes that occur and lie apart from all other values by at least their whole range. */
  private static List<Double> codes(double[] values) {
    boolean[] met = new boolean[CODES.length];
    double low = Double.POSITIVE_INFINITY;
    double high = Double.NEGATIVE_INFINITY;
    for (double v : values) {
      int code = v == Math.rint(v) ? indexOf(v) : -1;
      if (code >= 0) {
        met[code] = true;
      } else {
        low = Math.min(low, v);
        high = Math.max(high, v);
      }
    }
    double below = low - (high - low);
    double above = high + (high - low);
    boolean others = low <= high;
    return IntStream.range(0, CODES.length)
        .filter(i -> met[i] && others && (CODES[i] < below || CODES[i] > above))
        .mapToObj(i -> CODES[i])
        .toList();
  }

  private static int indexOf(double value) {
    for (int i = 0; i < CODES.length; i++) {
      if (CODES[i] == value) {
        return i;
      }
    }
    return -1;
  }

  private static Notice code(Frame frame, Numbers column, double code) {
    List<Integer> rows =
        IntStream.range(0, column.size())
            .filter(row -> frame.inPlay(row) && column.value(row) == code)
            .limit(MOST_ROWS)
            .boxed()
            .toList();
    String text = Numbers.text(code);
    return new Notice(
        column.name(),
        column.name()
            + " holds "
            + text.replace('-', '\u2212')
            + " in "
            + Numerals.count(rows.size(), "row", "rows")
            + ", far from its other values: it looks like a code for missing.",
        rows,
        List.of(
            new Notice.Fix(
                text.replace('-', '\u2212') + " means missing",
                List.of(new Missing(List.of(column.name()), List.of(text), false)))));
  }

  /** Whole numbers without a gap from 0 or 1, each of them repeated. */
  static boolean looksLikeNames(double[] values) {
    TreeMap<Double, Integer> counts = new TreeMap<>();
    for (double v : values) {
      counts.merge(v, 1, Integer::sum);
      if (counts.size() > MOST_LEVELS) {
        return false;
      }
    }
    if (counts.size() < 2) {
      return false; // One value, or none at all: it distinguishes nothing.
    }
    double first = counts.firstKey();
    return (first == 0 || first == 1)
        && counts.lastKey() == first + counts.size() - 1
        && counts.keySet().stream().allMatch(v -> v == Math.rint(v))
        && counts.values().stream().allMatch(n -> n > 1);
  }
}
