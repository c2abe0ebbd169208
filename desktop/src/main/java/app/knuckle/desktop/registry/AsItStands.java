package app.knuckle.desktop.registry;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import java.util.List;

/** What is open now, and what is missing for a move. */
record AsItStands(Workbench workbench) {

  static final String NO_RECORDS = "No records are open: open some first.";

  SlipViewModel slip() {
    return workbench.currentProperty().get();
  }

  Answer answer() {
    return slip() == null ? null : slip().answer();
  }

  /** Empty if there is an answer. */
  String needsAnswer() {
    return slip() == null
        ? NO_RECORDS
        : answer() == null ? "The answer is still being computed." : "";
  }

  /** Empty if there is an inquiry. */
  String needsSlip() {
    return slip() == null ? NO_RECORDS : "";
  }

  static List<String> words(String words) {
    return List.of(words.split(" "));
  }
}
