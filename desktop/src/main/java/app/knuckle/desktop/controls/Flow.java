package app.knuckle.desktop.controls;

import javafx.beans.binding.Bindings;
import javafx.scene.Node;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;

/**
 * Parts in rows, as many as there is room for, none of them wider than the rows are: the toolkit's
 * own flow gives each part the width that it prefers, and asks for as much itself.
 */
public final class Flow extends FlowPane {

  /**
   * Parts in rows.
   *
   * @param parts in order; those that are regions without a largest width of their own give way
   */
  public Flow(Node... parts) {
    super(parts);
    setMinWidth(0);
    for (Node part : parts) {
      if (part instanceof Region region && region.getMaxWidth() == USE_COMPUTED_SIZE) {
        region
            .maxWidthProperty()
            .bind(
                Bindings.createDoubleBinding(
                    () -> Math.max(0, getWidth() - snappedLeftInset() - snappedRightInset()),
                    widthProperty(),
                    insetsProperty()));
      }
    }
  }
}
