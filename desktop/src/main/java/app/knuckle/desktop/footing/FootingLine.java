package app.knuckle.desktop.footing;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Line;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;

/** The live line of the joint: how many checks are sound. */
public final class FootingLine {

  private FootingLine() {}

  /**
   * The line of an answer.
   *
   * @param answer null before the first one
   * @return the line
   */
  public static Line of(Answer answer) {
    if (answer == null || !answer.isTested()) {
      return new Line(Line.State.NOT_YET, "waits for the layout");
    }
    FootingPage page = FootingPage.of(answer);
    if (page.cards().isEmpty()) {
      return new Line(Line.State.DONE, "nothing to check");
    }
    long odd = page.cards().stream().filter(c -> c.judgement().isOdd()).count();
    long mute = page.cards().stream().filter(FootingPage.Check::mute).count();
    long sound = page.cards().size() - odd - mute;
    List<String> counts = new ArrayList<>();
    if (sound > 0 || mute == 0) {
      counts.add(sound + " sound");
    }
    if (odd > 0) {
      counts.add(Numerals.count(odd, "caution", "cautions"));
    }
    if (mute > 0 && counts.size() < 2) {
      counts.add(mute + " cannot tell");
    }
    return new Line(
        odd == 0 ? Line.State.DONE : Line.State.CAUTION, String.join(" \u00b7 ", counts));
  }
}
