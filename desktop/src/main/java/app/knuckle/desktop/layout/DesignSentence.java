package app.knuckle.desktop.layout;

import app.knuckle.desktop.controls.SlotChooser;
import app.knuckle.desktop.controls.Texts;
import java.util.List;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;

/** The design sentence: plain prose whose slots are chosen in place. */
final class DesignSentence extends FlowPane {

  private final LayoutViewModel model;
  private final SlotChooser measured;
  private final SlotChooser treatment;
  private final SlotChooser alpha;
  private final Label rows = Texts.line("", "sentence-fixed");

  DesignSentence(LayoutViewModel model) {
    this.model = model;
    setId("design-sentence");
    getStyleClass().add("sentence");
    measured =
        new SlotChooser("slot-measured", "Filter columns", model::measurable, null, model::measure);
    treatment =
        new SlotChooser("slot-treatment", "Filter columns", model::treatable, null, model::treat);
    alpha =
        new SlotChooser(
            "slot-alpha",
            "Filter, or type a level",
            model::levels,
            model::ownLevel,
            model::judgeAt);
    getChildren().addAll(words("We measured "));
    getChildren().add(measured);
    getChildren().addAll(words(" on "));
    getChildren().add(rows);
    getChildren().addAll(words(". The treatment is "));
    getChildren().add(treatment);
    getChildren().addAll(words(". Judge at "));
    getChildren().add(alpha);
    getChildren().addAll(words("."));
  }

  /** Words that may break a line between them, as prose does. */
  private static List<Node> words(String text) {
    return Pattern.compile("(?<= )")
        .splitAsStream(text)
        .map(word -> (Node) Texts.line(word, "sentence-word"))
        .toList();
  }

  void show(String onRows) {
    measured.show(model.measured(), model.isMeasuredMissing());
    treatment.show(model.treatment(), model.isTreatmentMissing());
    alpha.show(model.alpha(), false);
    rows.setText(onRows);
  }
}
