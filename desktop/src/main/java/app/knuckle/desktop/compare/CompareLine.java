package app.knuckle.desktop.compare;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Line;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.compare.Pair;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.words.Numerals;
import java.util.List;

/** The live line of the joint: how many means differ significantly. */
public final class CompareLine {

  private CompareLine() {}

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
    ResponseFindings response = answer.findings().first();
    List<ComparedMeans> families = ComparedMeans.of(response.results());
    if (families.isEmpty()) {
      if (response.hasTooManyToCompare()) {
        return new Line(Line.State.CAUTION, "too many means for pairs");
      }
      Inquiry inquiry = answer.findings().inquiry();
      boolean answered = inquiry.compare().stream().anyMatch(c -> !c.isContrast());
      return answered || inquiry.treatments().isEmpty() || response.groups().size() < 3
          ? new Line(Line.State.NOT_YET, "nothing more to compare")
          : new Line(Line.State.UNASKED, "nothing asked yet");
    }
    ComparedMeans first = families.get(0);
    String means =
        Numerals.count(
            first.names().size(),
            first.ranks() ? "group" : "mean",
            first.ranks() ? "groups" : "means");
    boolean ofTwo = first.means().length == 2 && first.pairs().size() == 1;
    String line =
        ofTwo
            ? means
                + (first.pairs().get(0).differs()
                    ? " \u00b7 significant"
                    : " \u00b7 not significant")
            : first.isAgainstReference()
                ? means + " \u00b7 one reference"
                : first.letters().count() == 0
                    ? means + " \u00b7 none compared"
                    : means
                        + " \u00b7 "
                        + Numerals.count(first.letters().count(), "letter", "letters");
    Quantity p = response.leastP(first.of());
    boolean found =
        p.exists()
            ? Significance.reached(p, answer.findings().inquiry().alpha())
            : first.pairs().stream().anyMatch(Pair::isJudged);
    return new Line(found ? Line.State.DONE : Line.State.CAUTION, line);
  }
}
