package app.knuckle.desktop.controls;

import app.knuckle.desktop.explain.Explain;
import app.knuckle.desktop.explain.Topic;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** A piece of paper with a title. */
public class Card extends VBox {

  private Label head;

  /**
   * A card.
   *
   * @param title over its content; empty for none
   * @param content below
   */
  public Card(String title, Node... content) {
    getStyleClass().add("card");
    if (!title.isEmpty()) {
      head = new Label(title);
      head.getStyleClass().add("card-title");
      head.setWrapText(true);
      head.setMinHeight(USE_PREF_SIZE);
      getChildren().add(head);
    }
    getChildren().addAll(content);
  }

  /**
   * Puts a question mark beside the title.
   *
   * @param topic of the page that it opens
   * @return this card
   */
  public Card about(Topic topic) {
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox row = new HBox(gap, Explain.mark(head.getText(), topic));
    row.getStyleClass().add("card-head");
    getChildren().set(getChildren().indexOf(head), row);
    row.getChildren().add(0, head);
    return this;
  }
}
