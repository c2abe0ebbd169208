package app.knuckle.desktop.window;

import app.knuckle.desktop.Main;
import app.knuckle.desktop.workbench.Joint;
import java.util.ArrayList;
import java.util.List;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.stage.Stage;
import javafx.stage.Window;
import javafx.util.Duration;

/**
 * The program itself, started with the demo study in a process of its own; once its window stands
 * it writes the sizes of window and content, and for every joint the least size of what it holds
 * and what is cut off; then it ends. Looked at a few times a second, as a person would look up.
 */
public final class SizeProbe {

  private static final Duration LOOK = Duration.millis(250);

  /** So many looks without a change are a window that stands. */
  private static final int STANDS = 8;

  private static String last = "";
  private static int same;
  private static int joint = -1;

  private SizeProbe() {}

  /** Starts the program, and looks at its window. */
  public static void main(String[] arguments) {
    Thread looking =
        new Thread(
            () -> {
              while (true) {
                try {
                  Platform.runLater(SizeProbe::begin);
                  return;
                } catch (IllegalStateException e) {
                  Thread.onSpinWait(); // The toolkit has not started yet.
                }
              }
            },
            "looking");
    looking.setDaemon(true);
    looking.start();
    Main.main(new String[] {"demo"});
  }

  private static void begin() {
    Timeline timeline = new Timeline(new KeyFrame(LOOK, event -> look()));
    timeline.setCycleCount(Timeline.INDEFINITE);
    timeline.play();
  }

  private static void look() {
    Stage stage = (Stage) Window.getWindows().stream().findFirst().orElse(null);
    boolean full = stage != null && stage.getScene().lookup("#joint-records") != null;
    boolean filled = full && stage.getScene().lookup("#records-table") != null;
    if (joint < 0) {
      String now = filled ? sizes(stage) : "";
      same = !now.isEmpty() && now.equals(last) ? same + 1 : 0;
      last = now;
      if (same < STANDS) {
        return;
      }
      System.out.println(now);
    } else if (joint < Joint.values().length) {
      System.out.println(held(stage.getScene(), Joint.values()[joint]));
    }
    joint++;
    if (joint == Joint.values().length) {
      Runtime.getRuntime().halt(0); // Nothing is to be saved.
    }
    String id = "#joint-" + Joint.values()[joint].name().toLowerCase(java.util.Locale.ROOT);
    Node link = stage.getScene().lookup(id);
    if (link instanceof ToggleButton button) {
      button.fire();
    } else if (link instanceof javafx.scene.control.ButtonBase button) {
      button.fire();
    }
  }

  private static String sizes(Stage stage) {
    return "window %.0f %.0f at %.0f %.0f content %.0f %.0f least %.0f %.0f"
        .formatted(
            stage.getWidth(),
            stage.getHeight(),
            stage.getX(),
            stage.getY(),
            stage.getScene().getWidth(),
            stage.getScene().getHeight(),
            stage.getMinWidth(),
            stage.getMinHeight());
  }

  private static String held(Scene scene, Joint joint) {
    List<String> cut = new ArrayList<>();
    collect(scene.getRoot(), scene, cut);
    return "joint %s %.0f %.0f cut %s"
        .formatted(joint, scene.getRoot().minWidth(-1), scene.getRoot().minHeight(-1), cut);
  }

  /** Words that reach beyond the window and cannot be scrolled to. */
  private static void collect(Node node, Scene scene, List<String> cut) {
    if (!node.isVisible() || node instanceof ScrollPane) {
      return;
    }
    if (node instanceof Labeled labeled && !labeled.getText().isBlank()) {
      Bounds bounds = node.localToScene(node.getLayoutBounds());
      if (bounds.getMaxX() > scene.getWidth() + 1 || bounds.getMaxY() > scene.getHeight() + 1) {
        cut.add(labeled.getText());
      }
    }
    if (node instanceof Parent parent && !node.getStyleClass().contains("sheet")) {
      parent.getChildrenUnmodifiable().forEach(child -> collect(child, scene, cut));
    }
  }
}
