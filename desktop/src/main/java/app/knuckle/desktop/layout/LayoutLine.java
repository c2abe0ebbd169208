package app.knuckle.desktop.layout;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Line;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.words.Numerals;
import java.util.List;

/** The live line of the joint: how the design reads, in a few words. */
public final class LayoutLine {

  private static final String GAP = "the sentence has a gap";

  private LayoutLine() {}

  /**
   * The line of an answer.
   *
   * @param answer null before the first one
   * @return the line
   */
  public static Line of(Answer answer) {
    if (answer == null || answer.findings() == null) {
      return new Line(Line.State.NOT_YET, GAP);
    }
    if (answer.findings().inquiry().hasGap()) {
      return new Line(Line.State.NOT_YET, GAP);
    }
    ResponseFindings response = answer.findings().first();
    boolean caution = !response.design().warnings().isEmpty();
    return new Line(caution ? Line.State.CAUTION : Line.State.DONE, design(answer.findings()));
  }

  private static String design(Findings findings) {
    Inquiry inquiry = findings.inquiry();
    ResponseFindings response = findings.first();
    List<String> treatments = inquiry.treatments();
    if (treatments.isEmpty()) {
      int columns = inquiry.measured().size();
      return columns > 1
          ? columns + (inquiry.together() ? " columns together" : " columns")
          : "all rows together";
    }
    String line =
        treatments.size() < 2
            ? Numerals.count(response.groups().size(), "group", "groups")
                + " of "
                + response.groups().treatment().label()
            : String.join(
                " \u00d7 ",
                treatments.stream().map(t -> "" + response.levelsOf(t).size()).toList());
    if (!inquiry.blocks().isEmpty()) {
      line += " in " + String.join(", ", inquiry.blocks());
    }
    if (inquiry.unit() != null && !inquiry.occasions().isEmpty()) {
      line += ", repeated";
    }
    return inquiry.covariates().isEmpty()
        ? line
        : line + ", + " + String.join(", ", inquiry.covariates());
  }
}
