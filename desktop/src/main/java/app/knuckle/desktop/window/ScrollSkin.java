package app.knuckle.desktop.window;

import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.skin.ScrollPaneSkin;

/**
 * The toolkit's own look of what scrolls, without the picture that it keeps of all that is in view:
 * when a page leaves the window, the toolkit never gives its picture back, and after some thousand
 * turns the pictures fill a gigabyte. The style sheet names this class.
 */
public final class ScrollSkin extends ScrollPaneSkin {

  /**
   * Makes the look.
   *
   * @param pane that it belongs to
   */
  public ScrollSkin(ScrollPane pane) {
    super(pane);
    for (Node node : getChildren()) {
      node.setCache(false);
    }
  }
}
