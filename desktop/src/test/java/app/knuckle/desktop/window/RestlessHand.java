package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.until;

import app.knuckle.desktop.controls.SlotChooser;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.function.BooleanSupplier;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.stage.Window;
import org.testfx.api.FxRobot;

/** Somebody who presses whatever is there, in any order, and remembers what it was. */
final class RestlessHand {

  private static final List<KeyCode> KEYS =
      List.of(
          KeyCode.DIGIT1,
          KeyCode.DIGIT2,
          KeyCode.DIGIT3,
          KeyCode.DIGIT4,
          KeyCode.DIGIT5,
          KeyCode.DIGIT6,
          KeyCode.DIGIT7,
          KeyCode.DIGIT8,
          KeyCode.D,
          KeyCode.K,
          KeyCode.L,
          KeyCode.COMMA,
          KeyCode.Z,
          KeyCode.Z,
          KeyCode.Y,
          KeyCode.TAB,
          KeyCode.PAGE_UP,
          KeyCode.PAGE_DOWN);

  /** With the shift key as well: the Reckoner, a plan, and whatever else is opened so. */
  private static final List<KeyCode> SHIFTED = List.of(KeyCode.R, KeyCode.P, KeyCode.B);

  /** A turn of the wheel, in points. */
  private static final double WHEEL = 120;

  private static final List<String> TYPED =
      List.of("", "2", "-1.5", "0", "mesh", "1e9", "a, b", "[growth_mm] * 2", "7, 12-14", "x y");

  /** What leads out of the window. */
  private static final Set<String> LEFT_ALONE = Set.of("menu-leave");

  private final List<String> done = new ArrayList<>();
  private final Workbench workbench;
  private final FxRobot robot;
  private final Random random;

  RestlessHand(Workbench workbench, FxRobot robot, Random random) {
    this.workbench = workbench;
    this.robot = robot;
    this.random = random;
  }

  /** What was pressed, in order. */
  List<String> done() {
    return done;
  }

  /** Presses, waiting now and then until all is answered, as long as nothing is broken. */
  void press(int acts, BooleanSupplier whole) {
    until(() -> isThere(robot, "finding"));
    for (int i = 0; i < acts && whole.getAsBoolean(); i++) {
      robot.interact(this::act);
      if (random.nextInt(3) == 0) {
        until(() -> !isBusy());
      }
    }
    until(() -> !isBusy());
  }

  private boolean isBusy() {
    SlipViewModel slip = workbench.currentProperty().get();
    return slip != null && slip.busyProperty().get();
  }

  private void act() {
    switch (random.nextInt(12)) {
      case 0 -> key(SHIFTED.get(random.nextInt(SHIFTED.size())), true, true);
      case 1 -> key(KeyCode.ESCAPE, false, false);
      case 2 -> scroll();
      case 3, 4, 5 -> key(KEYS.get(random.nextInt(KEYS.size())), true, false);
      default -> pressAny();
    }
  }

  private void key(KeyCode key, boolean control, boolean shift) {
    Window window = robot.listTargetWindows().get(0);
    Node focused = window.getScene().getFocusOwner();
    done.add((control ? "Ctrl " : "") + (shift ? "Shift " : "") + key);
    Event.fireEvent(
        focused == null ? window.getScene() : focused,
        new KeyEvent(KeyEvent.KEY_PRESSED, "", "", key, shift, control, false, false));
  }

  private void scroll() {
    List<Node> panes = new ArrayList<>(robot.lookup(n -> n instanceof ScrollPane).queryAll());
    if (panes.isEmpty()) {
      return;
    }
    ScrollPane pane = (ScrollPane) panes.get(random.nextInt(panes.size()));
    done.add("Wheel over " + pane.getId());
    double by = random.nextBoolean() ? WHEEL : -WHEEL;
    pane.setVvalue(pane.getVvalue() - by / Math.max(1, pane.getHeight()));
  }

  private void pressAny() {
    List<Node> there =
        new ArrayList<>(
            robot.lookup(n -> isPressed(n) && n.isVisible() && !n.isDisabled()).queryAll());
    if (there.isEmpty()) {
      return;
    }
    Node node = there.get(random.nextInt(there.size()));
    done.add(node.getClass().getSimpleName() + " " + node.getId());
    press(node);
  }

  private static boolean isPressed(Node node) {
    return node.getScene() != null
        && (node instanceof ButtonBase || node instanceof ComboBox || node instanceof TextField);
  }

  private void press(Node node) {
    if (node instanceof MenuButton menu) {
      menu.show();
      List<MenuItem> items =
          menu.getItems().stream()
              .filter(i -> !i.isDisable() && !LEFT_ALONE.contains(String.valueOf(i.getId())))
              .toList();
      if (!items.isEmpty()) {
        MenuItem item = items.get(random.nextInt(items.size()));
        done.add("  " + item.getText());
        item.fire();
      }
      menu.hide();
    } else if (node instanceof SlotChooser slot) {
      slot.fire();
      choose(robot.lookup("#" + slot.getId() + "-list").tryQueryAs(ListView.class).orElse(null));
    } else if (node instanceof ButtonBase button) {
      button.fire();
    } else if (node instanceof ComboBox<?> box && !box.getItems().isEmpty()) {
      box.getSelectionModel().select(random.nextInt(box.getItems().size()));
    } else if (node instanceof TextField field && field.isEditable()) {
      String text = TYPED.get(random.nextInt(TYPED.size()));
      done.add("  " + text);
      field.setText(text);
      Event.fireEvent(
          field,
          new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.ENTER, false, false, false, false));
    }
  }

  private void choose(ListView<?> list) {
    if (list != null && !list.getItems().isEmpty()) {
      int at = random.nextInt(list.getItems().size());
      done.add("  " + list.getItems().get(at));
      list.getSelectionModel().select(at);
      Event.fireEvent(
          list,
          new MouseEvent(
              MouseEvent.MOUSE_CLICKED,
              0,
              0,
              0,
              0,
              MouseButton.PRIMARY,
              1,
              false,
              false,
              false,
              false,
              true,
              false,
              false,
              true,
              false,
              false,
              null));
    }
  }
}
