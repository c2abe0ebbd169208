package app.knuckle.desktop.window;

import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.words.Numerals;
import java.util.List;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;

/** All responses of an inquiry with their p, to step through them without asking anew. */
final class ResponseStrip extends FlowPane {

  private static final PseudoClass CURRENT = PseudoClass.getPseudoClass("current");

  ResponseStrip() {
    setId("responses");
    getStyleClass().add("responses");
  }

  /** Shows the responses of a slip; nothing if there is one only. */
  void show(SlipViewModel slip) {
    boolean several =
        slip != null
            && slip.answer() != null
            && slip.answer().findings() != null
            && slip.answer().findings().responses().size() > 1
            && slip.jointProperty().get() != Joint.RECORDS
            && slip.jointProperty().get() != Joint.LAYOUT;
    setVisible(several);
    setManaged(several);
    getChildren().clear();
    if (!several) {
      return;
    }
    getChildren().add(Texts.line("Responses:", "bar-words"));
    Findings findings = slip.answer().findings();
    List<String> names = findings.inquiry().measured();
    for (int i = 0; i < names.size(); i++) {
      int index = i;
      ResponseFindings response =
          findings.responses().stream()
              .filter(r -> r.measured().name().equals(names.get(index)))
              .findFirst()
              .orElseThrow();
      Quantity p = response.leastP(findings.inquiry().treatments());
      boolean found = Significance.reached(p, findings.inquiry().alpha());
      String mark =
          p.exists() ? (found ? "\u25cf " : "\u25cb ") + Numerals.pStatement(p) : "no test";
      Button chip = new Button(names.get(i) + "  " + mark);
      chip.setId("response-" + names.get(i));
      chip.setMnemonicParsing(false);
      chip.getStyleClass().add("response-chip");
      chip.pseudoClassStateChanged(CURRENT, i == slip.shownResponseProperty().get());
      chip.setOnAction(event -> slip.showResponse(index));
      getChildren().add(chip);
    }
    getChildren().add(Texts.line("Ctrl+PgDn: next", "key-hint"));
  }
}
