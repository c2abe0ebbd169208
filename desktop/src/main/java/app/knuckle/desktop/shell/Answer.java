package app.knuckle.desktop.shell;

import app.knuckle.desktop.footing.FootingPage;
import app.knuckle.desktop.records.ColumnGlance;
import app.knuckle.study.Refusal;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.notice.Notice;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Trail;
import java.util.List;

/**
 * What the computation gave back to the window.
 *
 * @param trail the records after the trail, and what each step did
 * @param glances the frame's columns at a glance, in their order
 * @param notices what is odd about the records
 * @param findings null when the inquiry was refused
 * @param refusal why something could not be computed; null when all could
 * @param footing what the findings stand on; null where nothing was tested
 */
public record Answer(
    Trail trail,
    List<ColumnGlance> glances,
    List<Notice> notices,
    Findings findings,
    Refusal refusal,
    FootingPage footing) {

  public Answer {
    glances = List.copyOf(glances);
    notices = List.copyOf(notices);
  }

  /**
   * An answer with its footing.
   *
   * @param trail the records after the trail
   * @param glances the frame's columns at a glance
   * @param notices what is odd about the records
   * @param findings null when the inquiry was refused
   * @param refusal null when all could be computed
   * @return the answer
   */
  public static Answer of(
      Trail trail,
      List<ColumnGlance> glances,
      List<Notice> notices,
      Findings findings,
      Refusal refusal) {
    Answer bare = new Answer(trail, glances, notices, findings, refusal, null);
    return bare.isTested()
        ? new Answer(trail, glances, notices, findings, refusal, FootingPage.of(bare))
        : bare;
  }

  /**
   * The records after the trail.
   *
   * @return the frame after all steps that fit
   */
  public Frame frame() {
    return trail.frame();
  }

  /**
   * Whether there is a test with everything that follows from it.
   *
   * @return false if there are summaries at most
   */
  public boolean isTested() {
    return findings != null
        && !(findings.first().analysis().tests().isEmpty()
            && findings.together().tests().isEmpty());
  }

  /**
   * The same with another of several responses looked at.
   *
   * @param index its place in the inquiry
   * @return the answer
   */
  Answer showing(int index) {
    return findings == null || index == 0
        ? this
        : Answer.of(trail, glances, notices, findings.showing(index), refusal);
  }

  /**
   * Another answer is another one even if it says the same: comparing all it holds would be felt.
   */
  @Override
  public boolean equals(Object other) {
    return this == other;
  }

  @Override
  public int hashCode() {
    return System.identityHashCode(this);
  }
}
