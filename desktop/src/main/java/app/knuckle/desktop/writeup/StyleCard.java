package app.knuckle.desktop.writeup;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Pick;
import app.knuckle.desktop.controls.Texts;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** Styles of pages that are kept by a name of one's own, for any study. */
final class StyleCard extends Card {

  private final WriteUpViewModel model;
  private final Pick<String> pick;
  private final Button forget = small("page-style-forget", "Forget");
  private final HBox choosing;

  StyleCard(WriteUpViewModel model) {
    super("Styles of your own");
    this.model = model;
    pick = new Pick<>("page-style", name -> name, model::style);
    pick.setPromptText("none of them");
    pick.setAccessibleText("style of your own");
    pick.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(pick, Priority.ALWAYS);
    forget.setOnAction(
        event -> {
          model.forgetStyle(pick.getValue());
          show();
        });
    choosing = line(pick, forget);
    TextField name = new TextField();
    name.setId("page-style-name");
    name.setPromptText("name, such as a journal");
    HBox.setHgrow(name, Priority.ALWAYS);
    Button keep = small("page-style-keep", "Keep");
    keep.disableProperty().bind(name.textProperty().map(String::isBlank));
    Runnable keeping =
        () -> {
          if (!name.getText().isBlank()) {
            model.keepStyle(name.getText());
            name.clear();
            show();
          }
        };
    keep.setOnAction(event -> keeping.run());
    name.setOnAction(event -> keeping.run());
    getChildren()
        .addAll(
            choosing,
            Texts.wrapped(
                "Parts, order, decimals and signs of this page, kept for others:", "joint-line"),
            line(name, keep));
    // Styles may have been kept on another page meanwhile.
    sceneProperty().addListener((o, before, now) -> show());
  }

  private static HBox line(javafx.scene.Node... nodes) {
    HBox line = new HBox(nodes);
    line.getStyleClass().add("limits");
    line.setAlignment(Pos.CENTER_LEFT);
    return line;
  }

  private static Button small(String id, String title) {
    Button button = new Button(title);
    button.setId(id);
    button.getStyleClass().add("small-button");
    button.setMinWidth(USE_PREF_SIZE);
    return button;
  }

  /** Shows what is kept, and which of it this page follows. */
  void show() {
    List<String> names = model.styles();
    choosing.setVisible(!names.isEmpty());
    choosing.setManaged(!names.isEmpty());
    pick.show(names, model.style().orElse(null));
    forget.setDisable(pick.getValue() == null);
  }
}
