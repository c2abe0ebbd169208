package app.knuckle.desktop.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.geometry.VerticalDirection;
import javafx.scene.Scene;
import javafx.scene.control.Tooltip;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import javafx.stage.Window;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** A sheet in a window of its own: what mouse and keys do to it. */
@ExtendWith(ApplicationExtension.class)
class SheetTest {

  private static final int ROWS = 1000;

  private Sheet sheet;
  private final List<String> written = new ArrayList<>();
  private final List<Place> cleared = new ArrayList<>();

  /** Cells that say where they are: b3 is the second column, the third row. */
  private record Named(int rows) implements Cells {
    @Override
    public List<Head> heads() {
      return List.of(Head.named("a", 100), Head.named("b", 100), Head.named("c", 100));
    }

    @Override
    public String text(int row, int column) {
      return "abc".charAt(column) + String.valueOf(row + 1);
    }

    @Override
    public String struck(int row) {
      return row == 2 ? "torn bag" : "";
    }
  }

  @Start
  void start(Stage stage) {
    sheet = new Sheet(40, true, (place, text) -> written.add(place + " " + text));
    sheet.onCleared(cleared::addAll);
    sheet.show(new Named(ROWS));
    stage.setScene(new Scene(sheet, 400, 300));
    stage.show();
    stage.toFront();
  }

  @BeforeEach
  void laidOut() {
    WaitForAsyncUtils.waitForFxEvents();
  }

  private Point2D at(int row, int column) {
    Bounds box = sheet.bounds(new Place(row, column));
    return sheet.localToScreen(box.getCenterX(), box.getCenterY());
  }

  private void press(FxRobot robot, KeyCode held, KeyCode key) {
    robot.press(held, key).release(key, held);
    WaitForAsyncUtils.waitForFxEvents();
  }

  private void type(FxRobot robot, KeyCode... keys) {
    robot.type(keys);
    WaitForAsyncUtils.waitForFxEvents();
  }

  private void begin(FxRobot robot) {
    robot.clickOn(at(0, 0));
    robot.interact(() -> {});
    WaitForAsyncUtils.waitForFxEvents();
  }

  @Test
  void arrowsPagesAndEndsGoWhereASpreadsheetGoes(FxRobot robot) {
    begin(robot);
    type(robot, KeyCode.DOWN, KeyCode.DOWN, KeyCode.RIGHT);
    assertThat(sheet.focus()).isEqualTo(new Place(2, 1));
    type(robot, KeyCode.END);
    assertThat(sheet.focus()).isEqualTo(new Place(2, 2));
    press(robot, KeyCode.CONTROL, KeyCode.END);
    assertThat(sheet.focus()).isEqualTo(new Place(ROWS - 1, 2));
    assertThat(sheet.bounds(sheet.focus()).getMaxY()).isLessThanOrEqualTo(300);
    type(robot, KeyCode.DOWN, KeyCode.RIGHT);
    assertThat(sheet.focus()).as("there is nothing beyond").isEqualTo(new Place(ROWS - 1, 2));
    type(robot, KeyCode.PAGE_UP);
    int page = ROWS - 1 - sheet.focus().row();
    assertThat(page).isBetween(5, 8);
    press(robot, KeyCode.CONTROL, KeyCode.UP);
    assertThat(sheet.focus()).isEqualTo(new Place(0, 2));
    type(robot, KeyCode.PAGE_DOWN);
    assertThat(sheet.focus().row()).isEqualTo(page);
    press(robot, KeyCode.CONTROL, KeyCode.HOME);
    assertThat(sheet.focus()).isEqualTo(new Place(0, 0));
    type(robot, KeyCode.UP, KeyCode.LEFT);
    assertThat(sheet.focus()).as("the heads are written").isEqualTo(new Place(Place.HEAD, 0));
  }

  @Test
  void whatIsSelectedIsCopiedAsCellsAndCleared(FxRobot robot) {
    begin(robot);
    press(robot, KeyCode.SHIFT, KeyCode.DOWN);
    press(robot, KeyCode.SHIFT, KeyCode.RIGHT);
    press(robot, KeyCode.CONTROL, KeyCode.C);
    robot.interact(
        () -> assertThat(Clipboard.getSystemClipboard().getString()).isEqualTo("a1\tb1\na2\tb2"));
    type(robot, KeyCode.DELETE);
    assertThat(cleared)
        .containsExactlyInAnyOrder(
            new Place(0, 0), new Place(0, 1), new Place(1, 0), new Place(1, 1));
    press(robot, KeyCode.CONTROL, KeyCode.A);
    assertThat(sheet.selectedRows()).hasSize(ROWS);
    assertThat(sheet.selectedColumns()).containsExactly(0, 1, 2);
  }

  @Test
  void aCellIsWrittenByTypingAndLeftByEnterTabOrEscape(FxRobot robot) {
    begin(robot);
    robot.write("x");
    type(robot, KeyCode.ENTER);
    assertThat(written).containsExactly(new Place(0, 0) + " x");
    assertThat(sheet.focus()).isEqualTo(new Place(1, 0));
    robot.write("y");
    type(robot, KeyCode.TAB);
    assertThat(written).last().isEqualTo(new Place(1, 0) + " y");
    assertThat(sheet.focus()).isEqualTo(new Place(1, 1));
    robot.write("z");
    type(robot, KeyCode.ESCAPE);
    assertThat(written).hasSize(2);
    assertThat(sheet.focus()).isEqualTo(new Place(1, 1));
    type(robot, KeyCode.F2, KeyCode.ENTER);
    assertThat(written).as("what was not changed is not told").hasSize(2);
    robot.doubleClickOn(at(Place.HEAD, 2)).write("d");
    type(robot, KeyCode.ENTER);
    assertThat(written).last().isEqualTo(new Place(Place.HEAD, 2) + " d");
  }

  @Test
  void theMouseSelectsCellsRowsAndAreas(FxRobot robot) {
    robot.drag(at(1, 0)).dropTo(at(3, 1));
    assertThat(sheet.selectedRows()).containsExactly(1, 2, 3);
    assertThat(sheet.selectedColumns()).containsExactly(0, 1);
    robot.press(KeyCode.CONTROL).clickOn(at(5, 2)).release(KeyCode.CONTROL);
    assertThat(sheet.selectedRows()).containsExactly(1, 2, 3, 5);
    Bounds cell = sheet.bounds(new Place(4, 0));
    Point2D name = sheet.localToScreen(cell.getMinX() - 20, cell.getCenterY());
    robot.clickOn(name);
    assertThat(sheet.selectedRows()).containsExactly(4);
    assertThat(sheet.selectedColumns()).containsExactly(0, 1, 2);
    robot.drag(name).dropTo(name.add(0, 2 * cell.getHeight()));
    assertThat(sheet.selectedRows()).containsExactly(4, 5, 6);
    robot.clickOn(at(5, 1), MouseButton.SECONDARY);
    assertThat(sheet.selectedRows()).as("a menu is about what is selected").hasSize(3);
  }

  @Test
  void aHeadIsDraggedWiderAndTheWheelScrolls(FxRobot robot) {
    Bounds head = sheet.bounds(new Place(Place.HEAD, 0));
    Point2D edge = sheet.localToScreen(head.getMaxX(), head.getCenterY());
    robot.drag(edge).dropTo(edge.add(60, 0));
    assertThat(sheet.bounds(new Place(0, 0)).getWidth()).isBetween(155.0, 165.0);
    robot.moveTo(at(2, 0)).scroll(5, VerticalDirection.DOWN);
    WaitForAsyncUtils.waitForFxEvents();
    assertThat(sheet.bounds(new Place(0, 0)).getMaxY()).isLessThan(40);
    robot.interact(() -> sheet.goTo(new Place(500, 2)));
    assertThat(sheet.bounds(new Place(500, 2)).getMaxX()).isLessThanOrEqualTo(400);
  }

  @Test
  void pointingAtAStruckRowTellsWhy(FxRobot robot) {
    robot.moveTo(at(2, 1));
    WaitForAsyncUtils.waitForFxEvents();
    assertThat(Window.getWindows())
        .filteredOn(Tooltip.class::isInstance)
        .extracting(window -> ((Tooltip) window).getText())
        .containsExactly("torn bag");
    robot.moveTo(at(3, 1));
    WaitForAsyncUtils.waitForFxEvents();
    assertThat(Window.getWindows()).noneMatch(Tooltip.class::isInstance);
  }

  @Test
  void inASmallerTableTheKeyboardStaysOnACell(FxRobot robot) {
    robot.interact(() -> sheet.goTo(new Place(ROWS - 1, 2)));
    robot.interact(() -> sheet.show(new Named(3)));
    assertThat(sheet.focus()).isEqualTo(new Place(2, 2));
    robot.interact(() -> sheet.show(new Named(0)));
    assertThat(sheet.selectedRows()).isEmpty();
    begin(robot);
    type(robot, KeyCode.DOWN, KeyCode.ENTER);
    assertThat(written).isEmpty();
  }
}
