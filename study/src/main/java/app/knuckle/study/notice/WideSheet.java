package app.knuckle.study.notice;

import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Stack;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A column for each occasion, or for each group, where a row for each value would serve. */
final class WideSheet {

  /** A name that ends in a number, with the part before it. */
  private static final Pattern NUMBERED = Pattern.compile("(.*[^\\d.])(\\d+(?:\\.\\d+)?)");

  /** Columns of groups are of like size: the largest median is at most so many times the least. */
  private static final double LIKE_SIZE = 4;

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
            String names = free(frame, bare.isEmpty() ? "occasion" : bare);
            notices.add(
                notice(
                    columns,
                    Numerals.list(columns)
                        + " look like one measurement on several occasions, a column for each.",
                    new Stack(columns, names, free(frame, "value"), false)));
          }
        });
    List<String> groups = groupColumns(frame);
    if (notices.isEmpty() && groups.size() > 1) {
      notices.add(
          notice(
              groups,
              "Every column holds numbers of like size: perhaps there is a column for each group.",
              new Stack(groups, free(frame, "group"), free(frame, "value"), false)));
    }
    return notices;
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
   * All columns, if they could be samples of one measurement: no categories, no units, like size.
   */
  private static List<String> groupColumns(Frame frame) {
    double least = Double.POSITIVE_INFINITY;
    double most = 0;
    for (Column column : frame.columns()) {
      if (column instanceof Categories || !column.unit().isEmpty()) {
        return List.of();
      }
      double middle = middle((Numbers) column);
      least = Math.min(least, middle);
      most = Math.max(most, middle);
    }
    boolean alike = least > 0 && most <= LIKE_SIZE * least;
    boolean decimals =
        frame.columns().stream().anyMatch(c -> c.size() > 0 && c.text(0).contains("."));
    return alike && decimals ? frame.columns().stream().map(Column::name).toList() : List.of();
  }

  private static double middle(Numbers column) {
    double[] sorted =
        java.util.Arrays.stream(column.values()).filter(v -> !Double.isNaN(v)).sorted().toArray();
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
