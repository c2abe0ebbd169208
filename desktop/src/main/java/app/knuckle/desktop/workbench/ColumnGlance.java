package app.knuckle.desktop.workbench;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.checks.Outliers;
import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Kind;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * A column at a glance.
 *
 * @param column the column
 * @param kind in words: "number", "3 levels", "label"
 * @param shape heights of the thumbnail's bars, from 0 to 1
 * @param facts names and values for the column's card
 * @param decimals that show every value of a number column as it was written
 * @param longest characters of the longest level; 0 for numbers
 */
public record ColumnGlance(
    Column column, String kind, List<Double> shape, List<Fact> facts, int decimals, int longest) {

  private static final int BINS = 10;
  private static final int MOST_LEVELS = 12;

  /** More decimals than this in a table say nothing. */
  private static final int MOST_DECIMALS = 6;

  /** Rows looked at to find the decimals. */
  private static final int ROWS_FOR_DECIMALS = 2000;

  /** Far out values are sought among so many at most, and so many of them are named. */
  private static final int MOST_FENCED = 100_000;

  private static final int MOST_NAMED = 3;

  public ColumnGlance {
    shape = List.copyOf(shape);
    facts = List.copyOf(facts);
  }

  /**
   * A line of the column's card.
   *
   * @param name such as "missing"
   * @param value such as "2"
   */
  public record Fact(String name, String value) {}

  /**
   * Looks at all columns.
   *
   * @param frame the records
   * @param seen gives the glance of a column that was looked at before, or null
   * @return one a column
   */
  public static List<ColumnGlance> of(Frame frame, Function<Column, ColumnGlance> seen) {
    boolean[] out = frame.leftOut().isEmpty() ? null : new boolean[frame.rows()];
    frame.leftOut().keySet().forEach(row -> out[row] = true);
    return frame.columns().stream()
        .map(
            column -> {
              ColumnGlance glance = seen.apply(column);
              return glance == null ? of(column, out) : glance;
            })
        .toList();
  }

  /** Looks at a column, but for rows out of play; null if all are in play. */
  private static ColumnGlance of(Column column, boolean[] out) {
    int[] rows =
        IntStream.range(0, column.size()).filter(row -> out == null || !out[row]).toArray();
    return column instanceof Numbers numbers
        ? ofNumbers(numbers, rows)
        : ofLevels((Categories) column, rows);
  }

  private static ColumnGlance ofNumbers(Numbers column, int[] rows) {
    double[] finite =
        Arrays.stream(rows).mapToDouble(column::value).filter(Double::isFinite).toArray();
    GroupMoments moments = GroupMoments.of(finite, new int[finite.length], 1);
    double low = Arrays.stream(finite).min().orElse(Double.NaN);
    double high = Arrays.stream(finite).max().orElse(Double.NaN);
    Quantity sd =
        finite.length > 1
            ? Quantity.of(Math.sqrt(moments.sumOfSquares(0) / (finite.length - 1)))
            : Quantity.absent(Absence.ONE_VALUE);
    int decimals = sd.exists() ? Numerals.decimalsFor(sd.value() / 10) : 2;
    int shown = decimals(column);
    String mean =
        finite.length == 0
            ? Numerals.NONE
            : Numerals.fixed(moments.origin() + moments.deviation(0), decimals);
    List<Fact> facts = new ArrayList<>();
    facts.add(new Fact("in play", Numerals.whole(rows.length)));
    facts.add(
        new Fact("missing", Numerals.whole(Arrays.stream(rows).filter(column::isMissing).count())));
    facts.add(new Fact("mean \u00b1 SD", mean + " \u00b1 " + Numerals.fixed(sd, decimals)));
    facts.add(
        new Fact(
            "smallest, largest",
            finite.length == 0
                ? Numerals.NONE
                : Numerals.fixed(low, shown) + ", " + Numerals.fixed(high, shown)));
    String farOut = farOut(finite, shown);
    if (!farOut.isEmpty()) {
      facts.add(new Fact("far out", farOut));
    }
    return new ColumnGlance(column, "number", bins(finite, low, high), facts, shown, 0);
  }

  /** Values beyond the outer fences; empty for none, and where there are too many to look. */
  private static String farOut(double[] values, int decimals) {
    if (values.length > MOST_FENCED || values.length == 0) {
      return "";
    }
    List<Double> extreme = Outliers.fences(values).extreme();
    return extreme.size() > MOST_NAMED
        ? Numerals.count(extreme.size(), "value", "values")
        : extreme.stream().map(v -> Numerals.fixed(v, decimals)).collect(Collectors.joining(", "));
  }

  private static List<Double> bins(double[] values, double low, double high) {
    if (values.length == 0 || high == low) {
      return values.length == 0 ? List.of() : List.of(1.0);
    }
    int[] counts = new int[BINS];
    for (double v : values) {
      int bin = (int) ((v - low) / (high - low) * BINS);
      counts[Math.min(bin, BINS - 1)]++;
    }
    double most = Arrays.stream(counts).max().orElse(1);
    return Arrays.stream(counts).mapToObj(c -> c / most).toList();
  }

  private static int decimals(Numbers column) {
    int most = 0;
    for (int row = 0; row < Math.min(column.size(), ROWS_FOR_DECIMALS); row++) {
      String text = column.text(row);
      int point = text.indexOf('.');
      boolean plain = point >= 0 && text.indexOf('E') < 0;
      most = plain ? Math.max(most, text.length() - point - 1) : most;
    }
    return Math.min(MOST_DECIMALS, most);
  }

  private static ColumnGlance ofLevels(Categories column, int[] rows) {
    int[] counts = new int[column.levels().size()];
    int missing = 0;
    for (int row : rows) {
      if (column.isMissing(row)) {
        missing++;
      } else {
        counts[column.code(row)]++;
      }
    }
    double most = Math.max(1, Arrays.stream(counts).max().orElse(1));
    boolean label = counts.length > 1 && most == 1;
    List<Fact> facts = new ArrayList<>();
    facts.add(new Fact("in play", Numerals.whole(rows.length)));
    facts.add(new Fact("missing", Numerals.whole(missing)));
    for (int level = 0; level < Math.min(counts.length, MOST_LEVELS); level++) {
      facts.add(new Fact(column.levels().get(level), Numerals.whole(counts[level])));
    }
    if (counts.length > MOST_LEVELS) {
      facts.add(new Fact("and " + Numerals.whole(counts.length - MOST_LEVELS) + " more", ""));
    }
    List<Double> shape =
        label || counts.length > MOST_LEVELS
            ? List.of()
            : Arrays.stream(counts).mapToObj(c -> c / most).toList();
    int longest = column.levels().stream().mapToInt(String::length).max().orElse(0);
    String kind =
        label
            ? "label"
            : Numerals.count(counts.length, "level", "levels")
                + (column.ordered() ? ", in order" : "");
    return new ColumnGlance(column, kind, shape, facts, 0, longest);
  }

  /** The kind to choose among: number, category or ordered. */
  public Kind.As as() {
    return Kind.As.of(column);
  }

  /**
   * A cell as the table shows it.
   *
   * @param row from 0
   * @return one precision for the whole column; empty when missing
   */
  public String cell(int row) {
    if (column instanceof Numbers numbers && !numbers.isMissing(row)) {
      double value = numbers.value(row);
      return Double.isInfinite(value) ? numbers.text(row) : Numerals.fixed(value, decimals);
    }
    return column.text(row);
  }
}
