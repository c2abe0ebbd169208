package app.knuckle.desktop.window;

import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import javafx.animation.PauseTransition;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.util.Duration;

/** The line below: the current answer in one sentence, whatever joint is open. */
final class FindingLineView extends HBox {

  private static final PseudoClass BUSY = PseudoClass.getPseudoClass("busy");
  private static final PseudoClass TROUBLE = PseudoClass.getPseudoClass("trouble");

  /** What is done sooner needs no progress. */
  private static final Duration PATIENCE = Duration.millis(500);

  private final Label tag = Texts.line("", "finding-tag");
  private final Label sentence = new Label();
  private final Label caution = Texts.line("", "finding-caution");
  private final ProgressBar progress = new ProgressBar();
  private final PauseTransition patience = new PauseTransition(PATIENCE);

  FindingLineView() {
    setId("finding-line");
    getStyleClass().add("finding-line");
    tag.setId("finding-tag");
    sentence.setId("finding");
    sentence.getStyleClass().add("finding-sentence");
    sentence.setWrapText(true);
    sentence.setMinHeight(USE_PREF_SIZE);
    caution.setId("finding-cautions");
    Texts.hint(caution);
    caution.setMinWidth(USE_PREF_SIZE);
    tag.setMinWidth(USE_PREF_SIZE);
    HBox.setHgrow(sentence, Priority.ALWAYS);
    progress.setVisible(false);
    progress.setManaged(false);
    patience.setOnFinished(event -> showProgress(true));
    getChildren().addAll(tag, sentence, caution, progress);
  }

  private void showProgress(boolean shown) {
    progress.setVisible(shown);
    progress.setManaged(shown);
  }

  void show(SlipViewModel slip) {
    if (slip == null) {
      tag.setText("Waiting");
      sentence.setText("No records are open.");
      setCautions(0, "");
      return;
    }
    boolean busy = slip.busyProperty().get();
    pseudoClassStateChanged(BUSY, busy);
    progress.progressProperty().bind(slip.progressProperty());
    if (busy) {
      patience.playFromStart();
    } else {
      patience.stop();
      showProgress(false);
    }
    FindingLine line = FindingLine.of(slip.answer());
    tag.setText(line.tag());
    sentence.setText(Prose.unbroken(line.sentence()));
    pseudoClassStateChanged(TROUBLE, !line.isFound());
    setCautions(line.cautions().size(), String.join("\n", line.cautions()));
  }

  /** Says something that is not of an inquiry, under a word of its own. */
  void say(String head, String words) {
    pseudoClassStateChanged(BUSY, false);
    pseudoClassStateChanged(TROUBLE, false);
    patience.stop();
    showProgress(false);
    tag.setText(head);
    sentence.setText(words);
    setCautions(0, "");
  }

  private void setCautions(int count, String words) {
    caution.setText(Numerals.count(count, "caution", "cautions"));
    caution.setVisible(count > 0);
    caution.setManaged(count > 0);
    caution.setAccessibleHelp(words);
  }
}
