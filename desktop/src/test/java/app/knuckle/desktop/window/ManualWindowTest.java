package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.takeKeyboard;
import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.explain.Topic;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.Workbench;
import javafx.scene.control.Button;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The manual is read where it is needed. */
@ExtendWith(ApplicationExtension.class)
class ManualWindowTest {

  private Workbench workbench;

  @Start
  void start(Stage stage) {
    workbench = Driver.showDemo(stage);
  }

  private void untilRead(FxRobot robot, String title) {
    until(
        () ->
            robot
                .lookup("#manual-page .page-title")
                .<Labeled>tryQuery()
                .filter(label -> label.getText().equals(title))
                .isPresent());
  }

  private void goTo(FxRobot robot, Joint joint) {
    robot.interact(() -> workbench.currentProperty().get().jointProperty().set(joint));
  }

  @Test
  void theKeyOpensThePageOfWhatIsInFront(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    goTo(robot, Joint.TEST);
    robot.press(KeyCode.F1).release(KeyCode.F1);
    untilRead(robot, "One treatment, several levels");
    robot.press(KeyCode.ESCAPE).release(KeyCode.ESCAPE);
    until(() -> !isThere(robot, "manual"));
    goTo(robot, Joint.COMPARE);
    robot.press(KeyCode.F1).release(KeyCode.F1);
    untilRead(robot, "Tukey: all pairs");
    robot.interact(() -> robot.lookup("#read-dunnett").<Hyperlink>query().fire());
    untilRead(robot, "Dunnett: against a reference");
    robot.interact(() -> robot.lookup("#manual-back").<Button>query().fire());
    until(() -> !isThere(robot, "manual"));
    assertThat(workbench.pageProperty().get()).isNull();
    assertThat(workbench.currentProperty().get().jointProperty().get()).isEqualTo(Joint.COMPARE);
  }

  @Test
  void questionMarksAndHeadsOpenTheirPages(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    goTo(robot, Joint.FOOTING);
    until(() -> isThere(robot, "check-equal-variances"));
    robot.interact(
        () -> robot.lookup("#check-equal-variances .explain-mark").<Button>query().fire());
    untilRead(robot, "Check: equal spread");
    robot.interact(workbench::leavePage);
    goTo(robot, Joint.TEST);
    until(() -> robot.lookup(".text-grid-head").tryQuery().isPresent());
    robot.clickOn("sum of squares");
    untilRead(robot, "Words in the heads of tables");
  }

  @Test
  void everyPageIsShown(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    for (Topic topic : Topic.values()) {
      robot.interact(() -> workbench.show(new Page.Reading(topic)));
      until(() -> robot.lookup("#manual-page .page-title").tryQuery().isPresent());
      assertThat(robot.lookup("#manual-page .page-head").queryAll().size())
          .as(topic.slug())
          .isGreaterThanOrEqualTo(topic == Topic.WORDS ? 0 : 6);
    }
  }
}
