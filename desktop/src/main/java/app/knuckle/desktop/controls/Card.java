package app.knuckle.desktop.controls;

import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/** A piece of paper with a title. */
public class Card extends VBox {

  /**
   * A card.
   *
   * @param title over its content; empty for none
   * @param content below
   */
  public Card(String title, Node... content) {
    getStyleClass().add("card");
    if (!title.isEmpty()) {
      Label head = new Label(title);
      head.getStyleClass().add("card-title");
      head.setWrapText(true);
      head.setMinHeight(USE_PREF_SIZE);
      getChildren().add(head);
    }
    getChildren().addAll(content);
  }
}
