package app.knuckle.study.notice;

import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Stack;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A column for each occasion, or for each group, where a row for each value would serve. */
final class WideSheet {

  /** A name that ends in a number, with the part before it. */
  private static final Pattern NUMBERED = Pattern.compile("(.*[^\\d.])(\\d+(?:\\.\\d+)?)");

  /** Columns of groups are of like size: the largest median is at most so many times the least. */
  private static final double LIKE_SIZE = 4;

  /** Counts of groups differ more: treatments that kill or attract do. */
  private static final double LIKE_COUNTS = 12;

  /** In fewer rows whole numbers of like size may be anything. */
  private static final int FEWEST_COUNTS = 5;

  /** A shorter part in common says nothing. */
  private static final int SHORTEST_STEM = 3;

  private static final Pattern OCCASION =
      Pattern.compile(
          "(?i)(.*_)?(minute|hour|day|week|month|year|time|date|visit|occasion|round|t|d|h|wk)s?");

  private WideSheet() {}

  static List<Notice> look(Frame frame) {
    List<Notice> notices = new ArrayList<>();
    Map<String, List<String>> stems = new LinkedHashMap<>();
    for (Column column : frame.columns()) {
      Matcher name = NUMBERED.matcher(column.name());
      boolean named = !column.name().startsWith("column "); // Such names are given on reading.
      if (column instanceof Numbers && named && name.matches()) {
        stems.computeIfAbsent(name.group(1), key -> new ArrayList<>()).add(column.name());
      }
    }
    stems.forEach(
        (stem, columns) -> {
          if (columns.size() > 1) {
            String bare = stem.replaceAll("[\\s_.-]+$", "");
            // "day_0" names when it was measured, "score_1" what.
            boolean when = bare.isEmpty() || OCCASION.matcher(bare).matches();
            String names = free(frame, bare.isEmpty() || !when ? "occasion" : bare);
            String values = free(frame, when ? "value" : stem(frame, columns));
            notices.add(
                notice(
                    columns,
                    Numerals.list(columns)
                        + " look like one measurement on several occasions, a column for each.",
                    new Stack(columns, names, values, false)));
          }
        });
    List<String> groups = groupColumns(frame);
    if (notices.isEmpty() && groups.size() > 1) {
      notices.add(
          notice(
              groups,
              isRagged(frame, groups)
                  ? "The columns hold numbers of like size and end at different rows, as they do"
                      + " where there is a column for each group."
                  : "Every column holds numbers of like size: perhaps there is a column for each"
                      + " group, or several measurements of each unit.",
              new Stack(groups, free(frame, "group"), free(frame, stem(frame, groups)), false)));
    }
    return notices;
  }

  /**
   * What the names of columns have in common, with the unit that they share: it names the values.
   */
  private static String stem(Frame frame, List<String> columns) {
    String stem = columns.get(0);
    for (String column : columns) {
      int same = 0;
      while (same < Math.min(stem.length(), column.length())
          && stem.charAt(same) == column.charAt(same)) {
        same++;
      }
      stem = stem.substring(0, same);
    }
    String bare = stem.replaceAll("[\\s_.-]+$", "").replaceAll("\\d+$", "");
    if (bare.length() < SHORTEST_STEM) {
      return "value";
    }
    List<String> units = columns.stream().map(c -> frame.column(c).unit()).distinct().toList();
    return units.size() == 1 && !units.get(0).isEmpty() && !stem.endsWith(units.get(0))
        ? bare + " (" + units.get(0) + ")"
        : bare;
  }

  private static Notice notice(List<String> columns, String words, Stack stack) {
    return new Notice(
        "",
        words,
        List.of(),
        List.of(
            new Notice.Fix(
                "Stack them: a row for each of "
                    + Numerals.count(columns.size(), "column", "columns"),
                List.of(stack))));
  }

  /**
   * The columns that could be samples of one measurement: no units, like size, and nothing beside
   * them but labels or numbers of the rows.
   */
  private static List<String> groupColumns(Frame frame) {
    List<Numbers> groups = new ArrayList<>();
    for (Column column : frame.columns()) {
      if (column instanceof Categories words) {
        if (!isLabel(words)) {
          return List.of();
        }
      } else if (!column.unit().isEmpty()) {
        return List.of();
      } else if (!isRowNumber((Numbers) column)) {
        groups.add((Numbers) column);
      }
    }
    boolean counts = groups.stream().allMatch(WideSheet::isCount);
    double least = Double.POSITIVE_INFINITY;
    double most = 0;
    for (Numbers column : groups) {
      // A count of none is like a count of a few: one more makes them comparable.
      double middle = middle(column) + (counts ? 1 : 0);
      least = Math.min(least, middle);
      most = Math.max(most, middle);
    }
    boolean even = counts && !isRagged(frame, names(groups));
    boolean codes =
        even && (frame.rows() < FEWEST_COUNTS || groups.stream().anyMatch(WideSheet::isCode));
    if (codes) {
      return List.of(); // Rather a treatment written as numbers.
    }
    boolean alike = least > 0 && most <= (counts ? LIKE_COUNTS : LIKE_SIZE) * least;
    return alike ? names(groups) : List.of();
  }

  private static List<String> names(List<Numbers> columns) {
    return columns.stream().map(Numbers::name).toList();
  }

  /** Whole numbers from a small one upward, each repeated. */
  private static boolean isCode(Numbers column) {
    return NumberNotices.looksLikeNames(
        Arrays.stream(column.values()).filter(v -> !Double.isNaN(v)).toArray());
  }

  /** A name for each row. */
  private static boolean isLabel(Categories column) {
    Set<Integer> seen = new HashSet<>();
    for (int row = 0; row < column.size(); row++) {
      if (!column.isMissing(row) && !seen.add(column.code(row))) {
        return false;
      }
    }
    return true;
  }

  /** 1, 2, 3 and so on. */
  private static boolean isRowNumber(Numbers column) {
    for (int row = 0; row < column.size(); row++) {
      if (column.value(row) != row + 1) {
        return false;
      }
    }
    return column.size() > 1;
  }

  private static boolean isCount(Numbers column) {
    for (int row = 0; row < column.size(); row++) {
      double value = column.value(row);
      if (!column.isMissing(row) && (value < 0 || value != Math.rint(value))) {
        return false;
      }
    }
    return true;
  }

  /** Columns whose missing cells are all below their values, and which are of different length. */
  private static boolean isRagged(Frame frame, List<String> columns) {
    Set<Integer> lengths = new HashSet<>();
    for (String name : columns) {
      Column column = frame.column(name);
      int length = 0;
      for (int row = 0; row < column.size(); row++) {
        if (!column.isMissing(row)) {
          if (length < row) {
            return false;
          }
          length++;
        }
      }
      lengths.add(length);
    }
    return lengths.size() > 1;
  }

  private static double middle(Numbers column) {
    double[] sorted =
        Arrays.stream(column.values()).filter(v -> !Double.isNaN(v)).sorted().toArray();
    return sorted.length == 0 ? Double.NaN : sorted[sorted.length / 2];
  }

  private static String free(Frame frame, String name) {
    String candidate = name;
    for (int i = 2; frame.has(candidate); i++) {
      candidate = name + " " + i;
    }
    return candidate;
  }
}
