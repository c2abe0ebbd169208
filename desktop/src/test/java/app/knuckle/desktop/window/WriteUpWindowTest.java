package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.press;
import static app.knuckle.desktop.window.Driver.tabTo;
import static app.knuckle.desktop.window.Driver.takeKeyboard;
import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** The page, with the keyboard alone. */
@ExtendWith(ApplicationExtension.class)
class WriteUpWindowTest {

  private static final int PATIENCE_SECONDS = 60;

  @TempDir private Path folder;
  private Workbench workbench;

  @Start
  void start(Stage stage) {
    workbench = Driver.showDemo(stage);
  }

  @AfterEach
  void stop() {
    DialogAnswers.stop();
  }

  private static int blocks(FxRobot robot) {
    return robot.lookup("#page").queryAs(VBox.class).getChildren().size();
  }

  @Test
  void fromTheFindingToADocument(FxRobot robot) {
    DialogAnswers.give(folder, null);
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    press(robot, KeyCode.DIGIT8);
    until(() -> isThere(robot, "page") && blocks(robot) > 5);
    int all = blocks(robot);
    tabTo(robot, "part-ranking");
    robot.type(KeyCode.SPACE);
    until(() -> blocks(robot) == all - 1);
    assertThat(workbench.study().asked().get(0).page()).containsEntry("ranking", "no");
    press(robot, KeyCode.Z);
    until(() -> blocks(robot) == all);
    assertThat(robot.lookup("#part-ranking").queryAs(CheckBox.class).isSelected()).isTrue();
    tabTo(robot, "page-copy");
    robot.type(KeyCode.SPACE);
    untilShown(robot, "page-note", "clipboard");
    WaitForAsyncUtils.waitForAsyncFx(
        TimeUnit.SECONDS.toMillis(PATIENCE_SECONDS),
        () -> {
          assertThat(Clipboard.getSystemClipboard().getHtml()).contains("<i>F</i>(3, 30) = 14.38");
          assertThat(Clipboard.getSystemClipboard().getString()).contains("Green T\t8\t6.87");
        });
    tabTo(robot, "page-docx");
    robot.type(KeyCode.SPACE);
    untilShown(robot, "page-note", "Written: Clearance-by-feed.docx");
    assertThat(folder.resolve("Clearance-by-feed.docx")).isNotEmptyFile();
    tabTo(robot, "page-md");
    robot.type(KeyCode.SPACE);
    untilShown(robot, "page-note", "Written: Clearance-by-feed.md");
    assertThat(folder.resolve("Clearance-by-feed-figure.svg")).isNotEmptyFile();
  }

  @Test
  void aStyleIsKeptByNameAndGivenToAnotherPage(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    press(robot, KeyCode.DIGIT8);
    until(() -> isThere(robot, "page") && blocks(robot) > 5);
    tabTo(robot, "part-ranking");
    robot.type(KeyCode.SPACE);
    tabTo(robot, "decimals-means");
    robot.type(KeyCode.DOWN).type(KeyCode.DOWN);
    until(() -> "1".equals(page().get("decimals means")));
    until(() -> shownText(robot).contains("6.9") && !shownText(robot).contains("6.87"));
    tabTo(robot, "page-style-name");
    robot.write("Reef journal").type(KeyCode.ENTER);
    untilShown(robot, "page-note", "Reef journal");
    takeKeyboard(robot);
    press(robot, KeyCode.TAB);
    press(robot, KeyCode.DIGIT8);
    until(() -> page().isEmpty() && isThere(robot, "page-style"));
    tabTo(robot, "page-style");
    robot.type(KeyCode.DOWN);
    until(() -> page().equals(Map.of("ranking", "no", "decimals means", "1")));
    tabTo(robot, "page-style-forget");
    robot.type(KeyCode.SPACE);
    untilShown(robot, "page-note", "no longer kept");
    assertThat(page()).containsEntry("ranking", "no");
  }

  @Test
  void thePageIsTakenAwayOnThePaperThatWasChosen(FxRobot robot) throws IOException {
    DialogAnswers.give(folder, null);
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    press(robot, KeyCode.DIGIT8);
    until(() -> isThere(robot, "page") && blocks(robot) > 5);
    tabTo(robot, "page-paper");
    robot.type(KeyCode.DOWN);
    until(() -> "letter".equals(page().get("paper")));
    tabTo(robot, "page-pdf");
    robot.type(KeyCode.SPACE);
    untilShown(robot, "page-note", "Written: Clearance-by-feed.pdf");
    try (PDDocument read = Loader.loadPDF(folder.resolve("Clearance-by-feed.pdf").toFile())) {
      // 8.5 inches of 72 points.
      assertThat(read.getPage(0).getMediaBox().getWidth()).isCloseTo(612f, within(0.01f));
    }
  }

  @Test
  void anotherInquiryStandsOnThePageAndKeepsItsPlaceUnderAnotherName(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    press(robot, KeyCode.TAB);
    press(robot, KeyCode.TAB);
    untilShown(robot, "finding", "depends on density");
    press(robot, KeyCode.DIGIT8);
    until(() -> isThere(robot, "page") && blocks(robot) > 5);
    tabTo(robot, "part-beside");
    robot.type(KeyCode.SPACE);
    until(() -> page().containsKey("beside of"));
    SlipViewModel other =
        workbench.slips().stream()
            .filter(s -> s.inquiry().name().equals(page().get("beside of")))
            .findFirst()
            .orElseThrow();
    assertThat(other.source()).isSameAs(workbench.currentProperty().get().source());
    until(() -> isThere(robot, "block-beside-heading-1"));
    robot.interact(() -> workbench.rename(other, "Without start"));
    until(() -> "Without start".equals(page().get("beside of")));
    press(robot, KeyCode.Z);
    until(() -> other.inquiry().name().equals(page().get("beside of")));
    assertThat(other.inquiry().name()).isNotEqualTo("Without start");
  }

  /** All that is written in the tables of the page. */
  private static String shownText(FxRobot robot) {
    return robot.lookup("#page").lookup(".label").queryAllAs(Label.class).stream()
        .map(Label::getText)
        .collect(Collectors.joining("\n"));
  }

  @Test
  void ownWordsAreWrittenMovedAndTakenBack(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    press(robot, KeyCode.DIGIT8);
    until(() -> isThere(robot, "page") && blocks(robot) > 5);
    tabTo(robot, "block-results-paragraph-1");
    robot.type(KeyCode.ENTER);
    until(() -> isThere(robot, "own-results-paragraph-1"));
    robot.interact(
        () ->
            robot
                .lookup("#own-results-paragraph-1")
                .queryAs(TextArea.class)
                .setText("Diatoms were cleared fastest."));
    press(robot, KeyCode.ENTER);
    until(() -> isThere(robot, "back-results-paragraph-1"));
    assertThat(page()).containsEntry("own results paragraph 1", "Diatoms were cleared fastest.");
    assertThat(isThere(robot, "outdated-results-paragraph-1")).isFalse();
    robot.interact(
        () ->
            workbench
                .currentProperty()
                .get()
                .inquiryProperty()
                .set(workbench.currentProperty().get().inquiry().at(0.01)));
    press(robot, KeyCode.DIGIT8);
    tabTo(robot, "part-ranking");
    robot.press(KeyCode.ALT).type(KeyCode.UP).release(KeyCode.ALT);
    until(() -> page().containsKey("order"));
    assertThat(page().get("order")).startsWith("title,methods,ranking,results");
    tabTo(robot, "block-results-paragraph-1");
    tabTo(robot, "back-results-paragraph-1");
    robot.type(KeyCode.SPACE);
    until(() -> !page().containsKey("own results paragraph 1"));
    assertThat(isThere(robot, "back-results-paragraph-1")).isFalse();
  }

  private Map<String, String> page() {
    return workbench.currentProperty().get().pageProperty().get();
  }
}
