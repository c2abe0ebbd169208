package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.go;
import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.shows;
import static app.knuckle.desktop.window.Driver.text;
import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.controls.Picture;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.figures.scene.Mark;
import app.knuckle.study.design.Part;
import app.knuckle.study.prep.SetAside;
import java.net.URISyntaxException;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javafx.geometry.Bounds;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Looking at the groups before anything is tested, and at several responses one by one. */
@ExtendWith(ApplicationExtension.class)
class LookWindowTest {

  private Workbench workbench;

  @Start
  void start(Stage stage) throws URISyntaxException {
    workbench = Driver.show(stage);
    workbench.open(Path.of(getClass().getResource("/demo/strains.csv").toURI()));
  }

  private void look(FxRobot robot) {
    untilShown(robot, "finding", "3 levels of strain");
    go(robot, "#joint-look", () -> isThere(robot, "summaries") && !marks(robot).isEmpty());
  }

  private static List<Mark> marks(FxRobot robot) {
    Picture picture = robot.lookup("#look .picture").query();
    return picture.scene() == null ? List.of() : picture.scene().marks();
  }

  private static Stream<Mark.Dot> dots(FxRobot robot) {
    return marks(robot).stream()
        .filter(Mark.Dot.class::isInstance)
        .map(Mark.Dot.class::cast)
        .filter(dot -> dot.row() != Mark.NONE);
  }

  private static void kind(FxRobot robot, String title) {
    ToggleButton button =
        robot.lookup("#look-kind .toggle-button").queryAllAs(ToggleButton.class).stream()
            .filter(b -> b.getText().equals(title))
            .findFirst()
            .orElseThrow();
    robot.interact(button::fire);
  }

  @Test
  void everyValueIsADotWhoseRecordIsReadAndSetAside(FxRobot robot) {
    look(robot);
    assertThat(text(robot, "look-title")).isEqualTo("length (mm)");
    assertThat(dots(robot).count()).isEqualTo(54);
    Picture picture = robot.lookup("#look .picture").query();
    Bounds box = picture.where(dots(robot).findFirst().orElseThrow());
    robot.clickOn(picture.localToScreen(box.getCenterX(), box.getCenterY()));
    until(() -> isThere(robot, "picked-aside"));
    robot.clickOn("#picked-aside");
    until(() -> dots(robot).count() == 53);
    assertThat(workbench.study().asked().get(0).inquiry().prepare())
        .singleElement()
        .isInstanceOf(SetAside.class);
    Driver.press(robot, KeyCode.Z);
    until(() -> dots(robot).count() == 54);
  }

  @Test
  void theSameValuesAreSeenInEveryWay(FxRobot robot) {
    look(robot);
    kind(robot, "Stacked dots");
    until(() -> dots(robot).count() == 54 && isThere(robot, "look-bins"));
    kind(robot, "Histogram");
    Slider bins = robot.lookup("#look-bins").query();
    until(() -> dots(robot).findAny().isEmpty());
    robot.interact(() -> bins.setValue(bins.getMin()));
    int few = drawn(robot);
    robot.interact(() -> bins.setValue(bins.getMax()));
    until(() -> drawn(robot) > few);
    kind(robot, "Density");
    until(() -> dots(robot).findAny().isEmpty() && !bins.isVisible());
    kind(robot, "In order");
    until(() -> dots(robot).count() == 54);
    kind(robot, "Against");
    until(() -> shows(robot, "look-against", "width_mm"));
    robot.clickOn("#look-against").write("meat").type(KeyCode.ENTER);
    untilShown(robot, "look-against", "meat_g");
    assertThat(robot.lookup("#look .joint-line").queryAllAs(Labeled.class))
        .anyMatch(line -> line.getText().contains("meat"));
  }

  @Test
  void binsOfOnesOwnAreCountedAndKeptInTheQuestion(FxRobot robot) {
    look(robot);
    kind(robot, "Histogram");
    until(() -> isThere(robot, "look-table"));
    robot.clickOn("#look-edges").write("by 5").type(KeyCode.ENTER);
    until(() -> !edges().isEmpty());
    assertThat(edges()).startsWith(55.0, 60.0, 65.0);
    until(() -> isThere(robot, "look-table") && copied(robot).contains("60\t65\t"));
    robot.interact(() -> robot.lookup("#look-edges").queryAs(TextField.class).setText("9 8"));
    robot.clickOn("#look-edges").type(KeyCode.ENTER);
    untilShown(robot, "look-wrong", "each above the one before");
    assertThat(edges()).as("what was wrong changed nothing").startsWith(55.0);
  }

  private List<Double> edges() {
    return workbench.currentProperty().get().inquiry().edges().getOrDefault("length_mm", List.of());
  }

  @Test
  void whatGoesWithWhatIsSeenAndCopied(FxRobot robot) {
    look(robot);
    kind(robot, "Each with each");
    // Six pairs of four columns, a dot a row in each.
    until(() -> dots(robot).count() == 6 * 54 && isThere(robot, "look-table"));
    assertThat(text(robot, "look-title")).isEqualTo("4 columns against each other");
    assertThat(copied(robot)).startsWith("Pearson's r\tlength_mm\twidth_mm").contains("p < .001");
    Picture picture = robot.lookup("#look .picture").query();
    Bounds box = picture.where(dots(robot).findFirst().orElseThrow());
    robot.clickOn(picture.localToScreen(box.getCenterX(), box.getCenterY()));
    until(() -> isThere(robot, "picked-aside"));
    kind(robot, "Normal quantiles");
    until(() -> dots(robot).count() == 54);
    until(() -> copied(robot).startsWith("group\tn\tShapiro-Wilk W\tp\tp × 3"));
    kind(robot, "Stem and leaf");
    until(() -> dots(robot).findAny().isEmpty() && isThere(robot, "summaries"));
  }

  private static int drawn(FxRobot robot) {
    until(() -> !marks(robot).isEmpty());
    return marks(robot).size();
  }

  @Test
  void theSummariesAreSortedAndCopied(FxRobot robot) {
    look(robot);
    robot.clickOn("mean");
    assertThat(copied(robot))
        .startsWith("strain\tn\tmissing\tmean")
        .containsSubsequence("Birch", "Alder");
    robot.clickOn("mean");
    assertThat(copied(robot)).containsSubsequence("Alder", "Birch");
  }

  private static String copied(FxRobot robot) {
    robot.clickOn("#copy-summaries");
    String[] text = new String[1];
    robot.interact(() -> text[0] = Clipboard.getSystemClipboard().getString());
    return text[0];
  }

  @Test
  void severalResponsesAreSteppedThroughWithOneKey(FxRobot robot) {
    untilShown(robot, "finding", "3 levels of strain");
    robot.interact(
        () -> {
          SlipViewModel slip = workbench.currentProperty().get();
          slip.inquiryProperty()
              .set(
                  slip.inquiry()
                      .but(d -> d.give(Part.MEASURED, List.of("length_mm", "meat_g", "width_mm"))));
        });
    go(robot, "#joint-look", () -> isThere(robot, "response-meat_g"));
    untilShown(robot, "look-title", "length (mm)");
    Driver.press(robot, KeyCode.PAGE_DOWN);
    untilShown(robot, "look-title", "meat (g)");
    Driver.press(robot, KeyCode.PAGE_DOWN);
    untilShown(robot, "look-title", "width (mm)");
    Driver.press(robot, KeyCode.PAGE_UP);
    untilShown(robot, "look-title", "meat (g)");
    robot.clickOn("#response-width_mm");
    untilShown(robot, "look-title", "width (mm)");
    assertThat(text(robot, "finding")).startsWith("Width differs");
    go(robot, "#joint-test", () -> isThere(robot, "test"));
    assertThat(text(robot, "response-length_mm")).contains("\u25cb p = .100");
    assertThat(text(robot, "response-meat_g")).contains("\u25cf p < .001");
  }

  @Test
  void aPictureIsLaidOutForTheRoomItHasWheneverThatChanges(FxRobot robot) {
    look(robot);
    Picture picture = robot.lookup("#look .picture").query();
    until(() -> fills(picture));
    ScrollPane table = robot.lookup("#look .table-scroll").query();
    for (double less : new double[] {200, 60, 140}) {
      double before = picture.getHeight();
      robot.interact(
          () -> {
            table.setMinHeight(less);
            table.setMaxHeight(less);
          });
      until(() -> picture.getHeight() != before && fills(picture));
    }
  }

  private static boolean fills(Picture picture) {
    return Math.abs(picture.scene().height() - picture.getHeight()) < 1
        && Math.abs(picture.scene().width() - picture.getWidth()) < 1;
  }
}
