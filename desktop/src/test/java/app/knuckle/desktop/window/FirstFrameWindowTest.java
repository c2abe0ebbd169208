package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.until;
import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Tooltip;
import javafx.stage.Stage;
import javafx.stage.Window;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The application itself as it comes up: an outline, and what it holds once that is painted. */
@ExtendWith(ApplicationExtension.class)
class FirstFrameWindowTest {

  private static final List<String> BANDS = List.of("slips-bar", "chain", "finding-line");

  @TempDir private Path folder;
  private Stage stage;
  private Parent outline;

  @Start
  void start(Stage shown) {
    System.setProperty("knuckle.state", folder.resolve("state").toString());
    stage = shown;
    new KnuckleApp().start(stage);
    outline = stage.getScene().getRoot();
  }

  private List<Bounds> bands(FxRobot robot, Parent root) {
    return BANDS.stream()
        .<Node>map(style -> robot.from(root).lookup("." + style).query())
        .map(Node::getBoundsInParent)
        .toList();
  }

  @Test
  void theOutlineGivesWayToWhatItIsTheOutlineOf(FxRobot robot) {
    until(() -> isThere(robot, "joint-records"));
    assertThat(stage.getScene().getRoot()).isNotSameAs(outline).isInstanceOf(ShellView.class);
    assertThat(stage.getIcons()).isNotEmpty();
    until(() -> stage.getScene().getFocusOwner() != null);
    // What stands in the same place does not jump.
    List<Bounds> then = bands(robot, outline);
    List<Bounds> now = bands(robot, stage.getScene().getRoot());
    for (int i = 0; i < BANDS.size(); i++) {
      assertThat(now.get(i).getWidth()).as(BANDS.get(i)).isEqualTo(then.get(i).getWidth());
      assertThat(now.get(i).getHeight()).as(BANDS.get(i)).isEqualTo(then.get(i).getHeight());
    }
  }

  @Test
  void theChainHasTheKeyboardOnceThereAreRecords(FxRobot robot) {
    until(() -> isThere(robot, "welcome-demo"));
    robot.interact(() -> robot.lookup("#welcome-demo").query().requestFocus());
    robot.interact(() -> robot.lookup("#welcome-demo").queryButton().fire());
    until(() -> isThere(robot, "records"));
    until(() -> robot.lookup("#joint-records").query().isFocused());
  }

  @Test
  void wordsComeUpBesideWhatIsPointedAt(FxRobot robot) {
    until(() -> isThere(robot, "find-move"));
    robot.moveTo("#find-move").moveBy(2, 2);
    until(
        () ->
            Window.getWindows().stream()
                .filter(Tooltip.class::isInstance)
                .anyMatch(window -> ((Tooltip) window).getText().startsWith("Find a move")));
    assertThat(robot.lookup("#find-move").query().getAccessibleHelp()).startsWith("Find a move");
  }
}
