package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.carry;
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
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.scene.control.TitledPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The design sentence written in the real window: by keys, by mouse, by carrying columns. */
@ExtendWith(ApplicationExtension.class)
class LayoutWindowTest {

  private Workbench workbench;

  @Start
  void start(Stage stage) {
    workbench = Driver.showDemo(stage);
  }

  @BeforeEach
  void openTheTrialInRacks(FxRobot robot) {
    until(() -> shows(robot, "finding", "Clearance differs"));
    go(
        robot,
        "#table-rack-trial",
        () -> shows(robot, "finding", "Growth differs between the levels of mesh"));
    go(robot, "#joint-layout", () -> isThere(robot, "plot-plan"));
  }

  private Inquiry inquiry() {
    return workbench.currentProperty().get().inquiry();
  }

  private static String focused(FxRobot robot) {
    return robot.window(0).getScene().getFocusOwner().getId();
  }

  @Test
  void wholePlotsAndACovariateAreAddedByKeysAndTheKeyboardGoesOnInTheirSlots(FxRobot robot) {
    takeKeyboard(robot);
    tabTo(robot, "add-whole");
    robot.type(KeyCode.SPACE).write("mesh").type(KeyCode.ENTER);
    untilShown(robot, "reads-as", "3 × 3 factorial in split plots, mesh on whole plots");
    until(() -> "slot-whole".equals(focused(robot)));
    tabTo(robot, "add-covariate");
    robot.type(KeyCode.SPACE).write("start").type(KeyCode.ENTER);
    untilShown(robot, "reads-as", "one covariate");
    until(() -> shows(robot, "finding", "The effect of mesh on growth depends on density"));
    assertThat(texts(robot, "#skeleton .label")).contains("whole-plot error", "subplot error");
    assertThat(isThere(robot, "term-mesh-start_mm")).isFalse();
    press(robot, KeyCode.Z);
    until(() -> inquiry().covariates().isEmpty());
    press(robot, KeyCode.Z);
    until(() -> inquiry().wholePlots().isEmpty());
  }

  @Test
  void aTermIsSwitchedOffAndOnAgain(FxRobot robot) {
    robot.clickOn("#term-mesh-density");
    until(() -> inquiry().terms().chosen().equals(List.of(List.of("mesh"), List.of("density"))));
    until(() -> !texts(robot, "#skeleton .label").contains("mesh × density"));
    robot.clickOn("#term-mesh-density");
    until(() -> texts(robot, "#skeleton .label").contains("mesh × density"));
  }

  @Test
  void aColumnIsCarriedIntoTheSentence(FxRobot robot) {
    carry(
        robot,
        "#column-width_mm",
        "#slot-measured",
        () -> inquiry().measured().contains("width_mm"));
    carry(
        robot,
        "#column-start_mm",
        "#add-covariate",
        () -> inquiry().covariates().equals(List.of("start_mm")));
    untilShown(robot, "reads-as", "one covariate");
  }

  @Test
  void threePlainAnswersWriteTheSentence(FxRobot robot) {
    robot.interact(() -> robot.lookup("#unsure").queryAs(TitledPane.class).setExpanded(true));
    until(() -> isThere(robot, "plain-advice"));
    String before = text(robot, "plain-advice");
    robot.interact(() -> choose(robot, "#plain-what", "a score or rank"));
    until(() -> !text(robot, "plain-advice").equals(before));
    assertThat(text(robot, "plain-advice")).contains("Kruskal-Wallis");
    robot.interact(() -> robot.lookup("#plain-write").queryButton().fire());
    until(() -> inquiry().analysis() == Analysis.RANKS);
    untilShown(robot, "finding", "Kruskal-Wallis test");
  }

  /** Whatever is answered, the sentence that comes of it has an answer. */
  @Test
  void everyPlainAnswerLeadsToASentenceThatIsAnswered(FxRobot robot) {
    Inquiry before = inquiry();
    for (String what : List.of("a measurement", "a score or rank", "with wild values")) {
      for (String groups : List.of("one alone", "two", "three or more")) {
        for (String units : List.of("different units", "the same units")) {
          until(() -> isThere(robot, "unsure"));
          robot.interact(() -> robot.lookup("#unsure").queryAs(TitledPane.class).setExpanded(true));
          robot.interact(
              () -> {
                choose(robot, "#plain-what", what);
                choose(robot, "#plain-groups", groups);
                choose(robot, "#plain-units", units);
                robot.lookup("#plain-write").queryButton().fire();
              });
          SlipViewModel slip = workbench.currentProperty().get();
          until(() -> isIdle(robot, slip));
          assertThat(slip.answer().refusal()).as("%s, %s, %s", what, groups, units).isNull();
          Inquiry back = before;
          robot.interact(() -> slip.inquiryProperty().set(back));
          until(() -> isIdle(robot, slip));
        }
      }
    }
  }

  private static boolean isIdle(FxRobot robot, SlipViewModel slip) {
    AtomicBoolean idle = new AtomicBoolean();
    robot.interact(() -> idle.set(!slip.busyProperty().get()));
    return idle.get();
  }

  private static void choose(FxRobot robot, String choice, String title) {
    robot.lookup(choice).lookup(".toggle-button").queryAllAs(ToggleButton.class).stream()
        .filter(b -> b.getText().equals(title))
        .findFirst()
        .orElseThrow()
        .fire();
  }

  @Test
  void whatIsAskedIsSaidPlainlyOrAsHypothesesAndACellLeadsToItsRecords(FxRobot robot) {
    assertThat(texts(robot, "#asked .label")).anyMatch(t -> t.endsWith("?"));
    robot.interact(() -> choose(robot, "#asked-form", "as hypotheses"));
    until(() -> texts(robot, "#asked .label").stream().anyMatch(t -> t.startsWith("H₀")));
  }
}
