package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.press;
import static app.knuckle.desktop.window.Driver.takeKeyboard;
import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.keeping.StateFolder;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.formats.keeping.Settings;
import app.knuckle.formats.keeping.SettingsFile;
import app.knuckle.formats.report.NumberStyle;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.control.CheckBox;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Settings in the real window: kept, and in force at once. */
@ExtendWith(ApplicationExtension.class)
class SettingsWindowTest {

  @TempDir private Path folder;
  private Workbench workbench;

  @Start
  void start(Stage stage) {
    workbench = Driver.showDemo(stage);
  }

  @BeforeEach
  void openThePage(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    press(robot, KeyCode.COMMA);
    until(() -> isThere(robot, "settings-alpha"));
  }

  @AfterEach
  void forget() throws IOException {
    Files.deleteIfExists(StateFolder.path().resolve(SettingsFile.NAME));
  }

  private Settings settings() {
    return workbench.settingsProperty().get();
  }

  @Test
  void aLevelHoldsForNewInquiriesAndIsKept(FxRobot robot) throws IOException {
    robot.interact(() -> robot.lookup("#settings-alpha").queryAs(TextField.class).setText("0.01"));
    until(() -> settings().alpha() == 0.01);
    until(() -> SettingsFile.read(StateFolder.path()).settings().equals(settings()));
    robot.interact(() -> robot.lookup("#settings-alpha").queryAs(TextField.class).setText("7"));
    untilShown(robot, "settings-note", "between 0 and 1");
    assertThat(settings().alpha()).isEqualTo(0.01);
    Path file = Files.writeString(folder.resolve("a.csv"), "g,y\na,1\na,2\na,3\nb,2\nb,3\nb,5\n");
    robot.interact(() -> workbench.open(file));
    until(() -> workbench.currentProperty().get().source().name().equals("a"));
    assertThat(workbench.currentProperty().get().inquiry().alpha()).isEqualTo(0.01);
  }

  @Test
  void numbersOfNewPagesAreWrittenAsIsSaidHere(FxRobot robot) {
    robot.interact(() -> robot.lookup("#settings-thin").queryAs(CheckBox.class).fire());
    robot.interact(() -> robot.lookup("#settings-exact-1").queryAs(ToggleButton.class).fire());
    until(() -> settings().numbers().thinSpace());
    assertThat(settings().numbers().exact()).isEqualTo(NumberStyle.EXACT_P.get(1));
    until(() -> SettingsFile.read(StateFolder.path()).settings().equals(settings()));
  }

  @Test
  void anAppearanceIsInForceAtOnce(FxRobot robot) {
    robot.clickOn("#settings-appearance-1");
    until(() -> settings().appearance() == Settings.Appearance.DARK);
    until(
        () ->
            robot.lookup("#shell").query().getScene().getStylesheets().stream()
                .anyMatch(sheet -> sheet.endsWith("tokens-dark.css")));
    robot.clickOn("#settings-appearance-0");
    until(
        () ->
            robot.lookup("#shell").query().getScene().getStylesheets().stream()
                .noneMatch(sheet -> sheet.contains("dark")));
  }
}
