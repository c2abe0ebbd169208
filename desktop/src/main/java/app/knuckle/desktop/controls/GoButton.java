package app.knuckle.desktop.controls;

import javafx.scene.control.Button;

/** A button that does the next thing. */
public final class GoButton extends Button {

  /**
   * A button.
   *
   * @param id to find it by; empty for none
   * @param title on it, as it is: names of columns have underscores
   * @param action what it does
   */
  public GoButton(String id, String title, Runnable action) {
    super(title);
    setId(id.isEmpty() ? null : id);
    setMnemonicParsing(false);
    getStyleClass().add("go");
    setOnAction(event -> action.run());
  }
}
