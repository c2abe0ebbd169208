package app.knuckle.desktop.figure;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Line;

/** The live line of the joint: what the figure shows. */
public final class FigureLine {

  private FigureLine() {}

  /**
   * The line of an answer.
   *
   * @param answer null before the first one
   * @return the line
   */
  public static Line of(Answer answer) {
    if (answer == null || !answer.isTested()) {
      return new Line(Line.State.NOT_YET, "waits for the test");
    }
    boolean letters =
        answer.findings().first().shownMeans().stream().anyMatch(m -> !m.letters().isEmpty());
    return new Line(Line.State.DONE, letters ? "means with letters" : "means drawn");
  }
}
