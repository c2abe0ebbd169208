package app.knuckle.desktop.test;

import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;

/** F as a bar, with a notch at the critical value. */
final class SignalBar extends Pane {

  private static final double WIDTH = 150;
  private static final double HEIGHT = 6;

  /** How far the notch stands out, so that it is seen over a full bar. */
  private static final double OVER = 4;

  SignalBar(double signal, double critical) {
    getStyleClass().add("signal");
    setMinSize(WIDTH, HEIGHT);
    setPrefSize(WIDTH, HEIGHT);
    setMaxSize(WIDTH, HEIGHT);
    add("signal-track", 0, 0, WIDTH, HEIGHT);
    add("signal-fill", 0, 0, signal * WIDTH, HEIGHT);
    if (critical >= 0) {
      add("signal-notch", critical * WIDTH - 1, -OVER, 2, HEIGHT + 2 * OVER);
    }
  }

  private void add(String styleClass, double x, double y, double width, double height) {
    Region part = new Region();
    part.getStyleClass().add(styleClass);
    part.setManaged(false);
    part.resizeRelocate(x, y, width, height);
    getChildren().add(part);
  }
}
