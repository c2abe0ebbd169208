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
import app.knuckle.figures.style.Shown;
import app.knuckle.figures.style.Style;
import java.util.List;
import java.util.stream.IntStream;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Comparisons chosen, read and carried into the figure, in the real window. */
@ExtendWith(ApplicationExtension.class)
class CompareWindowTest {

  private Workbench workbench;

  @Start
  void start(Stage stage) {
    workbench = Driver.showDemo(stage);
  }

  @BeforeEach
  void openTheJoint(FxRobot robot) {
    until(() -> shows(robot, "finding", "Clearance differs"));
    go(robot, "#joint-compare", () -> isThere(robot, "ladder"));
    takeKeyboard(robot);
  }

  private Style style() {
    return workbench.currentProperty().get().styleProperty().get();
  }

  private static List<String> rungs(FxRobot robot) {
    return IntStream.range(0, 4)
        .mapToObj(i -> robot.lookup("#rung-" + i).queryAs(Labeled.class).getText())
        .toList();
  }

  @Test
  void aPairOnTheBoardGetsItsBracketInTheFigureByOneKey(FxRobot robot) {
    tabTo(robot, "pair-1-0");
    assertThat(text(robot, "pair-bracket")).startsWith("Bracket this pair");
    robot.type(KeyCode.DOWN).type(KeyCode.DOWN).type(KeyCode.B);
    until(() -> style().bracketed().size() == 1);
    assertThat(style().shown().above()).isEqualTo(Shown.Above.BRACKETS);
    assertThat(style().bracketed().get(0).isOf("Diatom C", "Paste")).isTrue();
    until(() -> shows(robot, "pair-bracket", "out of the figure"));
    press(robot, KeyCode.DIGIT7);
    untilShown(robot, "figure-caption", "Brackets give p");
    press(robot, KeyCode.DIGIT6);
    robot.moveTo("#pair-3-0").clickOn("#pair-bracket");
    until(() -> style().bracketed().isEmpty());
  }

  @Test
  void theOrderTheBarsAndTheLevelAreChosenWhereTheMeansAre(FxRobot robot) {
    List<String> ranked = rungs(robot);
    assertThat(ranked.get(0)).isEqualTo("Diatom C");
    robot.clickOn("As entered");
    until(() -> !rungs(robot).equals(ranked));
    assertThat(rungs(robot)).containsExactlyInAnyOrderElementsOf(ranked);
    robot.clickOn("Intervals");
    tabTo(robot, "compare-alpha");
    robot.type(KeyCode.UP);
    until(() -> workbench.currentProperty().get().inquiry().alpha() != 0.05);
    untilShown(robot, "ranking", "highest mean");
    press(robot, KeyCode.Z);
    until(() -> workbench.currentProperty().get().inquiry().alpha() == 0.05);
  }

  @Test
  void anotherProcedureIsChosenByTypingAndTheReasonsOfTheOthersAreSaid(FxRobot robot) {
    tabTo(robot, "compare-how");
    robot.type(KeyCode.SPACE).write("holm").type(KeyCode.ENTER);
    until(() -> shows(robot, "compare-how", "Holm"));
    until(() -> isThere(robot, "ladder"));
    assertThat(texts(robot, ".joint-line")).anyMatch(t -> t.contains("Holm"));
    assertThat(texts(robot, ".rung-letter")).contains("a", "b");
  }

  @Test
  void pairsAreDrawnAgainstNothingToo(FxRobot robot) {
    robot.clickOn("Intervals against 0");
    until(() -> isThere(robot, "pair-intervals"));
    assertThat(isThere(robot, "difference-board")).isFalse();
    robot.clickOn("All pairs at a glance");
    until(() -> isThere(robot, "difference-board"));
  }

  @Test
  void whatComparesNothingYetIsAskedThere(FxRobot robot) {
    SlipViewModel slip = workbench.currentProperty().get();
    robot.interact(
        () -> slip.inquiryProperty().set(slip.inquiry().but(d -> d.compare = List.of())));
    until(() -> isThere(robot, "compare-all-pairs"));
    assertThat(robot.lookup("#joint-compare").queryButton().isDisabled()).isFalse();
    assertThat(isThere(robot, "balance")).isTrue();
    robot.clickOn("#compare-all-pairs");
    until(() -> isThere(robot, "ladder"));
    assertThat(rungs(robot)).contains("Diatom C");
  }
}
