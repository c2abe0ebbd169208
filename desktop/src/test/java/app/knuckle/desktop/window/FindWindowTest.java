package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.press;
import static app.knuckle.desktop.window.Driver.takeKeyboard;
import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.keeping.Keeper;
import app.knuckle.desktop.moves.Move;
import app.knuckle.desktop.registry.Moves;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.Inquiry;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** Finding a move by its name, with the keyboard alone. */
@ExtendWith(ApplicationExtension.class)
class FindWindowTest {

  private Workbench workbench;

  @Start
  void start(Stage stage) {
    workbench = Driver.showDemo(stage);
  }

  private Inquiry asked() {
    return workbench.currentProperty().get().inquiry();
  }

  private void find(FxRobot robot, String words) {
    press(robot, KeyCode.K);
    until(() -> isThere(robot, "find-field") && robot.lookup("#find-field").query().isFocused());
    robot.write(words).type(KeyCode.ENTER);
    until(() -> !isThere(robot, "find-field"));
  }

  @Test
  void aProcedureAStepASlotAndAMethodAreFoundByTheirNames(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    find(robot, "bonferroni");
    until(() -> asked().compare().get(0).procedure() == Procedure.BONFERRONI);
    until(() -> workbench.currentProperty().get().jointProperty().get() == Joint.COMPARE);
    find(robot, "covariate add");
    until(() -> workbench.currentProperty().get().jointProperty().get() == Joint.LAYOUT);
    until(() -> robot.lookup("#add-covariate").query().isFocused());
    find(robot, "recode typo");
    until(() -> isThere(robot, "step-editor"));
    robot.type(KeyCode.ESCAPE);
    find(robot, "kruskal");
    untilShown(robot, "beside-sentence", "Judged by ranks");
    assertThat(asked().approach()).isEqualTo(Approach.RANKS);
    find(robot, "welch");
    until(() -> asked().analysis() == Analysis.SEPARATE_VARIANCES);
  }

  @Test
  void anInquiryIsAskedAgainWithOneThingChanged(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    press(robot, KeyCode.D);
    until(() -> isThere(robot, "find-field") && robot.lookup("#find-field").query().isFocused());
    robot.write("0.01").type(KeyCode.ENTER);
    untilShown(robot, "beside-sentence", "At \u03b1 = 0.01");
    assertThat(asked().alpha()).isEqualTo(0.01);
    assertThat(asked().name()).isEqualTo("\u2026 at \u03b1 = 0.01");
    assertThat(workbench.slips()).hasSize(Driver.INQUIRIES + 1);
  }

  @Test
  void theSameIsChangedInEveryInquiryOfTheRecords(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    press(robot, KeyCode.TAB);
    untilShown(robot, "finding", "levels of mesh");
    press(robot, KeyCode.D);
    until(() -> isThere(robot, "find-field") && robot.lookup("#find-field").query().isFocused());
    robot.write("0.01 all 3").type(KeyCode.ENTER);
    untilShown(
        robot, "finding", (Driver.INQUIRIES + 3) + " inquiries on " + Driver.TABLES + " tables");
    assertThat(workbench.slips())
        .filteredOn(slip -> slip.inquiry().alpha() == 0.01)
        .extracting(slip -> slip.inquiry().name())
        .contains("\u2026 at \u03b1 = 0.01, Growth by mesh \u00d7 density")
        .hasSize(3);
  }

  @Test
  void theTablesOfAJointAreCopied(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    press(robot, KeyCode.DIGIT5);
    until(() -> isThere(robot, "test"));
    find(robot, "copy tables");
    until(
        () ->
            WaitForAsyncUtils.waitForAsyncFx(
                60_000,
                () -> {
                  String text = Clipboard.getSystemClipboard().getString();
                  return text != null && text.contains("feed\t3\t");
                }));
  }

  @Test
  void whatCannotBeDoneSaysWhy(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    press(robot, KeyCode.K);
    until(() -> isThere(robot, "find-field") && robot.lookup("#find-field").query().isFocused());
    robot.write("canonical");
    untilShown(robot, "find-foot", "cannot be drawn so");
    robot.type(KeyCode.ESCAPE);
    until(() -> !isThere(robot, "find-field"));
  }

  @Test
  void everyEntryOfTheMenuIsAMoveAndEveryPossibleMoveCanBeDone(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    Moves moves = moves(robot, new ArrayList<>());
    List<Move> all = new ArrayList<>();
    robot.interact(() -> all.addAll(moves.all()));
    assertThat(all).extracting(Move::id).doesNotHaveDuplicates();
    assertThat(all).hasSizeGreaterThan(80).allMatch(m -> !m.purpose().isBlank());
    Set<String> ids = all.stream().map(m -> "menu-" + m.id()).collect(Collectors.toSet());
    for (MenuItem item : robot.lookup("#study-menu").queryAs(MenuButton.class).getItems()) {
      if (!(item instanceof SeparatorMenuItem) && item.getId() != null) {
        assertThat(ids).contains(item.getId());
      }
    }
  }

  @Test
  void everyMoveThatSaysItCanBeDoneCan(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    List<String> reached = new ArrayList<>();
    Moves moves = moves(robot, reached);
    List<Move> all = new ArrayList<>();
    robot.interact(
        () ->
            moves.all().stream()
                .filter(Move::isPossible)
                .filter(m -> m.id().matches("(joint|compare|part|step|form|page|slip)-.*"))
                .forEach(all::add));
    assertThat(all).hasSizeGreaterThan(50);
    for (Move move : all) {
      robot.interact(move::run);
    }
    assertThat(reached).hasSizeGreaterThan(40);
    assertThat(workbench.slips())
        .as("nothing of these makes or closes an inquiry")
        .hasSize(Driver.INQUIRIES);
  }

  @Test
  void aLevelLeadsToItsFirstRow(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    robot.interact(
        () ->
            moves(robot, new ArrayList<>()).all().stream()
                .filter(move -> move.id().equals("level-feed/Paste"))
                .findFirst()
                .orElseThrow()
                .run());
    // The first three tanks had other feeds.
    assertThat(workbench.currentProperty().get().soughtRowProperty().get()).isEqualTo(3);
  }

  /** A registry whose dialogs do nothing. */
  private Moves moves(FxRobot robot, List<String> reached) {
    Keeper keeper = Driver.keeper(workbench);
    return new Moves(
        workbench,
        new StudyMenu(workbench, keeper),
        () -> {},
        joint -> true,
        (joint, id) -> reached.add(joint + id));
  }
}
