package app.knuckle.desktop.writeup;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Line;
import app.knuckle.study.words.Numerals;

/** The live line of the joint: how much there is to take away. */
public final class WriteUpLine {

  private WriteUpLine() {}

  /**
   * The line of an answer.
   *
   * @param answer null before the first one
   * @return the line
   */
  public static Line of(Answer answer) {
    if (answer == null || answer.findings() == null || answer.findings().refusal().isPresent()) {
      return new Line(Line.State.NOT_YET, "waits for an answer");
    }
    int responses = answer.findings().responses().size();
    return new Line(
        Line.State.DONE,
        responses == 1 ? "page ready" : Numerals.count(responses, "response", "responses"));
  }
}
