package app.knuckle.desktop.controls;

import app.knuckle.study.words.Prose;
import javafx.event.EventHandler;
import javafx.scene.Node;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** Labels and lines as all joints write them. */
public final class Texts {

  private Texts() {}

  /**
   * A text that wraps and is never cut.
   *
   * @param text what it says
   * @param styleClass how it looks
   * @return the label
   */
  public static Label wrapped(String text, String styleClass) {
    Label label = new Label(Prose.unbroken(text));
    label.getStyleClass().add(styleClass);
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }

  /**
   * A text on one line.
   *
   * @param text what it says
   * @param styleClass how it looks
   * @return the label
   */
  public static Label line(String text, String styleClass) {
    Label label = new Label(text);
    label.getStyleClass().add(styleClass);
    return label;
  }

  /**
   * Words that come up beside something under the pointer, and that a reader of the screen says.
   *
   * @param node what they are about
   * @param words what they say
   */
  public static void hint(Node node, String words) {
    node.setAccessibleHelp(words);
    hint(node);
  }

  /**
   * The same, with the accessible help of the node as words. Their window is made when the pointer
   * comes for the first time: most are never looked at, and each costs as much as several controls.
   *
   * @param node what they are about
   */
  public static void hint(Node node) {
    node.addEventHandler(
        MouseEvent.MOUSE_ENTERED,
        new EventHandler<>() {
          @Override
          public void handle(MouseEvent event) {
            node.removeEventHandler(MouseEvent.MOUSE_ENTERED, this);
            Tooltip words = new Tooltip();
            words.textProperty().bind(node.accessibleHelpProperty());
            Tooltip.install(node, words);
          }
        });
  }

  /**
   * A name at the left, a value at the right, a hairline below.
   *
   * @param name what it is
   * @param value ready to show
   * @return the row
   */
  public static HBox fact(String name, Node value) {
    Label label = wrapped(name, "fact-name");
    HBox.setHgrow(label, Priority.ALWAYS);
    label.setMaxWidth(Double.MAX_VALUE);
    value.getStyleClass().add("fact-value");
    if (value instanceof Control
        && !(value instanceof Label)
        && value.getAccessibleText() == null) {
      value.setAccessibleText(name); // What stands beside it is its name.
    }
    if (value instanceof Region region) {
      region.setMinWidth(Region.USE_PREF_SIZE);
    }
    HBox row = new HBox(label, value);
    row.getStyleClass().add("fact");
    return row;
  }

  /**
   * The same for a value that is text.
   *
   * @param name what it is
   * @param value ready to show
   * @return the row
   */
  public static HBox fact(String name, String value) {
    return fact(name, new Label(value));
  }
}
