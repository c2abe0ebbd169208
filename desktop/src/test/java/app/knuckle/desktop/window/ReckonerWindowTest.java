package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.shows;
import static app.knuckle.desktop.window.Driver.takeKeyboard;
import static app.knuckle.desktop.window.Driver.text;
import static app.knuckle.desktop.window.Driver.texts;
import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.study.reckon.Reckoning;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Answers without records, in the real window. */
@ExtendWith(ApplicationExtension.class)
class ReckonerWindowTest {

  private Workbench workbench;

  @Start
  void start(Stage stage) {
    workbench = Driver.showDemo(stage);
  }

  @BeforeEach
  void openThePage(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.R);
    untilShown(robot, "partial-table-words", "The signal is");
  }

  private static TextField field(FxRobot robot, String id) {
    return robot.lookup("#" + id).queryAs(TextField.class);
  }

  private static void write(FxRobot robot, String id, String text) {
    robot.interact(
        () -> {
          field(robot, id).requestFocus();
          field(robot, id).clear();
        });
    robot.write(text);
  }

  @Test
  void aTableIsCompletedAndItsContradictionsAreNamed(FxRobot robot) {
    assertThat(field(robot, "partial-table-EFFECT_MS").getPromptText()).isEqualTo("13.76");
    assertThat(field(robot, "partial-table-ERROR_DF").getPromptText()).isEqualTo("28");
    assertThat(text(robot, "partial-table-words")).contains("p = .013").contains("2.95");
    write(robot, "partial-table-ERROR_DF", "12");
    untilShown(robot, "partial-table-words", "would be");
    write(robot, "partial-table-ERROR_DF", "");
    untilShown(robot, "partial-table-words", "The signal is 4.28 times the noise");
    write(robot, "partial-table-ERROR_MS", "");
    untilShown(robot, "partial-table-words", "Not known yet: F");
  }

  @Test
  void ofValueTailAndParameterAnyTwoGiveTheThird(FxRobot robot) {
    until(() -> field(robot, "tail-value").getPromptText().equals("2.086"));
    write(robot, "tail-value", "2.528");
    until(() -> field(robot, "tail-tail").getPromptText().startsWith("0.02"));
    assertThat(field(robot, "tail-tail").getText()).isEmpty();
    write(robot, "tail-parameter-0", "");
    untilShown(robot, "tail-words", "Type df");
    write(robot, "tail-tail", "0.02");
    until(() -> field(robot, "tail-parameter-0").getPromptText().startsWith("20"));
  }

  @Test
  @SuppressWarnings("unchecked")
  void anotherLawAsksForWhatItNeeds(FxRobot robot) {
    robot.interact(
        () -> {
          ComboBox<Object> distributions = robot.lookup("#tail-law").queryAs(ComboBox.class);
          distributions.setValue(
              distributions.getItems().stream()
                  .filter(distribution -> distribution.toString().equals("RANGE"))
                  .findFirst()
                  .orElseThrow());
        });
    write(robot, "tail-parameter-0", "3");
    write(robot, "tail-parameter-1", "20");
    // Two means of 20 df would need 2.95; three need more.
    until(() -> field(robot, "tail-value").getPromptText().equals("3.578"));
  }

  @Test
  void summariesArePastedAndLettered(FxRobot robot) {
    until(() -> texts(robot, ".rung-letter").contains("b"));
    robot.interact(
        () -> {
          ClipboardContent cells = new ClipboardContent();
          cells.putString("a\t5\t1.0\t0.1\nb\t5\t2.0\t0.1\nc\t5\t3.0\t0.1\nd\t5\t4.0\t0.1\n");
          Clipboard.getSystemClipboard().setContent(cells);
          field(robot, "from-summaries-level-0").requestFocus();
        });
    robot.push(KeyCode.CONTROL, KeyCode.V);
    until(() -> texts(robot, ".rung-letter").contains("d"));
    untilShown(robot, "from-summaries-words", "F(3, 16)");
  }

  @Test
  void theSizeFollowsTheSentence(FxRobot robot) {
    write(robot, "size-effect", "0.5");
    // Two groups half a standard deviation apart, power .9: 86 in each by any table.
    untilShown(robot, "finding", "take 86 in each group");
    write(robot, "size-power", "2");
    untilShown(robot, "finding", "probabilities lie between 0 and 1");
  }

  @Test
  void aReckoningIsKeptBroughtBackAndLetGo(FxRobot robot) {
    System.gc(); // What only the page listened to must still be told.
    robot.interact(() -> robot.lookup("#partial-table-keep").queryButton().fire());
    until(() -> workbench.reckonings().all().size() == 1);
    assertThat(workbench.study().reckonings().get(0).kind())
        .isEqualTo(Reckoning.Kind.PARTIAL_TABLE);
    write(robot, "partial-table-EFFECT_SS", "5");
    untilShown(robot, "partial-table-words", "no more than chance");
    robot.interact(() -> robot.lookup("#kept-0").queryButton().fire());
    untilShown(robot, "partial-table-words", "The signal is 4.28");
    // It stands among the slips, and is brought back from anywhere.
    write(robot, "partial-table-EFFECT_SS", "5");
    untilShown(robot, "partial-table-words", "no more than chance");
    robot.interact(() -> workbench.leavePage());
    until(() -> !isThere(robot, "reckoner"));
    robot.interact(() -> robot.lookup("#reckoning-0").queryButton().fire());
    until(() -> isThere(robot, "reckoner"));
    untilShown(robot, "partial-table-words", "The signal is 4.28");
    robot.clickOn("#kept-chosen-0");
    until(() -> workbench.study().reckonings().get(0).inDocument());
    assertThat(workbench.study().reckonings().get(0).said().words()).contains("4.28");
    assertThat(workbench.study().reckonings().get(0).said().table()).isNotEmpty();
    robot.interact(() -> workbench.history().undo());
    until(() -> !workbench.reckonings().all().get(0).inDocument());
    robot.interact(() -> workbench.history().undo());
    until(() -> workbench.reckonings().all().isEmpty());
    robot.interact(() -> workbench.leavePage());
    until(() -> shows(robot, "finding", "Clearance differs"));
    robot.interact(() -> workbench.show(new Page.Reckoning(null)));
    // What was typed stays on the page.
    until(() -> field(robot, "partial-table-EFFECT_SS").getText().equals("41.28"));
  }

  @ParameterizedTest
  @EnumSource(Reckoning.Kind.class)
  void whatIsBroughtBackTakesTheKeyboard(Reckoning.Kind kind, FxRobot robot) {
    robot.interact(() -> robot.lookup("#" + kind.key() + "-keep").queryButton().fire());
    until(() -> isThere(robot, "reckoning-0"));
    robot.interact(() -> workbench.leavePage());
    until(() -> !isThere(robot, "reckoner"));
    robot.interact(() -> robot.lookup("#reckoning-0").queryButton().fire());
    until(() -> isThere(robot, "reckoner") && holdsTheKeyboard(robot, "reckon-" + kind.key()));
    Node page = robot.lookup("#reckoner").query();
    until(() -> inScene(page).contains(inScene(page.getScene().getFocusOwner())));
  }

  private static Bounds inScene(Node node) {
    return node.localToScene(node.getLayoutBounds());
  }

  private static boolean holdsTheKeyboard(FxRobot robot, String id) {
    Node owner = robot.lookup("#" + id).query().getScene().getFocusOwner();
    while (owner != null && !id.equals(owner.getId())) {
      owner = owner.getParent();
    }
    return owner != null;
  }
}
