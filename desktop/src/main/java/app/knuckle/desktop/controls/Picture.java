package app.knuckle.desktop.controls;

import app.knuckle.figures.export.PngExport;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.nio.IntBuffer;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.scene.control.Tooltip;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.Region;

/**
 * Shows a scene, painted by the same painter as every export. It lays the scene out anew for the
 * room it has.
 */
public final class Picture extends Region {

  private static final double CLOSE = 5;

  /** A pixel of the window is 1/96 inch, a point 1/72. */
  private static final double POINTS_PER_PIXEL = 72.0 / 96;

  private final ImageView view = new ImageView();
  private final Tooltip tooltip = new Tooltip();
  private BiFunction<Double, Double, Scene> layout;
  private Function<Mark.Dot, String> reading = dot -> "";
  private Consumer<Mark.Dot> picked = dot -> {};
  private Scene scene;
  private final ReadOnlyDoubleWrapper enlargement = new ReadOnlyDoubleWrapper();
  private double zoom = 1;

  /** A picture with nothing on it. */
  public Picture() {
    getStyleClass().add("picture");
    getChildren().add(view);
    setOnMouseMoved(
        event -> point(event.getX(), event.getY(), event.getScreenX(), event.getScreenY()));
    setOnMouseExited(event -> tooltip.hide());
    setOnMouseClicked(
        event -> {
          Mark.Dot dot = near(event.getX(), event.getY());
          if (dot != null) {
            picked.accept(dot);
          }
        });
  }

  /**
   * Listens to clicks on dots.
   *
   * @param listener told of the dot
   */
  public void onPicked(Consumer<Mark.Dot> listener) {
    picked = listener;
  }

  /**
   * Shows something.
   *
   * @param how lays it out for a width and height
   * @param said what a dot says when it is pointed at; empty for nothing
   */
  public void show(BiFunction<Double, Double, Scene> how, Function<Mark.Dot, String> said) {
    layout = how;
    reading = said;
    paint();
  }

  /**
   * How much larger than in print the picture is shown.
   *
   * @return 1 for true size; 0 when nothing is shown
   */
  public ReadOnlyDoubleProperty enlargementProperty() {
    return enlargement.getReadOnlyProperty();
  }

  /** Shows nothing. */
  public void clear() {
    layout = null;
    scene = null;
    view.setImage(null);
  }

  /**
   * The scene as shown.
   *
   * @return null when nothing is shown
   */
  public Scene scene() {
    return scene;
  }

  @Override
  protected void layoutChildren() {
    paint();
  }

  private void paint() {
    double width = getWidth();
    double height = getHeight();
    if (layout == null || width < 1 || height < 1) {
      return;
    }
    scene = layout.apply(width, height);
    zoom = Math.min(width / scene.width(), height / scene.height());
    enlargement.set(zoom * POINTS_PER_PIXEL);
    double density =
        getScene() == null || getScene().getWindow() == null
            ? 1
            : getScene().getWindow().getOutputScaleX();
    BufferedImage painted = PngExport.image(scene, zoom * density);
    int[] pixels = ((DataBufferInt) painted.getRaster().getDataBuffer()).getData();
    PixelBuffer<IntBuffer> buffer =
        new PixelBuffer<>(
            painted.getWidth(),
            painted.getHeight(),
            IntBuffer.wrap(pixels),
            PixelFormat.getIntArgbPreInstance());
    view.setImage(new WritableImage(buffer));
    view.setFitWidth(scene.width() * zoom);
    view.setFitHeight(scene.height() * zoom);
    view.relocate((width - scene.width() * zoom) / 2, (height - scene.height() * zoom) / 2);
  }

  /** The dot at a place; null if none is close. */
  private Mark.Dot near(double x, double y) {
    if (scene == null) {
      return null;
    }
    double sx = (x - view.getLayoutX()) / zoom;
    double sy = (y - view.getLayoutY()) / zoom;
    Mark.Dot near = null;
    double least = CLOSE / zoom;
    for (Mark mark : scene.marks()) {
      if (mark instanceof Mark.Dot dot) {
        double away = Math.hypot(dot.x() - sx, dot.y() - sy);
        if (away < least) {
          least = away;
          near = dot;
        }
      }
    }
    return near;
  }

  private void point(double x, double y, double screenX, double screenY) {
    Mark.Dot near = near(x, y);
    String text = near == null ? "" : reading.apply(near);
    if (text.isEmpty()) {
      tooltip.hide();
    } else {
      tooltip.setText(text);
      tooltip.show(this, screenX + 2 * CLOSE, screenY + 2 * CLOSE);
    }
  }
}
