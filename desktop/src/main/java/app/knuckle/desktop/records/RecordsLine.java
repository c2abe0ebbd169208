package app.knuckle.desktop.records;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Line;
import app.knuckle.study.words.Numerals;

/** The live line of the joint: how many records there are, and how many in play. */
public final class RecordsLine {

  private RecordsLine() {}

  /**
   * The line of an answer.
   *
   * @param answer null before the first one
   * @return the line
   */
  public static Line of(Answer answer) {
    if (answer == null) {
      return new Line(Line.State.NOT_YET, "reading");
    }
    if (answer.trail().refusal().isPresent()) {
      return new Line(Line.State.CAUTION, "a step does not fit");
    }
    int rows = answer.frame().rows();
    String line = Numerals.count(rows, "row", "rows");
    int out = answer.frame().leftOut().size();
    return new Line(
        answer.notices().isEmpty() ? Line.State.DONE : Line.State.CAUTION,
        out == 0 ? line : line + " \u00b7 " + Numerals.whole(rows - out) + " in play");
  }
}
