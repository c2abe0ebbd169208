package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.go;
import static app.knuckle.desktop.window.Driver.keeper;
import static app.knuckle.desktop.window.Driver.shows;
import static app.knuckle.desktop.window.Driver.tabTo;
import static app.knuckle.desktop.window.Driver.takeKeyboard;
import static app.knuckle.desktop.window.Driver.text;
import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.controls.Picture;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.style.Style;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** A figure from a file of records to a file on paper, in the real window. */
@ExtendWith(ApplicationExtension.class)
class FigureWindowTest {

  @TempDir private Path folder;
  private Workbench workbench;

  @Start
  void start(Stage stage) throws Exception {
    Path records =
        Path.of(getClass().getResource("/app/knuckle/desktop/demo/rack-trial.csv").toURI());
    DialogAnswers.give(folder, records);
    workbench = Driver.show(stage);
  }

  @Test
  void fromAFileToALetteredClusteredFigureAsPdfInFourActions(FxRobot robot) throws IOException {
    go(robot, "#welcome-open", () -> shows(robot, "finding", "Growth differs"));
    go(
        robot,
        "#joint-figure",
        () ->
            shows(
                robot,
                "figure-caption",
                "Means with a letter in common do not differ significantly"));
    robot.clickOn("#figure-exchange");
    untilShown(robot, "figure-exchange", "density \u21c4 mesh");
    robot.clickOn("#export-pdf");
    untilShown(robot, "export-note", "Written");
    String name = text(robot, "export-note").replace("Written: ", "");
    try (PDDocument pdf = Loader.loadPDF(folder.resolve(name).toFile())) {
      String words = new PDFTextStripper().getText(pdf);
      assertThat(words).contains("fine", "medium", "coarse", "60", "120", "240", "abc");
    }
  }

  /** One value at 10 and one at 7 differ from nothing; thirty about 9 and thirty about 8 do. */
  @Test
  void lettersThatSkipANeighbourReadTheSameOnLadderAndFigure(FxRobot robot) throws IOException {
    StringBuilder rows = new StringBuilder("feed,growth_mm\nalga,10\ndust,7\n");
    for (int i = 0; i < 30; i++) {
      double off = i % 2 == 0 ? 0.9 : -0.9;
      rows.append("broth,").append(9 + off).append("\ncream,").append(8 + off).append('\n');
    }
    Path file = Files.writeString(folder.resolve("skipping.csv"), rows);
    robot.interact(() -> workbench.open(file));
    until(() -> shows(robot, "finding", "Growth differs"));
    go(robot, "#joint-compare", () -> robot.lookup("#ladder").tryQuery().isPresent());
    List<String> letters =
        robot.lookup(".rung-letter").queryAllAs(Label.class).stream().map(Label::getText).toList();
    assertThat(letters).containsExactly("a", "b", "a", "", "", "b", "a", "b");
    assertThat(text(robot, "rung-3")).isEqualTo("dust");
    go(robot, "#joint-figure", () -> shows(robot, "figure-caption", "letter in common"));
    until(() -> label(robot, "ab") != null);
    assertThat(texts(robot)).containsSubsequence("ab", "ab", "a", "b");
  }

  @Test
  void thePictureIsEditedWhereItStands(FxRobot robot) {
    go(robot, "#welcome-open", () -> shows(robot, "finding", "Growth differs"));
    go(robot, "#joint-figure", () -> shows(robot, "figure-caption", "letter in common"));
    until(() -> label(robot, "Density") != null);
    robot.clickOn(at(robot, label(robot, "Density"))).write("Oysters a bag").type(KeyCode.ENTER);
    until(() -> label(robot, "Oysters a bag") != null);
    robot.clickOn("#figure-above").type(KeyCode.DOWN, KeyCode.ENTER);
    untilShown(robot, "figure-caption", "Brackets give p");
    robot.clickOn(at(robot, bar(robot, 0)));
    untilShown(robot, "export-note", "A bracket from");
    robot.clickOn(at(robot, bar(robot, 2)));
    until(() -> style().bracketed().size() == 1);
    assertThat(texts(robot)).anyMatch(t -> t.startsWith("p "));
    Point2D legend = at(robot, label(robot, "medium"));
    robot.drag(legend).dropTo(legend.add(120, 60));
    until(() -> style().arrangement().legendX() > 0);
    assertThat(text(robot, "figure-legend-back")).isNotEmpty();
  }

  @Test
  void formsAndLooksAreChosenWithTheKeyboardAlone(FxRobot robot) {
    takeKeyboard(robot);
    robot.interact(() -> robot.lookup("#welcome-open").queryButton().requestFocus());
    robot.type(KeyCode.SPACE);
    until(() -> shows(robot, "finding", "Growth differs"));
    Driver.press(robot, KeyCode.DIGIT7);
    untilShown(robot, "figure-caption", "letter in common");
    robot.type(KeyCode.X);
    until(() -> style().arrangement().turn() == 1);
    tabTo(robot, "figure-form-0");
    robot.type(KeyCode.RIGHT, 3).type(KeyCode.SPACE);
    untilShown(robot, "figure-caption", "Boxes hold the middle half");
    robot.type(KeyCode.RIGHT, 3).type(KeyCode.SPACE);
    untilShown(robot, "figure-caption", "Pairs whose line is thick");
    robot.type(KeyCode.LEFT, 3).type(KeyCode.SPACE);
    untilShown(robot, "figure-caption", "Boxes hold");
    tabTo(robot, "figure-palette");
    robot.type(KeyCode.DOWN);
    until(() -> robot.lookup("#figure-palette").<ComboBox<?>>query().getValue() != null);
    tabTo(robot, "figure-patterns");
    robot.type(KeyCode.SPACE);
    until(() -> style().patterns());
    tabTo(robot, "preset-name");
    robot.write("report").type(KeyCode.SHIFT);
    assertThat(robot.lookup("#preset-keep").queryButton().isDisabled()).isFalse();
  }

  @Test
  void allFiguresOfAStudyAreWrittenAtOnce(FxRobot robot) throws IOException {
    go(robot, "#welcome-open", () -> shows(robot, "finding", "Growth differs"));
    robot.interact(() -> keeper(workbench).writeFigures(folder, false, refused -> {}));
    until(() -> shows(robot, "banner-words", "written"));
    try (Stream<Path> files = Files.list(folder)) {
      assertThat(files.map(p -> p.getFileName().toString()).filter(n -> !n.startsWith(".")))
          .hasSize(3)
          .allMatch(n -> n.endsWith(".svg") || n.endsWith(".pdf") || n.endsWith(".png"));
    }
  }

  @AfterEach
  void giveTheDialogsBack() {
    DialogAnswers.stop();
  }

  private Style style() {
    return workbench.currentProperty().get().styleProperty().get();
  }

  private static Picture picture(FxRobot robot) {
    return robot.lookup("#figure .picture").query();
  }

  /** The picture is painted beside the window; there is none at first. */
  private static Stream<Mark> marks(FxRobot robot) {
    Scene scene = picture(robot).scene();
    return scene == null ? Stream.of() : scene.marks().stream();
  }

  private static List<String> texts(FxRobot robot) {
    return marks(robot)
        .filter(Mark.Label.class::isInstance)
        .map(m -> ((Mark.Label) m).text())
        .toList();
  }

  private static Mark label(FxRobot robot, String text) {
    return marks(robot)
        .filter(m -> m instanceof Mark.Label l && l.text().equals(text))
        .findFirst()
        .orElse(null);
  }

  private static Mark bar(FxRobot robot, int group) {
    return marks(robot)
        .filter(m -> m instanceof Mark.Bar b && b.group() == group)
        .findFirst()
        .orElseThrow();
  }

  private static Point2D at(FxRobot robot, Mark mark) {
    Picture picture = picture(robot);
    Bounds box = picture.where(mark);
    return picture.localToScreen(box.getCenterX(), box.getMaxY() - 4);
  }
}
