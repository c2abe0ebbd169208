package app.knuckle.desktop.controls;

import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.TransferMode;

/** Names that are carried with the mouse from one place to another. */
public final class Carried {

  private Carried() {}

  /**
   * Lets a name be carried away from somewhere.
   *
   * @param from where it is picked up
   * @param name what is carried
   */
  public static void from(Node from, String name) {
    from.setOnDragDetected(
        event -> {
          ClipboardContent carried = new ClipboardContent();
          carried.putString(name);
          from.startDragAndDrop(TransferMode.MOVE).setContent(carried);
          event.consume();
        });
  }

  /**
   * Lets a name be put down somewhere.
   *
   * @param onto where
   * @param taken told of the name
   */
  public static void onto(Node onto, Consumer<String> taken) {
    onto.setOnDragOver(
        event -> {
          if (event.getDragboard().hasString()) {
            event.acceptTransferModes(TransferMode.MOVE);
          }
        });
    onto.setOnDragDropped(
        event -> {
          event.setDropCompleted(true);
          taken.accept(event.getDragboard().getString());
        });
  }
}
