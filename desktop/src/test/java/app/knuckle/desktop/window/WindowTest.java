package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.click;
import static app.knuckle.desktop.window.Driver.go;
import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.press;
import static app.knuckle.desktop.window.Driver.rows;
import static app.knuckle.desktop.window.Driver.shows;
import static app.knuckle.desktop.window.Driver.tabTo;
import static app.knuckle.desktop.window.Driver.takeKeyboard;
import static app.knuckle.desktop.window.Driver.text;
import static app.knuckle.desktop.window.Driver.texts;
import static app.knuckle.desktop.window.Driver.until;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.workbench.Workbench;
import java.io.IOException;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;

/** The real window, used as its users do: each test is a whole task. */
@ExtendWith(ApplicationExtension.class)
class WindowTest {

  private static final int PATIENCE_SECONDS = 60;

  @TempDir private Path folder;
  private Workbench workbench;

  @Start
  void start(Stage stage) {
    workbench = Driver.showDemo(stage);
  }

  @Test
  void fromRecordsToALetteredFigureWithTheMouse(FxRobot robot) {
    until(() -> shows(robot, "finding", "Clearance differs between the 4 levels of feed"));
    assertThat(rows(robot)).isEqualTo(37);
    go(
        robot,
        "#table-rack-trial",
        () -> shows(robot, "finding", "Growth differs between the levels"));
    go(robot, "#joint-layout", () -> isThere(robot, "slot-measured"));
    robot.clickOn("#slot-measured").write("surv");
    robot.type(KeyCode.ENTER);
    until(() -> shows(robot, "finding", "Survival"));
    assertThat(text(robot, "slip-1")).isEqualTo("Survival by mesh × density");
    go(robot, "#joint-look", () -> shows(robot, "look-title", "survival (%)"));
    click(robot, "#table-feed-tanks");
    go(robot, "#joint-test", () -> shows(robot, "p-feed", "< .001"));
    go(
        robot,
        "#joint-compare",
        () -> shows(robot, "ranking", "The highest mean is that of Diatom C"));
    assertThat(texts(robot, ".rung-letter")).contains("a", "b", "c");
    assertThat(text(robot, "rung-0")).isEqualTo("Diatom C");
    robot.moveTo("#pair-3-0");
    until(() -> shows(robot, "pair-reading", "Diatom C − Paste: 3.09 L/h"));
    go(robot, "#joint-figure", () -> shows(robot, "figure-caption", "± SE, n = 8 to 9"));
    robot.clickOn("#figure-whiskers").type(KeyCode.DOWN, KeyCode.ENTER);
    until(() -> shows(robot, "figure-caption", "± SD"));
    robot.clickOn("#figure-copy");
    until(() -> shows(robot, "export-note", "clipboard"));
    WaitForAsyncUtils.waitForAsyncFx(
        TimeUnit.SECONDS.toMillis(PATIENCE_SECONDS),
        () -> assertThat(Clipboard.getSystemClipboard().hasImage()).isTrue());
    // The other slip kept its own joint and its own question.
    robot.clickOn("#table-rack-trial");
    until(() -> shows(robot, "look-title", "survival (%)"));
  }

  @Test
  void theSameWithTheKeyboardAlone(FxRobot robot) {
    until(() -> shows(robot, "finding", "Clearance differs"));
    takeKeyboard(robot);
    press(robot, KeyCode.TAB);
    until(() -> shows(robot, "finding", "Growth differs between the levels of mesh"));
    press(robot, KeyCode.DIGIT2);
    tabTo(robot, "slot-treatment");
    robot.type(KeyCode.SPACE).write("dens").type(KeyCode.ENTER);
    until(() -> shows(robot, "finding", "levels of density"));
    assertThat(text(robot, "reads-as")).contains("one treatment at 3 levels", "blocks");
    tabTo(robot, "slot-alpha");
    robot.type(KeyCode.SPACE).write("0.02").type(KeyCode.ENTER);
    until(() -> text(robot, "slot-alpha").equals("α = 0.02"));
    press(robot, KeyCode.DIGIT6);
    tabTo(robot, "pair-1-0");
    until(() -> shows(robot, "pair-reading", "60 − 120"));
    robot.type(KeyCode.DOWN).type(KeyCode.RIGHT);
    until(() -> shows(robot, "pair-reading", "120 − 240"));
    press(robot, KeyCode.DIGIT7);
    until(() -> shows(robot, "figure-caption", "(Tukey, α = 0.02)"));
    press(robot, KeyCode.D);
    until(() -> isThere(robot, "find-field"));
    robot.type(KeyCode.ENTER);
    until(() -> text(robot, "slip-2").equals("… Growth by density"));
  }

  @Test
  void pairsAreNotHuntedWhenTheTestShowsNothing(FxRobot robot) throws IOException {
    Path file =
        Files.writeString(
            folder.resolve("calm.csv"),
            "g,y\na,1\na,2\na,3\nb,1.5\nb,2.5\nb,3.1\nc,1.2\nc,2.4\nc,2.8\n");
    robot.interact(() -> workbench.open(file));
    until(() -> shows(robot, "finding", "No evidence that y differs"));
    go(robot, "#joint-compare", () -> shows(robot, "do-not-hunt", "should not be hunted"));
    assertThat(robot.lookup("#ladder").tryQuery()).isEmpty();
    robot.clickOn("#show-anyway");
    until(() -> robot.lookup("#ladder").tryQuery().isPresent());
  }

  /** From opening to the figure by the keyboard, for every design that the nursery knows. */
  @ParameterizedTest
  @CsvSource({
    "hatchery, depends on",
    "tumbling, between the levels of tide zone",
    "tasting-panel, between the levels of day",
    "strains, between the 3 levels of strain",
    "silt-dose, between the 5 levels of silt",
    "pumps, between airlift and screw"
  })
  void everyTableOfTheNurseryIsAnswered(String table, String finding, FxRobot robot)
      throws URISyntaxException {
    until(() -> shows(robot, "finding", "Clearance differs"));
    Path file = Path.of(getClass().getResource("/demo/" + table + ".csv").toURI());
    robot.interact(() -> workbench.open(file));
    until(() -> shows(robot, "finding", finding));
    takeKeyboard(robot);
    press(robot, KeyCode.DIGIT2);
    until(() -> robot.lookup("#plot-plan").tryQuery().isPresent());
    press(robot, KeyCode.DIGIT3);
    until(() -> robot.lookup("#summaries").tryQuery().isPresent());
    press(robot, KeyCode.DIGIT4);
    until(() -> robot.lookup("#check-normality-of-residuals").tryQuery().isPresent());
    press(robot, KeyCode.DIGIT5);
    until(() -> robot.lookup("#variance-table").tryQuery().isPresent());
    press(robot, KeyCode.DIGIT6);
    until(() -> robot.lookup("#compare").tryQuery().isPresent());
    press(robot, KeyCode.DIGIT7);
    until(() -> shows(robot, "figure-caption", "eans"));
  }

  @Test
  void aQuestionOfOnesOwnIsWeighedAndKept(FxRobot robot) {
    until(() -> shows(robot, "finding", "Clearance differs"));
    click(robot, "#table-rack-trial");
    go(robot, "#slip-2", () -> shows(robot, "finding", "depends on density"));
    go(robot, "#joint-compare", () -> robot.lookup("#balance").tryQuery().isPresent());
    Node balance = robot.lookup("#balance").query();
    robot.interact(balance::requestFocus);
    fire(robot, "weigh-coarse / 240");
    fire(robot, "weigh-fine / 240");
    fire(robot, "weigh-fine / 240");
    fire(robot, "balance-keep");
    until(() -> shows(robot, "kept-out-0", "Take out"));
    // Taking it out is a step like any other, which can be undone.
    fire(robot, "kept-out-0");
    until(() -> robot.lookup("#kept-out-0").tryQuery().isEmpty());
    takeKeyboard(robot); // The button that had it is gone.
    press(robot, KeyCode.Z);
    until(() -> robot.lookup("#kept-out-0").tryQuery().isPresent());
  }

  @Test
  void aWayOnMakesAChangedInquiryBesideThisOne(FxRobot robot) throws IOException {
    until(() -> shows(robot, "finding", "Clearance differs"));
    StringBuilder rows = new StringBuilder("pump,flow_l_min\n");
    for (int i = 0; i < 10; i++) {
      rows.append("airlift,").append(20 + 0.1 * i).append("\nscrew,").append(9.5 * i).append('\n');
    }
    Path file = Files.writeString(folder.resolve("uneven.csv"), rows);
    robot.interact(() -> workbench.open(file));
    until(() -> shows(robot, "finding", "between airlift and screw"));
    String way = "Ask with separate variances →";
    go(robot, "#joint-footing", () -> robot.lookup(way).tryQuery().isPresent());
    robot.clickOn(way);
    until(() -> shows(robot, "slip-" + (Driver.INQUIRIES + 1), "… own spreads"));
    until(() -> shows(robot, "beside-sentence", "Judged by each group's own spread"));
    robot.type(KeyCode.ESCAPE);
    until(() -> robot.lookup("#test").tryQuery().isPresent());
    assertThat(text(robot, "slip-" + Driver.INQUIRIES)).isEqualTo("Flow by pump");
  }

  private static void fire(FxRobot robot, String id) {
    until(() -> button(robot, id) != null);
    robot.interact(() -> button(robot, id).fire());
  }

  private static Button button(FxRobot robot, String id) {
    return (Button)
        robot.lookup(n -> id.equals(n.getId()) && n instanceof Button).tryQuery().orElse(null);
  }

  @Test
  void aBadFileLosesNothingAndAReadingCanBeMended(FxRobot robot) throws IOException {
    until(() -> shows(robot, "finding", "Clearance differs"));
    Path bad = Files.writeString(folder.resolve("bad.csv"), "a,b\n1,2\n3\n");
    robot.interact(() -> workbench.open(bad));
    until(() -> shows(robot, "opening-refusal", "bad.csv, row 2: it has 1 cell where 2"));
    robot.clickOn("#opening-leave");
    until(() -> robot.lookup("#records-table").tryQuery().isPresent());
    assertThat(text(robot, "finding")).contains("Clearance differs");
    Path plain = Files.writeString(folder.resolve("plain.csv"), "1,5\n1,6\n2,9\n2,8\n");
    robot.interact(() -> workbench.open(plain));
    until(() -> robot.lookup("#reading-header").tryQuery().isPresent());
    assertThat(rows(robot)).isEqualTo(4);
    robot.clickOn("#reading-header");
    until(() -> rows(robot) == 3);
  }

  @Test
  void aReadingInDoubtIsConfirmedInPlace(FxRobot robot) throws IOException {
    Path either = Files.writeString(folder.resolve("either.csv"), "t;y\na;1,034\nb;1,200\n");
    robot.interact(() -> workbench.open(either));
    until(() -> robot.lookup("#reading-is-right").tryQuery().isPresent());
    robot.clickOn("#reading-is-right");
    until(() -> robot.lookup("#reading-is-right").tryQuery().isEmpty());
    assertThat(rows(robot)).isEqualTo(2);
    assertThat(robot.lookup("#reading-decimal-mark").tryQuery()).isPresent();
  }

  @Test
  void kindIsChangedInPlaceAndTheChangeIsAStep(FxRobot robot) {
    until(() -> shows(robot, "finding", "Clearance differs"));
    click(robot, "#column-kind-1");
    until(() -> shows(robot, "finding", "is read as categories"));
    assertThat(robot.lookup("#change-step-5").tryQuery()).isPresent();
    press(robot, KeyCode.Z);
    until(() -> shows(robot, "finding", "Clearance differs"));
    assertThat(robot.lookup("#change-step-5").tryQuery()).isEmpty();
  }
}
