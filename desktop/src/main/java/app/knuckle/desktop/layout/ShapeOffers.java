package app.knuckle.desktop.layout;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.study.design.CountGuess;
import app.knuckle.study.design.Following;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.notice.Notice;
import app.knuckle.study.prep.Stack;
import app.knuckle.study.prep.Step;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Another reading of the same records, offered beside the one that was taken: columns as groups or
 * as several measurements of each unit; whole numbers as counts.
 */
final class ShapeOffers {

  private ShapeOffers() {}

  /**
   * Another reading.
   *
   * @param words why it may be right
   * @param label of the button
   * @param inquiry the question under that reading
   * @param stack the step that would be taken, to be drawn; empty if a step is taken back
   */
  record Offer(String words, String label, Inquiry inquiry, Optional<Stack> stack) {}

  static List<Offer> of(Inquiry inquiry, Answer answer) {
    List<Offer> offers = new ArrayList<>();
    if (answer == null) {
      return offers;
    }
    if (inquiry.treatments().isEmpty()) {
      for (Notice notice : answer.notices()) {
        for (Notice.Fix fix : notice.fixes()) {
          if (fix.steps().stream().anyMatch(Step::reshapes)) {
            List<Step> steps = new ArrayList<>(inquiry.prepare());
            steps.addAll(fix.steps());
            offers.add(
                new Offer(
                    notice.words(), fix.label(), Following.of(inquiry, steps), notice.stack()));
          }
        }
      }
    } else if (inquiry.prepare().size() == 1
        && inquiry.prepare().get(0) instanceof Stack stack
        && inquiry.treatments().equals(List.of(stack.names()))
        && inquiry.unit() == null) {
      offers.add(
          new Offer(
              "The columns were stacked as groups. If each row is a unit on which several things"
                  + " were measured, they are no groups.",
              "Ask how the measurements go together",
              Inquiry.about(stack.columns().get(0), null)
                  .but(
                      d -> {
                        d.give(Part.MEASURED, stack.columns());
                        d.together = true;
                      })
                  .at(inquiry.alpha())
                  .named("What goes with what"),
              Optional.empty()));
    }
    if (answer.frame() != null) {
      for (CountGuess guess : CountGuess.of(answer.frame(), inquiry)) {
        offers.add(new Offer(guess.words(), guess.label(), guess.inquiry(), Optional.empty()));
      }
    }
    return offers;
  }
}
