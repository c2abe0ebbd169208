package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.carry;
import static app.knuckle.desktop.window.Driver.go;
import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.shows;
import static app.knuckle.desktop.window.Driver.text;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.URISyntaxException;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.Dragboard;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Every table of the nursery from its file to a right answer, with nothing but the mouse. */
@ExtendWith(ApplicationExtension.class)
class MouseOnlyTest {

  private Stage desk;

  @Start
  void start(Stage stage) {
    Driver.show(stage);
  }

  private static Path table(String name) throws URISyntaxException {
    String at = name.equals("rack-trial") ? "/app/knuckle/desktop/demo/" : "/demo/";
    return Path.of(MouseOnlyTest.class.getResource(at + name + ".csv").toURI());
  }

  @AfterEach
  void giveTheDialogsBack(FxRobot robot) {
    DialogAnswers.stop();
    if (desk != null) {
      robot.interact(desk::close);
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "rack-trial | Growth differs between the levels of mesh | 3 × 3 in rack | error",
        "hatchery | depends on | 2 × 2 × 2 | error",
        "tumbling | between the levels of tide zone | 3 × 3 in cove | subplot error",
        "tasting-panel | between the levels of day | 3 groups of day, repeated | df of noise",
        "strains | between the 3 levels of strain | 3 groups | error",
        "silt-dose | between the 5 levels of silt | 5 groups | error",
        "pumps | between airlift and screw | 2 groups | 95% from"
      })
  void aTableIsAnswered(String name, String finding, String layout, String noise, FxRobot robot)
      throws URISyntaxException {
    DialogAnswers.give(null, table(name));
    go(robot, "#welcome-open", () -> shows(robot, "finding", finding));
    go(robot, "#joint-layout", () -> isThere(robot, "plot-plan"));
    assertThat(robot.lookup("#joint-layout").lookup(".label").queryAllAs(Label.class))
        .anySatisfy(label -> assertThat(label.getText()).contains(layout));
    go(robot, "#joint-look", () -> isThere(robot, "summaries"));
    go(robot, "#joint-footing", () -> isThere(robot, "check-normality-of-residuals"));
    go(robot, "#joint-test", () -> isThere(robot, "variance-table"));
    assertThat(robot.lookup("#variance-table").lookup(".label").queryAllAs(Label.class))
        .anySatisfy(label -> assertThat(label.getText()).contains(noise));
    go(robot, "#joint-compare", () -> isThere(robot, "ladder") || isThere(robot, "do-not-hunt"));
    go(robot, "#joint-figure", () -> shows(robot, "figure-caption", "eans"));
  }

  @Test
  void aFileIsDroppedOnTheWindow(FxRobot robot) throws URISyntaxException {
    Path file = table("silt-dose");
    robot.interact(
        () -> {
          Label icon = new Label("silt-dose.csv");
          icon.setId("icon");
          icon.setOnDragDetected(
              event -> {
                Dragboard board = icon.startDragAndDrop(TransferMode.COPY);
                ClipboardContent content = new ClipboardContent();
                content.putFiles(List.of(file.toFile()));
                board.setContent(content);
                event.consume();
              });
          desk = new Stage();
          desk.setScene(new Scene(new StackPane(icon), 160, 90));
          // Over a corner of the window, which keeps the size that other tests find it in.
          desk.setX(0);
          desk.setY(600);
          desk.show();
        });
    carry(
        robot,
        "#icon",
        "#welcome-open",
        () -> shows(robot, "finding", "between the 5 levels of silt"));
    assertThat(text(robot, "slip-0")).contains("silt");
  }
}
