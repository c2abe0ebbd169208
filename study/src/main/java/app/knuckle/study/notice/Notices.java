package app.knuckle.study.notice;

import app.knuckle.stats.Progress;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import java.util.ArrayList;
import java.util.List;

/** Looks at records for what is odd about them. */
public final class Notices {

  private Notices() {}

  /**
   * Everything odd, in the order in which it is best mended: shape, columns from left to right,
   * rows.
   *
   * @param frame the records; rows out of play are not looked at
   * @param progress asked before each column
   * @return the notices; empty when nothing is odd
   * @throws java.util.concurrent.CancellationException if stopped
   */
  public static List<Notice> of(Frame frame, Progress progress) {
    List<Notice> notices = new ArrayList<>(SheetHabits.look(frame));
    notices.addAll(WideSheet.look(frame));
    for (Column column : frame.columns()) {
      progress.check();
      notices.addAll(
          column instanceof Numbers numbers
              ? NumberNotices.look(frame, numbers)
              : LevelNotices.look(frame, (Categories) column));
    }
    progress.check();
    notices.addAll(Repeats.look(frame));
    return List.copyOf(notices);
  }

  /**
   * What a script should hear of the columns that it asks for: levels that could be taken for each
   * other, and numbers that are names.
   *
   * @param frame the records as they are asked
   * @param columns that are asked for
   * @return a sentence each
   */
  public static List<String> ofLevels(Frame frame, List<String> columns) {
    return columns.stream()
        .map(frame::column)
        .flatMap(
            column ->
                column instanceof Numbers numbers
                    ? NumberNotices.twoWays(numbers).stream()
                    : LevelNotices.confusable(frame, (Categories) column).stream())
        .map(Notice::words)
        .distinct()
        .toList();
  }
}
