package app.knuckle.desktop.window;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.study.Refusal;
import app.knuckle.study.checks.Footing;
import java.util.ArrayList;
import java.util.List;

/**
 * What the finding line says.
 *
 * @param tag the word at its head: Finding, Make-believe, Waiting, Cannot yet
 * @param sentence the answer in one sentence
 * @param cautions what to look at twice
 */
public record FindingLine(String tag, String sentence, List<String> cautions) {

  private static final String FOUND = "Finding";

  /** What was found of records that were made up. */
  private static final String MADE_UP = "Make-believe";

  public FindingLine {
    cautions = List.copyOf(cautions);
  }

  /** Whether there is an answer: false while it waits, or is refused. */
  public boolean isFound() {
    return tag.equals(FOUND) || tag.equals(MADE_UP);
  }

  /**
   * The line of an answer.
   *
   * @param answer null before the first one
   * @return the line
   */
  public static FindingLine of(Answer answer) {
    if (answer == null) {
      return new FindingLine("Waiting", "The records are being read.", List.of());
    }
    if (answer.findings() == null) {
      Refusal refusal = answer.refusal();
      return new FindingLine("Cannot yet", refusal.shown(), List.of());
    }
    List<String> cautions = new ArrayList<>(answer.findings().first().design().warnings());
    if (answer.isTested()) {
      // Those of Footing, whatever joint is open, but for what the design has said of its sizes.
      boolean said = !cautions.isEmpty();
      Footing.of(answer.findings(), answer.findings().first()).odd().stream()
          .filter(check -> check.subject() != Footing.Subject.RANDOM_LEVELS)
          .filter(check -> check.subject() != Footing.Subject.BALANCE || !said)
          .forEach(check -> cautions.add(check.said()));
    }
    String found = answer.findings().table().makeBelieve() ? MADE_UP : FOUND;
    String tag = answer.findings().refusal().isEmpty() ? found : "Cannot yet";
    return new FindingLine(tag, answer.findings().finding(), cautions);
  }
}
