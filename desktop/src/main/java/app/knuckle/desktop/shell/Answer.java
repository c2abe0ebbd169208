package app.knuckle.desktop.shell;

import app.knuckle.desktop.records.ColumnGlance;
import app.knuckle.study.Refusal;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.prep.Frame;
import java.util.List;

/**
 * What the computation gave back to the window.
 *
 * @param frame the records after the trail; null when the trail was refused
 * @param glances the frame's columns at a glance, in their order
 * @param findings null when the inquiry was refused
 * @param refusal why something could not be computed; null when all could
 */
public record Answer(Frame frame, List<ColumnGlance> glances, Findings findings, Refusal refusal) {

  public Answer {
    glances = List.copyOf(glances);
  }

  /**
   * Whether there is a test with everything that follows from it.
   *
   * @return false if there are summaries at most
   */
  public boolean isTested() {
    return findings != null && findings.first().fit() != null;
  }
}
