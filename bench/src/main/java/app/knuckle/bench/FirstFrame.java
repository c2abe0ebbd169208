package app.knuckle.bench;

import app.knuckle.desktop.Main;
import app.knuckle.desktop.settings.Looks;
import app.knuckle.formats.keeping.Settings;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.concurrent.locks.LockSupport;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.SnapshotParameters;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import javafx.stage.Window;

/**
 * Prints after how many milliseconds from the start of its process a window has painted its first
 * frame, and ends it: of Knuckle as the arguments say, or of an empty window in the same sheets of
 * styles for the argument {@code empty}.
 */
public final class FirstFrame {

  private static final long A_MOMENT_NS = 2_000_000;

  private FirstFrame() {}

  /** The baseline. */
  public static final class Empty extends Application {
    @Override
    public void start(Stage stage) {
      Scene scene = new Scene(new StackPane(), 1280, 800);
      Looks.give(scene, Settings.Appearance.LIGHT);
      stage.setScene(scene);
      stage.show();
    }
  }

  /**
   * Opens the window, prints, and ends.
   *
   * @param args {@code empty}, or the arguments of Knuckle
   */
  public static void main(String[] args) {
    Thread watch = new Thread(FirstFrame::watch, "watch");
    watch.setDaemon(true);
    watch.start();
    if (Arrays.equals(args, new String[] {"empty"})) {
      Application.launch(Empty.class);
    } else {
      Main.main(args);
    }
  }

  private static void watch() {
    while (Window.getWindows().stream().noneMatch(Window::isShowing)) {
      LockSupport.parkNanos(A_MOMENT_NS);
    }
    Platform.runLater(() -> await(Window.getWindows().get(0).getScene()));
  }

  /** A picture is taken by the thread that paints, after the frame it was given before. */
  private static void await(Scene scene) {
    scene.addPostLayoutPulseListener(
        () ->
            Platform.runLater(
                () -> scene.getRoot().snapshot(taken -> say(), new SnapshotParameters(), null)));
    Platform.requestNextPulse();
  }

  private static Void say() {
    Instant begun = ProcessHandle.current().info().startInstant().orElseThrow();
    System.out.println(Duration.between(begun, Instant.now()).toMillis());
    Runtime.getRuntime().halt(0);
    return null;
  }
}
