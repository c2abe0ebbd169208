package app.knuckle.desktop.window;

import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.Line;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The chain at the left: the work order, with the state of each joint and one live line. */
final class ChainView extends VBox {

  private static final PseudoClass CURRENT = PseudoClass.getPseudoClass("current");

  private final Map<Joint, Button> buttons = new EnumMap<>(Joint.class);
  private final Map<Joint, Label> lines = new EnumMap<>(Joint.class);

  ChainView(Consumer<Joint> go) {
    setId("chain");
    getStyleClass().add("chain");
    for (Joint joint : Joint.values()) {
      Region knot = new Region();
      knot.getStyleClass().add("knot");
      Region rod = new Region();
      rod.getStyleClass().add("rod");
      rod.setVisible(joint.ordinal() < Joint.values().length - 1);
      StackPane rail = new StackPane(rod, knot);
      rail.getStyleClass().add("rail");
      Label line = Texts.line("", "link-line");
      VBox words = new VBox(Texts.line(joint.title(), "link-title"), line);
      words.getStyleClass().add("link-words");
      HBox link = new HBox(rail, words);
      link.getStyleClass().add("link-content");
      Button button = new Button();
      button.setGraphic(link);
      button.setId("joint-" + joint.name().toLowerCase(Locale.ROOT));
      button.getStyleClass().add("link");
      button.setMaxWidth(Double.MAX_VALUE);
      Texts.hint(button, "Ctrl " + (joint.ordinal() + 1));
      button.setOnAction(event -> go.accept(joint));
      buttons.put(joint, button);
      lines.put(joint, line);
      getChildren().add(button);
    }
  }

  void takeKeyboard() {
    buttons.get(Joint.RECORDS).requestFocus();
  }

  void show(ChainPage page, Joint current) {
    // The focus goes along with the joint, unless it is somewhere in the page.
    if (current != null && buttons.values().stream().anyMatch(Button::isFocused)) {
      buttons.get(current).requestFocus();
    }
    for (ChainPage.Link link : page.links()) {
      Button button = buttons.get(link.joint());
      lines.get(link.joint()).setText(link.line().words());
      for (Line.State state : Line.State.values()) {
        button.pseudoClassStateChanged(
            PseudoClass.getPseudoClass(state.name().toLowerCase(Locale.ROOT).replace('_', '-')),
            state == link.line().state());
      }
      button.pseudoClassStateChanged(CURRENT, link.joint() == current);
      button.setDisable(current == null || !link.opens());
      button.setAccessibleText(
          link.joint().title()
              + ", "
              + link.line().state().name().toLowerCase(Locale.ROOT)
              + ", "
              + link.line().words());
    }
  }
}
