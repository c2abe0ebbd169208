package app.knuckle.desktop.controls;

import java.util.List;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;

/** The values of a column as a few small bars. */
public final class Thumbnail extends Pane {

  private static final double WIDTH = 60;
  private static final double HEIGHT = 18;
  private static final double GAP = 1;
  private static final double WIDEST = 10;

  /**
   * A thumbnail.
   *
   * @param shape heights from 0 to 1; empty for nothing to show
   * @param category whether the bars are levels
   */
  public Thumbnail(List<Double> shape, boolean category) {
    getStyleClass().add("thumbnail");
    setMinSize(WIDTH, HEIGHT);
    setPrefSize(WIDTH, HEIGHT);
    setMaxSize(WIDTH, HEIGHT);
    double wide = Math.min(WIDEST, WIDTH / Math.max(1, shape.size()) - GAP);
    for (int i = 0; i < shape.size(); i++) {
      Region bar = new Region();
      bar.getStyleClass().add(category ? "thumbnail-level" : "thumbnail-bar");
      double tall = shape.get(i) == 0 ? 0 : Math.max(2, shape.get(i) * HEIGHT);
      bar.resizeRelocate(i * (wide + GAP), HEIGHT - tall, wide, tall);
      bar.setManaged(false);
      getChildren().add(bar);
    }
  }
}
