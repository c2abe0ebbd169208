package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.press;
import static app.knuckle.desktop.window.Driver.tabTo;
import static app.knuckle.desktop.window.Driver.takeKeyboard;
import static app.knuckle.desktop.window.Driver.text;
import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.workbench.Workbench;
import java.nio.file.Path;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Two inquiries side by side, with the keyboard alone. */
@ExtendWith(ApplicationExtension.class)
class BesideWindowTest {

  @TempDir private Path folder;
  private Workbench workbench;

  @Start
  void start(Stage stage) {
    workbench = Driver.showDemo(stage);
  }

  @AfterEach
  void stop() {
    DialogAnswers.stop();
  }

  @Test
  void theChangeAndWhatItDid(FxRobot robot) {
    DialogAnswers.give(folder, null);
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    press(robot, KeyCode.TAB);
    press(robot, KeyCode.TAB);
    untilShown(robot, "finding", "depends on density");
    press(robot, KeyCode.E);
    untilShown(robot, "beside-sentence", "now is (p = .018)");
    assertThat(text(robot, "beside-sentence"))
        .startsWith("Adjusting for start cut the residual SD from 1.15 to 1.05 mm");
    tabTo(robot, "beside-third");
    robot.type(KeyCode.DOWN);
    untilShown(robot, "beside-sentence-2", "judge different things");
    robot.type(KeyCode.UP);
    until(() -> !isThere(robot, "beside-sentence-2"));
    tabTo(robot, "beside-exchange");
    robot.type(KeyCode.SPACE);
    untilShown(robot, "beside-sentence", "Without adjusting for start raised");
    assertThat(text(robot, "beside-sentence")).contains("no longer is (p = .071)");
    tabTo(robot, "beside-html");
    robot.type(KeyCode.SPACE);
    untilShown(robot, "beside-note", "Written: side-by-side.html");
    assertThat(folder.resolve("side-by-side.html")).content().contains("crossed \u03b1");
    robot.type(KeyCode.ESCAPE);
    until(() -> !isThere(robot, "beside"));
    assertThat(workbench.currentProperty().get().inquiry().name())
        .isEqualTo("\u2026 adjusted for start length");
  }
}
