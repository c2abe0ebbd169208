package app.knuckle.desktop.test;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Line;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.words.Numerals;
import java.util.List;

/** The live line of the joint: what was found. */
public final class TestLine {

  private TestLine() {}

  /**
   * The line of an answer.
   *
   * @param answer null before the first one
   * @return the line
   */
  public static Line of(Answer answer) {
    if (answer == null || !answer.isTested()) {
      return new Line(Line.State.NOT_YET, "waits for two groups");
    }
    ResponseFindings response = answer.findings().first();
    double alpha = answer.findings().inquiry().alpha();
    List<String> treatments = answer.findings().inquiry().treatments();
    List<Quantity> together = answer.findings().together().effects(treatments);
    List<Quantity> effects = together.isEmpty() ? response.results().effects(treatments) : together;
    if (effects.size() > 1) {
      long found = effects.stream().filter(p -> Significance.reached(p, alpha)).count();
      return new Line(Line.State.DONE, found + " of " + effects.size() + " effects found");
    }
    Quantity p = together.isEmpty() ? response.leastP(treatments) : together.get(0);
    return p.exists()
        ? new Line(Line.State.DONE, Numerals.pStatement(p))
        : new Line(Line.State.CAUTION, "no test possible");
  }
}
