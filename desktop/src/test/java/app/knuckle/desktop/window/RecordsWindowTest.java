package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.at;
import static app.knuckle.desktop.window.Driver.go;
import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.keeper;
import static app.knuckle.desktop.window.Driver.press;
import static app.knuckle.desktop.window.Driver.rows;
import static app.knuckle.desktop.window.Driver.sheet;
import static app.knuckle.desktop.window.Driver.shows;
import static app.knuckle.desktop.window.Driver.tabTo;
import static app.knuckle.desktop.window.Driver.takeKeyboard;
import static app.knuckle.desktop.window.Driver.text;
import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.sheet.Place;
import app.knuckle.desktop.sheet.Sheet;
import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.study.keeping.Study;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.geometry.Point2D;
import javafx.scene.control.ComboBox;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** Records for real: from a raw file to records that are ready, and kept. */
@ExtendWith(ApplicationExtension.class)
class RecordsWindowTest {

  private static final String READY = "Clearance differs between the 4 levels of feed";

  @TempDir private Path folder;
  private Workbench workbench;
  private Path raw;

  @Start
  void start(Stage stage) throws IOException {
    raw = Driver.rawTanks(folder);
    workbench = Driver.showRaw(stage, raw);
  }

  @Test
  void fromRawToReadyWithTheMouseUndoneAndDoneAgain(FxRobot robot) {
    untilShown(robot, "finding", "6 levels of feed");
    robot.clickOn("#fix-0");
    untilShown(robot, "finding", "5 levels of feed");
    robot.clickOn("#fix-0");
    untilShown(robot, "finding", "4 levels of feed");
    robot.clickOn("#fix-0");
    untilShown(robot, "finding", READY);
    assertThat(isThere(robot, "notices")).isFalse();
    Study ready = workbench.study();
    assertThat(workbench.history().undoProperty().get()).isEqualTo("\u221299 means missing");
    robot.clickOn("#undo").clickOn("#undo");
    untilShown(robot, "finding", "5 levels of feed");
    robot.clickOn("#undo");
    untilShown(robot, "finding", "6 levels of feed");
    robot.clickOn("#redo").clickOn("#redo").clickOn("#redo");
    untilShown(robot, "finding", READY);
    assertThat(workbench.study()).isEqualTo(ready);
  }

  @Test
  void fromRawToReadyWithTheKeyboardAlone(FxRobot robot) {
    untilShown(robot, "finding", "6 levels of feed");
    takeKeyboard(robot);
    for (String levels : new String[] {"5 levels", "4 levels", "4 levels"}) {
      tabTo(robot, "fix-0");
      robot.type(KeyCode.SPACE);
      untilShown(robot, "finding", levels);
    }
    untilShown(robot, "finding", READY);
    press(robot, KeyCode.Z);
    untilShown(robot, "finding", "No evidence");
  }

  @Test
  void stepsAreMadeChangedAndSwitchedOffInPlace(FxRobot robot) {
    untilShown(robot, "finding", "6 levels of feed");
    robot.clickOn("#add-step").clickOn("#add-compute");
    until(() -> isThere(robot, "step-editor"));
    ComboBox<String> from = robot.lookup("#step-from").queryComboBox();
    robot.interact(() -> from.setValue("clearance_l_h"));
    ComboBox<String> as = robot.lookup("#step-as").queryComboBox();
    robot.interact(() -> as.setValue("natural logarithm"));
    untilShown(robot, "step-effect", "1 new column, 2 rows have no value there");
    robot.clickOn("#step-column").write("log_rate").clickOn("#take-step");
    untilShown(robot, "effect-2", "1 new column");
    robot.clickOn("#change-step-2").clickOn("Edit \u2026");
    until(() -> isThere(robot, "step-editor"));
    robot
        .clickOn("#step-column")
        .press(KeyCode.CONTROL, KeyCode.A)
        .release(KeyCode.A, KeyCode.CONTROL);
    robot.write("tank");
    untilShown(robot, "step-effect", "there is already a column 'tank'");
    robot.type(KeyCode.ESCAPE);
    robot.clickOn("#change-step-2").clickOn("Switch off");
    untilShown(robot, "effect-2", "switched off");
    robot.clickOn("#add-step").clickOn("#add-set-aside");
    robot.clickOn("#step-rows").write("12").clickOn("#step-why").write("lone");
    robot.type(KeyCode.ENTER);
    untilShown(robot, "finding", "5 levels of feed");
  }

  @Test
  void cellsAreEditedFoundAndSetAsideAndARefreshedFileRunsTheTrailAgain(FxRobot robot)
      throws IOException {
    untilShown(robot, "finding", "6 levels of feed");
    robot.clickOn("#find").write("kelp");
    untilShownRows(robot, "1 row found");
    robot.type(KeyCode.ENTER);
    Sheet table = sheet(robot, "records-table");
    until(() -> table.focus().row() == 11);
    robot.clickOn("#only-found");
    until(() -> rows(robot) == 1);
    robot.doubleClickOn(at(table, 0, 1)).write("Paste").type(KeyCode.ENTER);
    untilShown(robot, "finding", "5 levels of feed");
    assertThat(workbench.study().tables().get(0).table().columns().get(1).text(11))
        .as("the source stays as read")
        .isEqualTo("Kelp dust");
    Files.writeString(
        raw, Files.readString(raw).replace("green T", "Green T").replace("feed,", "food,"));
    robot.interact(() -> workbench.currentProperty().get().source().refresh());
    untilShown(robot, "finding", "there is no column 'feed'");
    untilShown(robot, "effect-2", "there is no column 'feed'");
  }

  private static void untilShownRows(FxRobot robot, String words) {
    until(() -> Driver.texts(robot, ".joint-line").contains(words));
  }

  @Test
  void aColumnIsRenamedInItsHeadAndTheQuestionFollows(FxRobot robot) {
    untilShown(robot, "finding", "6 levels of feed");
    takeKeyboard(robot);
    Sheet table = sheet(robot, "records-table");
    robot.doubleClickOn(at(table, Place.HEAD, 1)).write("diet").type(KeyCode.ENTER);
    untilShown(robot, "finding", "6 levels of diet");
    robot.clickOn(at(table, 0, 2)).type(KeyCode.DELETE);
    untilShown(robot, "effect-3", "1 cell");
    press(robot, KeyCode.Z);
    press(robot, KeyCode.Z);
    untilShown(robot, "finding", "6 levels of feed");
  }

  @Test
  void rowsAreChosenByTheirNumbersAndSetAside(FxRobot robot) {
    untilShown(robot, "finding", "6 levels of feed");
    Sheet table = sheet(robot, "records-table");
    Point2D first = at(table, 3, 0);
    Point2D number = first.subtract(table.bounds(new Place(3, 0)).getWidth() / 2 + 20, 0);
    robot.clickOn(number).press(KeyCode.SHIFT).clickOn(at(table, 5, 0)).release(KeyCode.SHIFT);
    untilShown(robot, "set-aside", "Set 3 aside");
    robot.clickOn("#set-aside");
    until(() -> isThere(robot, "step-rows"));
    assertThat(robot.lookup("#step-rows").queryTextInputControl().getText()).isEqualTo("4, 5, 6");
  }

  @Test
  void aStudyIsSavedOpenedAndBroughtBackAfterACrash(FxRobot robot) {
    untilShown(robot, "finding", "6 levels of feed");
    robot.clickOn("#fix-0");
    untilShown(robot, "finding", "5 levels of feed");
    Path file = folder.resolve("cove.knuckle");
    robot.interact(() -> keeper(workbench).save(file, () -> {}));
    until(() -> !keeper(workbench).unsavedProperty().get());
    robot.clickOn("#fix-0");
    untilShown(robot, "finding", "4 levels of feed");
    assertThat(keeper(workbench).unsavedProperty().get()).isTrue();
    robot.interact(() -> workbench.open(file));
    untilShown(robot, "banner-words", "not saved");
    robot.clickOn("Keep it to bring back later");
    untilShown(robot, "finding", "5 levels of feed");
    assertThat(workbench.nameProperty().get()).isEqualTo("cove");
    robot.interact(() -> workbench.open(folder.resolve("none.knuckle")));
    untilShown(robot, "banner-words", "there is no such file");
    assertThat(text(robot, "finding")).contains("5 levels of feed");
  }

  @Test
  void recordsAreTypedAndPasted(FxRobot robot) {
    untilShown(robot, "finding", "6 levels of feed");
    robot.interact(() -> workbench.show(new Page.Typing(null)));
    until(() -> isThere(robot, "typing-grid"));
    takeKeyboard(robot);
    Sheet grid = sheet(robot, "typing-grid");
    robot.interact(
        () -> {
          ClipboardContent cells = new ClipboardContent();
          cells.putString("a\t1.5\nb\t2.5\na\t1.7\n");
          Clipboard.getSystemClipboard().setContent(cells);
        });
    robot.write("g").type(KeyCode.ENTER);
    until(() -> grid.focus().equals(new Place(0, 0)));
    press(robot, KeyCode.V);
    robot.type(KeyCode.DOWN, 3);
    until(() -> grid.focus().equals(new Place(3, 0)));
    robot.write("b").type(KeyCode.TAB).write("2.8").type(KeyCode.ENTER);
    WaitForAsyncUtils.waitForFxEvents();
    robot.clickOn("#typing-done");
    untilShown(robot, "finding", " and b");
    assertThat(rows(robot)).isEqualTo(4);
  }

  @Test
  void aSheetOfCountsIsAColumnForEachGroupUntilItIsToldOtherwise(FxRobot robot) throws IOException {
    Path counts =
        Files.writeString(
            folder.resolve("settled.csv"),
            "control,low,high\n0,3,11\n2,7,19\n1,4,22\n3,,17\n,,25\n");
    robot.interact(() -> workbench.open(counts));
    untilShown(robot, "finding", "Value differs between the 3 levels of group");
    takeKeyboard(robot);
    press(robot, KeyCode.DIGIT7);
    untilShown(robot, "figure-caption", "eans");
    press(robot, KeyCode.DIGIT2);
    go(robot, "#take-shape", () -> shows(robot, "finding", "go together"));
    assertThat(workbench.currentProperty().get().inquiry().measured())
        .containsExactly("control", "low", "high");
    go(robot, "#take-shape", () -> shows(robot, "finding", "levels of group"));
  }
}
