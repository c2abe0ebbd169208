package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.go;
import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.press;
import static app.knuckle.desktop.window.Driver.shows;
import static app.knuckle.desktop.window.Driver.tabTo;
import static app.knuckle.desktop.window.Driver.takeKeyboard;
import static app.knuckle.desktop.window.Driver.text;
import static app.knuckle.desktop.window.Driver.texts;
import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.RandomPart;
import app.knuckle.study.design.Response;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Random effects, and counts, from the sentence to what is read out, in the real window. */
@ExtendWith(ApplicationExtension.class)
class RandomAndCountsWindowTest {

  private Workbench workbench;

  @Start
  void start(Stage stage) {
    workbench = Driver.showDemo(stage);
  }

  private Inquiry asked() {
    return workbench.currentProperty().get().inquiry();
  }

  private void look(FxRobot robot, String name, String finding) {
    until(() -> shows(robot, "finding", "Clearance differs"));
    SlipViewModel slip =
        workbench.slips().stream()
            .filter(s -> s.inquiry().name().equals(name))
            .findFirst()
            .orElseThrow();
    robot.interact(() -> workbench.currentProperty().set(slip));
    untilShown(robot, "finding", finding);
    takeKeyboard(robot);
  }

  @Test
  void whereTheVariationLiesIsReadOut(FxRobot robot) {
    look(robot, "Growth, coves at random", "Growth differs");
    press(robot, KeyCode.DIGIT5);
    until(() -> isThere(robot, "variance-table"));
    assertThat(texts(robot, "#variance-table .label")).contains("df of noise");
    read(robot, "row-cove \u00d7 rack \u00d7 bag");
    until(() -> shows(robot, "test-words", "typically"));
    read(robot, "row-South cove / R3");
    until(() -> shows(robot, "test-words", "predicted to lie"));
    robot.clickOn("See its records");
    until(() -> isThere(robot, "records"));
  }

  /** Chooses a row of a table that lies further down the page. */
  private static void read(FxRobot robot, String id) {
    ToggleButton row =
        robot.lookup((Node node) -> id.equals(node.getId())).queryAs(ToggleButton.class);
    robot.interact(row::fire);
  }

  @Test
  void aRandomGroupingIsTakenAsFixedAndAnotherOneAdded(FxRobot robot) {
    look(robot, "Growth, coves at random", "Growth differs");
    press(robot, KeyCode.DIGIT2);
    until(() -> isThere(robot, "slot-random-2"));
    tabTo(robot, "slot-random-2");
    robot.type(KeyCode.SPACE).write("as fixed").type(KeyCode.ENTER);
    until(() -> RandomPart.of(asked()).size() == 2);
    assertThat(RandomPart.of(asked()))
        .containsExactly(List.of("cove"), List.of("cove", "rack", "bag"));
    until(() -> isThere(robot, "add-random"));
    tabTo(robot, "add-random");
    robot.type(KeyCode.SPACE).write("cove \u00d7 rack").type(KeyCode.ENTER);
    until(() -> RandomPart.of(asked()).size() == 3);
    tabTo(robot, "slot-denominator");
    robot.type(KeyCode.SPACE).write("Satter").type(KeyCode.ENTER);
    until(() -> text(robot, "slot-denominator").equals("Satterthwaite"));
  }

  @Test
  void fewLevelsLeadToTheSameQuestionWithThemFixed(FxRobot robot) {
    look(robot, "Growth, coves at random", "Growth differs");
    press(robot, KeyCode.DIGIT4);
    until(() -> isThere(robot, "check-cove-random"));
    robot.clickOn("Ask with cove fixed \u2192");
    until(() -> shows(robot, "beside-sentence", "cove"));
    assertThat(asked().blocks()).containsExactly("cove");
    assertThat(RandomPart.of(asked())).doesNotContain(List.of("cove"));
  }

  @Test
  void aGroupOfNoneStandsApartAndIsToldApart(FxRobot robot) {
    look(robot, "Dead by density", "Dead differs");
    press(robot, KeyCode.DIGIT6);
    untilShown(robot, "ranking", "None were counted at");
    assertThat(text(robot, "ranking")).contains("of 250, at most 1.5%");
    press(robot, KeyCode.DIGIT4);
    until(() -> isThere(robot, "check-dispersion"));
    press(robot, KeyCode.DIGIT2);
    until(() -> isThere(robot, "slot-spread"));
    tabTo(robot, "slot-spread");
    robot.type(KeyCode.SPACE).write("chance").type(KeyCode.ENTER);
    untilShown(robot, "finding", "\u03c7\u00b2(3)");
    assertThat(asked().overdispersion()).isFalse();
  }

  @Test
  void whatLooksLikeCountsIsOffered(FxRobot robot) {
    look(robot, "Dead by density", "Dead differs");
    press(robot, KeyCode.DIGIT2);
    until(() -> isThere(robot, "slot-method"));
    tabTo(robot, "slot-method");
    robot.type(KeyCode.SPACE).write("least").type(KeyCode.ENTER);
    until(() -> asked().analysis() == Analysis.LEAST_SQUARES);
    until(() -> isThere(robot, "take-shape"));
    go(robot, "#take-shape", () -> asked().response() == Response.PROPORTION);
    assertThat(asked().outOf()).isEqualTo("stocked");
  }
}
