package app.knuckle.desktop.layout;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.study.design.Inquiry;

/** What the design sentence is about: a question, and the answer that its records gave. */
interface Question {

  /** The question now. */
  Inquiry inquiry();

  /** The last answer; null before the first. */
  Answer answer();

  /** Asks another question in its place. */
  void ask(Inquiry changed);

  /** The question of a slip. */
  static Question of(SlipViewModel slip) {
    return new Question() {
      @Override
      public Inquiry inquiry() {
        return slip.inquiry();
      }

      @Override
      public Answer answer() {
        return slip.answer();
      }

      @Override
      public void ask(Inquiry changed) {
        slip.inquiryProperty().set(changed);
      }
    };
  }
}
