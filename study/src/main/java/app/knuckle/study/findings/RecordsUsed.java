package app.knuckle.study.findings;

import java.util.List;

/**
 * Which records an inquiry used.
 *
 * @param read rows of the table
 * @param inPlay rows that took part in at least one answer
 * @param leftOut the others, each with its reason
 */
public record RecordsUsed(int read, int inPlay, List<LeftOut> leftOut) {

  public RecordsUsed {
    leftOut = List.copyOf(leftOut);
  }

  /**
   * A row left out.
   *
   * @param row of the source, the first is 1
   * @param why the reason
   */
  public record LeftOut(int row, String why) {}
}
