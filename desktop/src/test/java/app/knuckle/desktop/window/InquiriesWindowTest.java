package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.click;
import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.press;
import static app.knuckle.desktop.window.Driver.takeKeyboard;
import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.geometry.VerticalDirection;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFParagraph;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Fourteen inquiries on eight tables: the strip, and the list of all. */
@ExtendWith(ApplicationExtension.class)
class InquiriesWindowTest {

  @TempDir private Path folder;
  private Workbench workbench;

  @Start
  void start(Stage stage) {
    workbench = Driver.showDemo(stage);
  }

  private List<String> names() {
    return workbench.slips().stream().map(s -> s.inquiry().name()).toList();
  }

  private String current() {
    return workbench.currentProperty().get().inquiry().name();
  }

  @Test
  void theWheelMovesAlongTheSlips(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    ScrollPane strip = robot.lookup("#slips-bar .slips-scroll").queryAs(ScrollPane.class);
    robot.moveTo(strip);
    until(
        () -> {
          robot.scroll(3, VerticalDirection.DOWN);
          return strip.getHvalue() == 1;
        });
    until(
        () -> {
          robot.scroll(3, VerticalDirection.UP);
          return strip.getHvalue() == 0;
        });
  }

  @Test
  void theListIsUsedWithTheKeyboardAlone(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    press(robot, KeyCode.L);
    untilShown(robot, "finding", Driver.INQUIRIES + " inquiries on " + Driver.TABLES + " tables");
    robot.write("friedman").type(KeyCode.ENTER);
    untilShown(robot, "finding", "Friedman test");
    assertThat(current()).isEqualTo("Score by day, on ranks");

    press(robot, KeyCode.L);
    until(() -> isThere(robot, "inquiry-1"));
    robot.type(KeyCode.DOWN, KeyCode.DOWN, KeyCode.F2);
    until(() -> isThere(robot, "inquiry-rename"));
    robot.write("The first trial").type(KeyCode.ENTER);
    until(() -> names().get(1).equals("The first trial"));
    robot.press(KeyCode.ALT).type(KeyCode.DOWN).release(KeyCode.ALT);
    until(() -> names().get(2).equals("The first trial"));
    robot.type(KeyCode.DELETE);
    until(() -> workbench.slips().size() == Driver.INQUIRIES - 1);
    assertThat(workbench.closed()).extracting(c -> c.name()).containsExactly("The first trial");

    robot.type(KeyCode.ESCAPE);
    until(() -> !isThere(robot, "inquiries"));
    press(robot, KeyCode.Z);
    until(() -> names().get(2).equals("The first trial"));
    assertThat(workbench.closed()).isEmpty();
  }

  private void rename(FxRobot robot, int place) {
    robot.interact(
        () ->
            robot.lookup("#inquiry-moves-" + place).queryAs(MenuButton.class).getItems().stream()
                .filter(item -> item.getText().equals("Rename"))
                .forEach(MenuItem::fire));
  }

  @Test
  void whatIsWrittenAsANameStaysWhileAnswersComeAndRenamingIsAskedForAgain(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    press(robot, KeyCode.L);
    until(() -> isThere(robot, "inquiry-1"));
    rename(robot, 1);
    robot.write("The first");
    // Another name stands for another answer: both write the list anew.
    robot.interact(() -> workbench.rename(workbench.slips().get(3), "The third"));
    robot.write(" trial");
    rename(robot, 1);
    TextField field = robot.lookup("#inquiry-rename").queryAs(TextField.class);
    assertThat(field.getText()).isEqualTo("The first trial");
    assertThat(field.isFocused()).isTrue();
    robot.type(KeyCode.ENTER);
    until(() -> names().get(1).equals("The first trial"));
    until(() -> !isThere(robot, "inquiry-rename"));
  }

  @Test
  void anInquiryMayLeaveTheFilteredListByItsNewName(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    press(robot, KeyCode.L);
    untilShown(robot, "finding", Driver.INQUIRIES + " inquiries on " + Driver.TABLES + " tables");
    robot.write("growth by mesh");
    int place = names().indexOf("Growth by mesh × density");
    until(() -> isThere(robot, "inquiry-" + place) && !isThere(robot, "inquiry-0"));
    robot.type(KeyCode.DOWN, KeyCode.F2);
    until(() -> isThere(robot, "inquiry-rename"));
    robot.write("Racks").type(KeyCode.ENTER);
    until(() -> names().get(place).equals("Racks"));
    until(() -> robot.lookup("#inquiries-filter").queryAs(TextField.class).isFocused());
  }

  @Test
  void aClosedInquiryIsBroughtBackWithTheMouse(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    click(robot, "#table-rack-trial");
    click(robot, "#close-slip");
    until(() -> workbench.slips().size() == Driver.INQUIRIES - 1);
    click(robot, "#all-inquiries");
    click(robot, "#inquiries-closed");
    click(robot, "Growth by mesh × density, of rack-trial");
    until(() -> workbench.slips().size() == Driver.INQUIRIES);
    assertThat(current()).isEqualTo("Growth by mesh × density");
    assertThat(isThere(robot, "inquiries")).isFalse();
  }

  @Test
  void tickedInquiriesBecomeOneDocumentWithTheMouse(FxRobot robot) throws IOException {
    DialogAnswers.give(folder, null);
    try {
      untilShown(robot, "finding", "Clearance differs");
      click(robot, "#all-inquiries");
      for (int i = 2; i < workbench.slips().size(); i++) {
        int place = i;
        robot.interact(
            () -> robot.lookup("#inquiry-chosen-" + place).queryAs(CheckBox.class).fire());
      }
      click(robot, "#inquiries-document");
      click(robot, "Document (.docx)");
      untilShown(robot, "document-note", "Written: Cove-nursery-2026.docx");
    } finally {
      DialogAnswers.stop();
    }
    try (XWPFDocument document =
        new XWPFDocument(Files.newInputStream(folder.resolve("Cove-nursery-2026.docx")))) {
      List<String> heads =
          document.getParagraphs().stream()
              .filter(p -> "Heading2".equals(p.getStyle()))
              .map(XWPFParagraph::getText)
              .toList();
      assertThat(heads).containsExactly("Clearance by feed", "Growth by mesh × density");
    }
    assertThat(workbench.study().asked().get(2).page()).containsEntry("document", "no");
  }

  @Test
  void theCurrentSlipAndThePlusAreAlwaysInView(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    Bounds window = robot.window(0).getScene().getRoot().getBoundsInLocal();
    for (int i = 1; i < workbench.slips().size(); i++) {
      SlipViewModel next = workbench.slips().get(i);
      String slip = "slip-" + i;
      press(robot, KeyCode.TAB);
      until(() -> workbench.currentProperty().get() == next && isThere(robot, slip));
      Bounds strip = scene(robot, "#slips-bar .slips-scroll");
      until(() -> strip.contains(scene(robot, "#" + slip)));
      assertThat(window.contains(scene(robot, "#copy-slip"))).isTrue();
    }
  }

  private static Bounds scene(FxRobot robot, String query) {
    Node node = robot.lookup(query).query();
    return node.localToScene(node.getBoundsInLocal());
  }
}
