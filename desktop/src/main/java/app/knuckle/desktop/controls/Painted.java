package app.knuckle.desktop.controls;

import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.Scene;
import javafx.scene.SnapshotParameters;

/** What is done once a scene stands on the screen as it is now. */
public final class Painted {

  private static final Rectangle2D A_PIXEL = new Rectangle2D(0, 0, 1, 1);

  private Painted() {}

  /**
   * Does something on the interface thread when the scene has been laid out and painted. Painting
   * has a thread of its own, whose pixels reach the window through the interface thread: long work
   * there, begun too early, holds them up.
   *
   * @param scene shown in a window
   * @param next what is done then
   */
  public static void then(Scene scene, Runnable next) {
    scene.addPostLayoutPulseListener(
        new Runnable() {
          @Override
          public void run() {
            scene.removePostLayoutPulseListener(this);
            Platform.runLater(() -> afterThis(scene, next));
          }
        });
    Platform.requestNextPulse();
  }

  /** A picture is taken by the thread that paints, after all it was given before. */
  private static void afterThis(Scene scene, Runnable next) {
    SnapshotParameters least = new SnapshotParameters();
    least.setViewport(A_PIXEL);
    scene
        .getRoot()
        .snapshot(
            taken -> {
              Platform.runLater(next);
              return null;
            },
            least,
            null);
  }
}
