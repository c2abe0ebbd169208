package app.knuckle.desktop.test;

import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;

/** F as a bar, with a notch at the critical value. */
final class SignalBar extends Pane {

  private static final double WIDTH = 150;
  private static final double HEIGHT = 6;

  SignalBar(double signal, double critical) {
    getStyleClass().add("signal");
    setMinSize(WIDTH, HEIGHT);
    setPrefSize(WIDTH, HEIGHT);
    setMaxSize(WIDTH, HEIGHT);
    add("signal-track", 0, WIDTH);
    add("signal-fill", 0, signal * WIDTH);
    if (critical >= 0) {
      add("signal-notch", critical * WIDTH - 1, 2);
    }
  }

  private void add(String styleClass, double x, double width) {
    Region part = new Region();
    part.getStyleClass().add(styleClass);
    part.setManaged(false);
    part.resizeRelocate(x, 0, width, HEIGHT);
    getChildren().add(part);
  }
}
