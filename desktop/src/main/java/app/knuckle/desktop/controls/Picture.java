package app.knuckle.desktop.controls;

import app.knuckle.desktop.background.Lane;
import app.knuckle.figures.export.PngExport;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.nio.IntBuffer;
import java.util.OptionalInt;
import java.util.function.BiConsumer;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.IntConsumer;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.Cursor;
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
  private Consumer<Mark.Label> labelPicked = label -> {};
  private IntConsumer groupPicked = group -> {};
  private BiConsumer<Double, Double> legendMoved = (x, y) -> {};
  private boolean dragged;
  private Scene scene;
  private final ReadOnlyDoubleWrapper enlargement = new ReadOnlyDoubleWrapper();
  private final Lane painting = Lane.ofLatest();
  private double zoom = 1;

  /** A picture with nothing on it. */
  public Picture() {
    getStyleClass().add("picture");
    getChildren().add(view);
    view.setManaged(false); // The picture fills its room; it does not ask for any.
    setOnMouseMoved(
        event -> point(event.getX(), event.getY(), event.getScreenX(), event.getScreenY()));
    setOnMouseExited(event -> tooltip.hide());
    setOnMousePressed(event -> dragged = legendAt(event.getX(), event.getY()));
    setOnMouseDragged(
        event -> {
          if (dragged) {
            legendMoved.accept(
                inX(event.getX()) / scene.width(), inY(event.getY()) / scene.height());
          }
        });
    setOnMouseClicked(
        event -> {
          if (event.isStillSincePress()) {
            click(event.getX(), event.getY());
          }
        });
  }

  private void click(double x, double y) {
    Mark.Label label = labelAt(x, y);
    Mark.Dot dot = near(x, y);
    if (label != null) {
      labelPicked.accept(label);
    } else if (dot != null && dot.row() != Mark.NONE) {
      picked.accept(dot);
    } else {
      groupAt(x, y).ifPresent(groupPicked);
    }
  }

  private OptionalInt groupAt(double x, double y) {
    return scene == null
        ? OptionalInt.empty()
        : scene.marks().stream()
            .filter(m -> m.box().contains(inX(x), inY(y)))
            .mapToInt(
                m ->
                    m instanceof Mark.Bar bar
                        ? bar.group()
                        : m instanceof Mark.Dot dot ? dot.group() : Mark.NONE)
            .filter(group -> group != Mark.NONE)
            .findFirst();
  }

  private boolean legendAt(double x, double y) {
    Mark.Label label = labelAt(x, y);
    return label != null && label.role() == Mark.Role.LEGEND;
  }

  /** The text of the records at a place; null if there is none. */
  private Mark.Label labelAt(double x, double y) {
    return scene == null
        ? null
        : scene.marks().stream()
            .filter(m -> m instanceof Mark.Label label && !label.subject().isEmpty())
            .filter(m -> m.box().contains(inX(x), inY(y)))
            .map(Mark.Label.class::cast)
            .findFirst()
            .orElse(null);
  }

  private double inX(double x) {
    return (x - view.getLayoutX()) / zoom;
  }

  private double inY(double y) {
    return (y - view.getLayoutY()) / zoom;
  }

  /**
   * Where a mark is seen.
   *
   * @param mark of the scene
   * @return in this picture's own pixels
   */
  public Bounds where(Mark mark) {
    Rectangle2D box = mark.box();
    return new BoundingBox(
        view.getLayoutX() + box.getX() * zoom,
        view.getLayoutY() + box.getY() * zoom,
        box.getWidth() * zoom,
        box.getHeight() * zoom);
  }

  /**
   * Listens to clicks on texts that own words may replace.
   *
   * @param listener told of the text
   */
  public void onLabel(Consumer<Mark.Label> listener) {
    labelPicked = listener;
  }

  /**
   * Listens to clicks on bars and means.
   *
   * @param listener told of the group
   */
  public void onGroup(IntConsumer listener) {
    groupPicked = listener;
  }

  /**
   * Listens to the legend being dragged.
   *
   * @param listener told of its new place, as shares of width and height
   */
  public void onLegendMoved(BiConsumer<Double, Double> listener) {
    legendMoved = listener;
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
   * How much larger than in print the picture is shown: 1 for true size; 0 when nothing is shown.
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

  /** The scene as shown: null when nothing is shown. */
  public Scene scene() {
    return scene;
  }

  @Override
  protected void layoutChildren() {
    paint();
  }

  /** A scene as it is shown: laid out for the room it had, in pixels of the screen. */
  private record Painted(
      BiFunction<Double, Double, Scene> layout,
      Scene scene,
      BufferedImage image,
      double width,
      double height) {

    double zoom() {
      return zoom(scene, width, height);
    }

    static double zoom(Scene scene, double width, double height) {
      return Math.min(width / scene.width(), height / scene.height());
    }

    static Painted of(
        BiFunction<Double, Double, Scene> layout, double width, double height, double density) {
      Scene scene = layout.apply(width, height);
      double zoom = zoom(scene, width, height);
      return new Painted(layout, scene, PngExport.image(scene, zoom * density), width, height);
    }
  }

  private double density() {
    return getScene() == null || getScene().getWindow() == null
        ? 1
        : getScene().getWindow().getOutputScaleX();
  }

  private void paint() {
    if (layout == null || getWidth() < 1 || getHeight() < 1) {
      return;
    }
    if (!Platform.isFxApplicationThread()) {
      painted(Painted.of(layout, getWidth(), getHeight(), density()));
    } else if (!painting.isBusy()) { // What is painted is shown first, so that dragging is seen.
      BiFunction<Double, Double, Scene> wanted = layout;
      double width = getWidth();
      double height = getHeight();
      double density = density();
      painting.run(progress -> Painted.of(wanted, width, height, density), this::painted);
    }
  }

  /** Shows what was painted, unless something else is to be shown by now. */
  private void painted(Painted painted) {
    if (painted.layout() == layout) {
      scene = painted.scene();
      zoom = painted.zoom();
      enlargement.set(zoom * POINTS_PER_PIXEL);
      int[] pixels = ((DataBufferInt) painted.image().getRaster().getDataBuffer()).getData();
      PixelBuffer<IntBuffer> buffer =
          new PixelBuffer<>(
              painted.image().getWidth(),
              painted.image().getHeight(),
              IntBuffer.wrap(pixels),
              PixelFormat.getIntArgbPreInstance());
      view.setImage(new WritableImage(buffer));
      view.setFitWidth(scene.width() * zoom);
      view.setFitHeight(scene.height() * zoom);
      view.relocate(
          (painted.width() - scene.width() * zoom) / 2,
          (painted.height() - scene.height() * zoom) / 2);
    }
    boolean outdated =
        painted.layout() != layout
            || painted.width() != getWidth()
            || painted.height() != getHeight();
    if (outdated && Platform.isFxApplicationThread()) {
      paint();
    }
  }

  /** The dot at a place; null if none is close. */
  private Mark.Dot near(double x, double y) {
    if (scene == null) {
      return null;
    }
    double sx = inX(x);
    double sy = inY(y);
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
    setCursor(labelAt(x, y) == null ? Cursor.DEFAULT : Cursor.HAND);
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
