package app.knuckle.desktop.test;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Line;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
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
    List<Quantity> together = together(answer);
    List<Quantity> effects = together.isEmpty() ? effects(answer) : together;
    if (effects.size() > 1) {
      long found = effects.stream().filter(p -> Significance.reached(p, alpha)).count();
      return new Line(Line.State.DONE, found + " of " + effects.size() + " effects found");
    }
    Quantity p =
        together.isEmpty()
            ? response.leastP(answer.findings().inquiry().treatments())
            : together.get(0);
    return p.exists()
        ? new Line(Line.State.DONE, Numerals.pStatement(p))
        : new Line(Line.State.CAUTION, "no test possible");
  }

  /** The p of each effect of treatments on the first response. */
  private static List<Quantity> effects(Answer answer) {
    List<Quantity> effects = new ArrayList<>();
    for (TestResult t : answer.findings().first().analysis().tests()) {
      if (t instanceof TestResult.AnovaResult a) {
        a.table().rows().stream()
            .filter(r -> !r.isError() && r.effect() != null)
            .filter(r -> answer.findings().inquiry().treatments().containsAll(r.term().names()))
            .forEach(r -> effects.add(r.effect().p()));
      }
    }
    return effects;
  }

  /** The p of each effect of treatments on the responses together, after Wilks. */
  private static List<Quantity> together(Answer answer) {
    List<Quantity> effects = new ArrayList<>();
    for (TestResult t : answer.findings().together().tests()) {
      if (t instanceof TestResult.TogetherResult all) {
        all.rows().stream()
            .filter(r -> r.test() != null && r.test().of("wilks") != null)
            .filter(r -> answer.findings().inquiry().treatments().containsAll(r.term()))
            .forEach(r -> effects.add(Quantity.of(r.test().of("wilks").p())));
      }
    }
    return effects;
  }
}
