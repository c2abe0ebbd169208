package app.knuckle.study.notice;

import app.knuckle.study.prep.Edit;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Kind;
import app.knuckle.study.prep.Missing;
import app.knuckle.study.prep.Rename;
import app.knuckle.study.prep.SetAside;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * What people write into a sheet for the eye, and what is no record: blank and title rows, units
 * under the heads, totals at the end, a group's name in its first row only.
 */
final class SheetHabits {

  private static final Pattern TOTAL =
      Pattern.compile("(?i)\\s*(grand )?(total|totals|sum|mean|average|overall|all)\\b.*");

  /** A title in the middle is told from a gap by the cells it leaves blank. */
  private static final int FEWEST_COLUMNS = 3;

  /** A label is not filled down over more rows than this: that is no sheet made by hand. */
  private static final int MOST_FILLED = 2_000;

  /** Sums of columns agree with a row of totals to this share, being rounded when written down. */
  private static final double ROUNDED = 1e-3;

  private final Frame frame;
  private final int[] rows;

  private SheetHabits(Frame frame) {
    this.frame = frame;
    rows = IntStream.range(0, frame.rows()).filter(frame::inPlay).toArray();
  }

  static List<Notice> look(Frame frame) {
    SheetHabits sheet = new SheetHabits(frame);
    List<Notice> notices = new ArrayList<>();
    if (sheet.rows.length > 1) {
      sheet.units(notices);
      sheet.rowsThatAreNone(notices);
      sheet.total(notices);
      frame.columns().stream()
          .filter(Categories.class::isInstance)
          .forEach(column -> sheet.labels((Categories) column, notices));
    }
    return notices;
  }

  private int filled(int row) {
    return (int) frame.columns().stream().filter(c -> !c.isMissing(row)).count();
  }

  private SetAside aside(List<Integer> which, String why) {
    return new SetAside(which.stream().map(row -> frame.sourceRow(row) + 1).toList(), why, false);
  }

  /** Columns of numbers but for their first row, which holds words there. */
  private void units(List<Notice> notices) {
    int first = rows[0];
    List<Categories> columns = new ArrayList<>();
    for (Column column : frame.columns()) {
      if (column instanceof Categories words && isUnit(words, first)) {
        columns.add(words);
      }
    }
    boolean others =
        frame.columns().stream()
            .anyMatch(c -> c instanceof Numbers && !c.isMissing(first) && !columns.contains(c));
    if (columns.isEmpty() || others) {
      return;
    }
    List<Step> steps = new ArrayList<>(List.of(aside(List.of(first), "units, no record")));
    for (Categories column : columns) {
      String unit = column.text(first).strip();
      steps.add(new Missing(List.of(column.name()), List.of(column.text(first)), false));
      steps.add(new Kind(column.name(), Kind.As.NUMBER, false));
      steps.add(new Rename(column.name(), column.name(), bare(unit), false));
    }
    notices.add(
        new Notice(
            "",
            "The first row holds units: "
                + Numerals.list(columns.stream().map(c -> c.text(first)).toList())
                + ".",
            List.of(first),
            List.of(new Notice.Fix("Take them as units, not as a record", steps))));
  }

  private static String bare(String unit) {
    return unit.replaceAll("^[(\\[]|[)\\]]$", "");
  }

  private boolean isUnit(Categories column, int first) {
    if (column.isMissing(first) || isNumber(column.text(first))) {
      return false;
    }
    boolean any = false;
    for (int r = 1; r < rows.length; r++) {
      if (!column.isMissing(rows[r])) {
        if (!isNumber(column.text(rows[r]))) {
          return false;
        }
        any = true;
      }
    }
    return any;
  }

  private static boolean isNumber(String text) {
    return !Double.isNaN(NumberText.parse(text, false));
  }

  /** Rows without a value, and rows with nothing but a title. */
  private void rowsThatAreNone(List<Notice> notices) {
    List<Integer> blank = new ArrayList<>();
    List<Integer> titles = new ArrayList<>();
    for (int row : rows) {
      int filled = filled(row);
      if (filled == 0) {
        blank.add(row);
      } else if (filled == 1 && frame.columns().size() >= FEWEST_COLUMNS && isTitle(row)) {
        titles.add(row);
      }
    }
    if (!blank.isEmpty() && blank.size() < rows.length) {
      notices.add(
          odd(
              Numerals.count(blank.size(), "row is blank", "rows are blank") + ".",
              blank,
              "a blank row"));
    }
    if (!titles.isEmpty() && titles.size() < rows.length / 2) {
      notices.add(
          odd(
              Numerals.count(titles.size(), "row holds", "rows hold")
                  + " one cell only, perhaps a title.",
              titles,
              "a title, no record"));
    }
  }

  /** A word that stands nowhere else in its column. */
  private boolean isTitle(int row) {
    for (Column column : frame.columns()) {
      if (!column.isMissing(row)) {
        String text = column.text(row);
        return column instanceof Categories
            && IntStream.of(rows).noneMatch(r -> r != row && column.text(r).equals(text));
      }
    }
    return false;
  }

  private Notice odd(String words, List<Integer> which, String why) {
    String label =
        which.size() == 1
            ? "Set row " + Numerals.whole(frame.sourceRow(which.get(0)) + 1L) + " aside"
            : "Set the " + Numerals.whole(which.size()) + " rows aside";
    List<Integer> shown = which.subList(0, Math.min(which.size(), NumberNotices.MOST_ROWS));
    return new Notice("", words, shown, List.of(new Notice.Fix(label, List.of(aside(which, why)))));
  }

  /** The last row, if it says so, or if its numbers are the sums of those above. */
  private void total(List<Notice> notices) {
    int last = rows[rows.length - 1];
    if (filled(last) < 2 && rows.length < FEWEST_COLUMNS) {
      return;
    }
    boolean said =
        frame.columns().stream()
            .anyMatch(
                c ->
                    c instanceof Categories
                        && !c.isMissing(last)
                        && TOTAL.matcher(c.text(last)).matches()
                        && isTitle(last, c));
    if (said || isSum(last)) {
      notices.add(
          odd(
              "The last row looks like a total or a mean of those above.",
              List.of(last),
              "a total, no record"));
    }
  }

  private boolean isTitle(int row, Column column) {
    return IntStream.of(rows).noneMatch(r -> r != row && column.text(r).equals(column.text(row)));
  }

  /** No label in the row, and at least two columns whose last number is the sum of the others. */
  private boolean isSum(int last) {
    int sums = 0;
    for (Column column : frame.columns()) {
      if (column instanceof Categories) {
        if (!column.isMissing(last)) {
          return false;
        }
      } else if (!column.isMissing(last)) {
        double sum = 0;
        for (int r = 0; r < rows.length - 1; r++) {
          sum += column.isMissing(rows[r]) ? 0 : ((Numbers) column).value(rows[r]);
        }
        double total = ((Numbers) column).value(last);
        if (sum == 0 || Math.abs(total - sum) > ROUNDED * Math.abs(sum)) {
          return false;
        }
        sums++;
      }
    }
    return sums > 1 && rows.length > FEWEST_COLUMNS;
  }

  /** A name that stands in the first row of its block of rows, with blanks below. */
  private void labels(Categories column, List<Notice> notices) {
    if (column.isMissing(rows[0])) {
      return;
    }
    List<Integer> heads = new ArrayList<>();
    List<Edit.Cell> cells = new ArrayList<>();
    List<Integer> blanks = new ArrayList<>();
    String label = "";
    for (int row : rows) {
      if (heads.size() > MOST_FILLED || cells.size() > MOST_FILLED) {
        return;
      }
      if (!column.isMissing(row)) {
        label = column.text(row);
        heads.add(row);
      } else if (filled(row) > 0) {
        cells.add(new Edit.Cell(row + 1, column.name(), label));
        blanks.add(row);
      }
    }
    if (heads.size() < 2 || heads.size() > cells.size() || !areBlocks(column, heads)) {
      return;
    }
    notices.add(
        new Notice(
            column.name(),
            column.name() + " stands in the first row of each block of rows only.",
            blanks.subList(0, Math.min(blanks.size(), NumberNotices.MOST_ROWS)),
            List.of(new Notice.Fix("Fill it down", List.of(new Edit(cells, false))))));
  }

  /** Every name is followed by a blank, and none comes back or all blocks are of one length. */
  private boolean areBlocks(Categories column, List<Integer> heads) {
    Set<Integer> lengths = new HashSet<>();
    Set<String> names = new HashSet<>();
    for (int h = 0; h < heads.size(); h++) {
      int from = heads.get(h);
      int to = h + 1 < heads.size() ? heads.get(h + 1) : rows[rows.length - 1] + 1;
      int length =
          1 + (int) IntStream.of(rows).filter(r -> r > from && r < to && filled(r) > 0).count();
      if (length < 2) {
        return false;
      }
      lengths.add(length);
      names.add(column.text(from));
    }
    return names.size() == heads.size() || lengths.size() == 1;
  }
}
