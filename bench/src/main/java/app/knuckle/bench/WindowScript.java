package app.knuckle.bench;

import app.knuckle.desktop.keeping.Keeper;
import app.knuckle.desktop.window.KnuckleApp;
import app.knuckle.desktop.workbench.Workbench;
import java.util.concurrent.CountDownLatch;
import java.util.function.BooleanSupplier;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;

/** The window as it is started, with a script beside it that does what a user would. */
abstract class WindowScript extends Application {

  private static final int A_MOMENT_MS = 5;

  /** What is open in the window. */
  Workbench workbench;

  /** The window. */
  Stage stage;

  @Override
  public void start(Stage shown) {
    stage = shown;
    workbench = KnuckleApp.workbench();
    stage.setScene(KnuckleApp.scene(workbench, new Keeper(workbench)));
    stage.show();
    stage.requestFocus();
    Thread script = new Thread(this::script, "script");
    script.setDaemon(true);
    script.start();
  }

  /** What is done, off the interface thread. */
  abstract void script();

  /** Does something on the interface thread and waits for its end. */
  static void inWindow(Runnable action) {
    CountDownLatch done = new CountDownLatch(1);
    Platform.runLater(
        () -> {
          action.run();
          done.countDown();
        });
    try {
      done.await();
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }

  static void until(BooleanSupplier holds) {
    while (!holds.getAsBoolean()) {
      pause(A_MOMENT_MS);
    }
  }

  static void pause(long milliseconds) {
    try {
      Thread.sleep(milliseconds);
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }
}
