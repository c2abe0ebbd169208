package app.knuckle.desktop.window;

import app.knuckle.desktop.controls.Pulses;
import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.keeping.Keeper;
import app.knuckle.desktop.sheet.Place;
import app.knuckle.desktop.sheet.Sheet;
import app.knuckle.desktop.workbench.Workbench;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import javafx.event.EventHandler;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import javafx.stage.Window;
import org.testfx.api.FxRobot;
import org.testfx.service.query.EmptyNodeQueryException;
import org.testfx.util.WaitForAsyncUtils;

/** What every test of the window does: wait for what it shows, read it, press keys. */
final class Driver {

  /** Inquiries of the demo study. */
  static final int INQUIRIES = 18;

  /** Its tables. */
  static final int TABLES = 11;

  private static final int PATIENCE_SECONDS = 60;
  private static final int TRIES = 4;
  private static final int MOST_TABS = 90;

  private Driver() {}

  /** A workbench in the window. */
  static Workbench show(Stage stage) {
    Workbench workbench = KnuckleApp.workbench();
    stage.setScene(KnuckleApp.scene(workbench, new Keeper(workbench)));
    stage.show();
    stage.toFront();
    stage.requestFocus();
    return workbench;
  }

  /** The demo study in the window. */
  static Workbench showDemo(Stage stage) {
    Workbench workbench = show(stage);
    workbench.open(DemoStudy.read());
    return workbench;
  }

  /** Records in the window, whose folder also takes what the window notes for itself. */
  static Workbench showRaw(Stage stage, Path raw) {
    System.setProperty("knuckle.state", raw.resolveSibling("state").toString());
    Workbench workbench = show(stage);
    workbench.open(raw);
    return workbench;
  }

  /** Who saves what is open. */
  static Keeper keeper(Workbench workbench) {
    return (Keeper) workbench.keeping();
  }

  /** The tanks as they were written down, in a file of its own. */
  static Path rawTanks(Path folder) throws IOException {
    Path raw = folder.resolve("feed-tanks.csv");
    try (InputStream in =
        Driver.class.getResourceAsStream("/app/knuckle/desktop/demo/feed-tanks.csv")) {
      Files.copy(in, raw);
    }
    return raw;
  }

  /** Waits until something holds, and the page is whole. */
  static void until(BooleanSupplier holds) {
    try {
      WaitForAsyncUtils.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS, () -> already(holds));
      WaitForAsyncUtils.waitForFxEvents();
      WaitForAsyncUtils.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS, () -> Pulses.waiting() == 0);
    } catch (TimeoutException e) {
      throw new AssertionError("Not so after " + PATIENCE_SECONDS + " s", e);
    }
    WaitForAsyncUtils.waitForFxEvents();
  }

  /** Not yet, where what is asked about is just being written anew. */
  private static boolean already(BooleanSupplier holds) {
    try {
      return holds.getAsBoolean();
    } catch (EmptyNodeQueryException e) {
      return false;
    }
  }

  /** Clicks on something that is on its way into the window, or there. */
  static void click(FxRobot robot, String query) {
    until(() -> robot.lookup(query).tryQuery().isPresent());
    robot.clickOn(query);
  }

  /** Clicks on what leads somewhere, again if the click was lost while the window was laid out. */
  static void go(FxRobot robot, String query, BooleanSupplier there) {
    again(() -> robot.clickOn(query), () -> robot.lookup(query).tryQuery().isPresent(), there);
  }

  /** Drags something onto something, again if that was lost. */
  static void carry(FxRobot robot, String from, String onto, BooleanSupplier there) {
    again(() -> robot.drag(from).moveTo(onto).drop(), () -> true, there);
  }

  private static void again(Runnable act, BooleanSupplier possible, BooleanSupplier there) {
    // What was just turned to may still be on its way into the window.
    until(() -> possible.getAsBoolean() || already(there));
    for (int i = 0; i < TRIES && possible.getAsBoolean() && !already(there); i++) {
      act.run();
      try {
        WaitForAsyncUtils.waitFor(PATIENCE_SECONDS / TRIES, TimeUnit.SECONDS, () -> already(there));
      } catch (TimeoutException e) {
        // The next try, or the last wait below, decides.
      }
    }
    until(there);
  }

  /** What is read there; blanks that hold words together are blanks. */
  static String text(FxRobot robot, String id) {
    return robot.lookup("#" + id).queryAs(Labeled.class).getText().replace('\u00a0', ' ');
  }

  static boolean isThere(FxRobot robot, String id) {
    return robot.lookup("#" + id).tryQuery().isPresent();
  }

  static boolean shows(FxRobot robot, String id, String words) {
    // Looked up once: between two looks the window may write the node anew.
    return robot
        .lookup("#" + id)
        .tryQueryAs(Labeled.class)
        .map(label -> label.getText().replace('\u00a0', ' '))
        .filter(text -> text.contains(words))
        .isPresent();
  }

  static void untilShown(FxRobot robot, String id, String words) {
    try {
      until(() -> shows(robot, id, words));
    } catch (AssertionError e) {
      String now = isThere(robot, id) ? text(robot, id) : "nothing";
      throw new AssertionError(id + " says: " + now + "; wanted: " + words, e);
    }
  }

  static Set<String> texts(FxRobot robot, String query) {
    return robot.lookup(query).queryAllAs(Labeled.class).stream()
        .map(Labeled::getText)
        .collect(Collectors.toSet());
  }

  static int rows(FxRobot robot) {
    return sheet(robot, "records-table").cells().rows();
  }

  static Sheet sheet(FxRobot robot, String id) {
    return robot.lookup("#" + id).queryAs(Sheet.class);
  }

  /** The middle of a cell that is in view. */
  static Point2D at(Sheet sheet, int row, int column) {
    Bounds box = sheet.bounds(new Place(row, column));
    return sheet.localToScreen(box.getCenterX(), box.getCenterY());
  }

  static void press(FxRobot robot, KeyCode key) {
    robot.press(KeyCode.CONTROL, key).release(key, KeyCode.CONTROL);
    WaitForAsyncUtils.waitForFxEvents();
  }

  /**
   * Without a window manager nobody else hands the keyboard to a new window; it has it when it
   * hears a key that does nothing.
   */
  static void takeKeyboard(FxRobot robot) {
    AtomicBoolean heard = new AtomicBoolean();
    EventHandler<KeyEvent> ear = event -> heard.set(true);
    Window window = robot.window(0);
    robot.interact(() -> window.addEventFilter(KeyEvent.KEY_PRESSED, ear));
    until(
        () -> {
          robot.interact(window::requestFocus);
          robot.type(KeyCode.SHIFT);
          WaitForAsyncUtils.waitForFxEvents();
          return heard.get();
        });
    robot.interact(() -> window.removeEventFilter(KeyEvent.KEY_PRESSED, ear));
  }

  static void tabTo(FxRobot robot, String id) {
    // A page that was just turned to may still be on its way into the window.
    until(() -> isThere(robot, id));
    for (int i = 0; i < MOST_TABS; i++) {
      Node focused = robot.window(0).getScene().getFocusOwner();
      if (focused != null && id.equals(focused.getId())) {
        return;
      }
      robot.type(KeyCode.TAB);
      WaitForAsyncUtils.waitForFxEvents();
    }
    throw new AssertionError("The keyboard does not reach " + id);
  }
}
