package app.knuckle.desktop.window;

import app.knuckle.desktop.explain.Topic;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.study.design.Compare;

/** Which page of the manual is about what is in front. */
final class Reading {

  private Reading() {}

  /** About the open joint of an inquiry; null for none. */
  static Topic about(SlipViewModel slip) {
    if (slip == null || slip.answer() == null) {
      return Topic.HANDBOOK;
    }
    Answer answer = slip.answer();
    return switch (slip.jointProperty().get()) {
      case RECORDS -> Topic.STEPS;
      case LAYOUT, LOOK, TEST -> answer.topic();
      case FOOTING -> Topic.BELL_SHAPE;
      case COMPARE -> compared(slip);
      case FIGURE -> Topic.LETTERS;
      case WRITE_UP -> Topic.HANDBOOK;
    };
  }

  private static Topic compared(SlipViewModel slip) {
    for (Compare compare : slip.inquiry().compare()) {
      if (compare.procedure() != null) {
        return Topic.of(compare.procedure(), !compare.within().isEmpty());
      }
    }
    return Topic.CONTRASTS;
  }

  /** About a page that stands in place of the joint. */
  static Topic about(Page page, SlipViewModel slip) {
    if (page instanceof Page.Reading reading) {
      return reading.topic();
    }
    if (page instanceof Page.Planning) {
      return Topic.PLAN_A_TRIAL;
    }
    if (page instanceof Page.Reckoning) {
      return Topic.POWER_AND_SIZE;
    }
    if (page instanceof Page.Opening || page instanceof Page.Typing) {
      return Topic.STEPS;
    }
    return page instanceof Page.Beside ? about(slip) : Topic.HANDBOOK;
  }
}
