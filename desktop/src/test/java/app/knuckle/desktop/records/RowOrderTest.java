package app.knuckle.desktop.records;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

/** Sorted and searched, the records are the same records. */
class RowOrderTest {

  private static Frame frame(int rows, Random random) {
    int[] codes = random.ints(rows, -1, 3).toArray();
    double[] values =
        random.ints(rows, 0, 40).mapToDouble(v -> v < 4 ? Double.NaN : v / 4.0).toArray();
    Column mesh = new Categories("mesh", "", codes, List.of("Coarse", "fine", "none"), false);
    return Frame.of(new Table("t", "", List.of(mesh, new Numbers("growth", "", values)), ""));
  }

  @Property(tries = 100)
  void sortingMovesEveryRowOnceAndMissingOnesLast(
      @ForAll @IntRange(min = 1, max = 60) int rows,
      @ForAll boolean falling,
      @ForAll boolean byWords,
      @ForAll Random random) {
    Frame frame = frame(rows, random);
    Column column = frame.columns().get(byWords ? 0 : 1);
    int[] order = new RowOrder(column.name(), falling, "", false).of(frame, Progress.NONE).order();
    assertThat(Arrays.stream(order).sorted().toArray())
        .isEqualTo(IntStream.range(0, rows).toArray());
    for (int i = 1; i < rows; i++) {
      double before = key(column, order[i - 1]);
      double now = key(column, order[i]);
      if (Double.isNaN(before)) {
        assertThat(now).isNaN();
      } else if (!Double.isNaN(now)) {
        assertThat(falling ? before >= now : before <= now).isTrue();
      }
      if (before == now) {
        assertThat(order[i]).as("equal ones as read").isGreaterThan(order[i - 1]);
      }
    }
  }

  private static double key(Column column, int row) {
    return column instanceof Numbers numbers
        ? numbers.value(row)
        : column.isMissing(row) ? Double.NaN : ((Categories) column).code(row);
  }

  @Property(tries = 100)
  void whatIsFoundHoldsTheTextAndNothingElseDoes(
      @ForAll @IntRange(min = 1, max = 60) int rows, @ForAll Random random) {
    Frame frame = frame(rows, random);
    for (String text : List.of("FINE", " coarse ", "2.", "1", "gone", "")) {
      RowOrder.View seen = new RowOrder("growth", true, text, false).of(frame, Progress.NONE);
      RowOrder.View only = new RowOrder("growth", true, text, true).of(frame, Progress.NONE);
      int[] hits = Arrays.stream(seen.found()).map(at -> seen.order()[at]).toArray();
      String wanted = text.strip().toLowerCase();
      for (int row = 0; row < rows; row++) {
        int own = row;
        boolean holds =
            !wanted.isEmpty()
                && (frame.columns().get(0).text(row).toLowerCase().contains(wanted)
                    || frame.columns().get(1).text(row).startsWith(wanted));
        assertThat(Arrays.stream(hits).anyMatch(hit -> hit == own)).isEqualTo(holds);
      }
      assertThat(only.order()).isEqualTo(wanted.isEmpty() ? seen.order() : hits);
    }
  }
}
