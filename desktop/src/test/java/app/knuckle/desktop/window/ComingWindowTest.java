package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.text;
import static app.knuckle.desktop.window.Driver.until;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.workbench.Banner;
import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.study.keeping.Study;
import java.io.IOException;
import java.nio.file.Path;
import javafx.scene.Node;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** A study that comes while the window is open already. */
@ExtendWith(ApplicationExtension.class)
class ComingWindowTest {

  private Workbench workbench;
  private Stage stage;

  @Start
  void start(Stage shown) {
    stage = shown;
    workbench = Driver.show(stage);
  }

  private void comes(FxRobot robot) {
    Study demo = DemoStudy.read();
    robot.interact(() -> KnuckleApp.take(demo, workbench));
  }

  @Test
  void itIsWaitedForAndTakesTheWindow(FxRobot robot) {
    robot.interact(() -> workbench.show(new Page.Coming("the demo study")));
    until(() -> isThere(robot, "coming"));
    assertThat(text(robot, "finding")).isEqualTo("It is being read.");
    comes(robot);
    until(() -> isThere(robot, "records"));
    assertThat(stage.getScene().getFocusOwner().getId()).isEqualTo("joint-records");
  }

  @Test
  void itOpensBehindThePageThatItsUserTurnedTo(FxRobot robot) {
    robot.interact(() -> workbench.show(new Page.Coming("the demo study")));
    until(() -> isThere(robot, "coming"));
    robot.interact(() -> workbench.show(new Page.Reckoning(null)));
    comes(robot);
    until(() -> isThere(robot, "reckoner"));
    assertThat(workbench.slips()).hasSize(Driver.INQUIRIES);
    assertThat(workbench.pageProperty().get()).isInstanceOf(Page.Reckoning.class);
    robot.interact(() -> workbench.show(null));
    until(() -> isThere(robot, "records"));
  }

  @Test
  void itSaysThatItWaitsWhereOtherRecordsWereOpened(@TempDir Path folder, FxRobot robot)
      throws IOException {
    Path raw = Driver.rawTanks(folder);
    robot.interact(() -> workbench.open(raw));
    until(() -> isThere(robot, "records"));
    comes(robot);
    assertThat(workbench.slips()).hasSize(1);
    Banner banner = workbench.bannerProperty().get();
    assertThat(banner.words()).contains("has been read");
    robot.interact(() -> banner.ways().get(0).action().run());
    until(
        () ->
            workbench.slips().size() == Driver.INQUIRIES
                || workbench.bannerProperty().get() != banner);
    assertThat(workbench.bannerProperty().get().words()).contains("not saved");
  }

  @Test
  void recordsThatAreOpenedByTheirFileGiveTheChainTheKeyboard(@TempDir Path folder, FxRobot robot)
      throws IOException {
    until(() -> stage.getScene().getFocusOwner() != null);
    Path raw = Driver.rawTanks(folder);
    robot.interact(() -> workbench.open(raw));
    until(() -> isThere(robot, "records"));
    until(() -> robot.lookup("#joint-records").query().isFocused());
  }

  @Test
  void whoeverWorksElsewhereKeepsTheKeyboard(@TempDir Path folder, FxRobot robot)
      throws IOException {
    Driver.takeKeyboard(robot);
    Node find = robot.lookup("#find-move").query();
    robot.interact(find::requestFocus);
    Path raw = Driver.rawTanks(folder);
    robot.interact(() -> workbench.open(raw));
    until(() -> isThere(robot, "records"));
    assertThat(stage.getScene().getFocusOwner()).isSameAs(find);
  }
}
