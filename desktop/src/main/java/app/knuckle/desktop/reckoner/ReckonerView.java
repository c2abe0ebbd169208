package app.knuckle.desktop.reckoner;

import java.util.function.Consumer;
import javafx.scene.control.ScrollPane;

/** Answers without records. */
public final class ReckonerView extends ScrollPane {

  /**
   * The page.
   *
   * @param line says its finding
   */
  public ReckonerView(Consumer<String> line) {
    setId("reckoner");
    line.accept("");
  }
}
