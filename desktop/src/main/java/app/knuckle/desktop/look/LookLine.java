package app.knuckle.desktop.look;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Line;
import app.knuckle.study.words.Numerals;

/** The live line of the joint: what is missing. */
public final class LookLine {

  private LookLine() {}

  /**
   * The line of an answer.
   *
   * @param answer null before the first one
   * @return the line
   */
  public static Line of(Answer answer) {
    if (answer == null || answer.findings() == null) {
      return new Line(Line.State.NOT_YET, "waits for the layout");
    }
    long missing = answer.findings().first().summaries().get(0).summary().missing();
    return new Line(
        Line.State.DONE,
        missing == 0
            ? "no value missing"
            : Numerals.count(missing, "value", "values") + " missing");
  }
}
