package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.List;

/**
 * What a step did to the records.
 *
 * @param cells cells that hold something else than before
 * @param rows rows that went out of play
 * @param columns columns that were not there before
 * @param noResult cells of the new columns without a value where the row is in play
 * @param rowsBefore rows before the step, in play or not
 * @param rowsAfter rows after it
 */
public record Effect(
    int cells, int rows, int columns, int noResult, int rowsBefore, int rowsAfter) {

  /**
   * Compares two frames.
   *
   * @param before the step
   * @param after the step
   * @return the effect
   */
  public static Effect of(Frame before, Frame after) {
    boolean reshaped = before.rows() != after.rows();
    int cells = 0;
    int added = 0;
    int none = 0;
    for (Column column : after.columns()) {
      if (!before.has(column.name())) {
        added++;
        none += missingInPlay(column, after);
      } else if (!reshaped && before.column(column.name()) != column) {
        cells += changed(before.column(column.name()), column);
      }
    }
    int out = reshaped ? 0 : after.leftOut().size() - before.leftOut().size();
    boolean renamed = added > 0 && before.columns().size() == after.columns().size();
    return new Effect(
        cells, out, renamed ? 0 : added, renamed ? 0 : none, before.rows(), after.rows());
  }

  private static int missingInPlay(Column column, Frame frame) {
    int count = 0;
    for (int row = 0; row < column.size(); row++) {
      count += column.isMissing(row) && frame.inPlay(row) ? 1 : 0;
    }
    return count;
  }

  private static int changed(Column a, Column b) {
    int count = 0;
    if (a instanceof Numbers x && b instanceof Numbers y) {
      for (int row = 0; row < x.size(); row++) {
        count += Double.compare(x.value(row), y.value(row)) == 0 ? 0 : 1;
      }
    } else if (a instanceof Categories x && b instanceof Categories y) {
      int[] to = x.levels().stream().mapToInt(y.levels()::indexOf).toArray();
      for (int row = 0; row < x.size(); row++) {
        int expected = x.isMissing(row) ? Categories.MISSING : to[x.code(row)];
        boolean same = expected == y.code(row) && (x.isMissing(row) || expected >= 0);
        count += same ? 0 : 1;
      }
    }
    return count;
  }

  /**
   * The effect in words, such as "2 cells", "3 rows out of play"; say("effect.none") when there is
   * nothing to see.
   */
  public String words() {
    List<String> parts = new ArrayList<>();
    if (rowsBefore != rowsAfter) {
      parts.add(say("effect.rows", Numerals.whole(rowsBefore), Numerals.whole(rowsAfter)));
    }
    if (cells > 0) {
      parts.add(Phrases.count("effect.cells", cells));
    }
    if (rows > 0) {
      parts.add(Phrases.count("effect.out", rows));
    }
    if (columns > 0) {
      parts.add(Phrases.count("effect.columns", columns));
    }
    if (noResult > 0) {
      parts.add(Phrases.count("effect.without", noResult));
    }
    return parts.isEmpty() ? say("effect.none") : String.join(", ", parts);
  }
}
