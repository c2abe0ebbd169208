package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.go;
import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.press;
import static app.knuckle.desktop.window.Driver.shows;
import static app.knuckle.desktop.window.Driver.takeKeyboard;
import static app.knuckle.desktop.window.Driver.text;
import static app.knuckle.desktop.window.Driver.texts;
import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.PlanSlip;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.formats.keeping.StudyFile;
import app.knuckle.stats.Progress;
import app.knuckle.study.plan.Mishap;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.plan.PlanDraft;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** A trial planned, rehearsed, taken away and brought back, in the real window. */
@ExtendWith(ApplicationExtension.class)
class PlanWindowTest {

  @TempDir private Path folder;
  private Workbench workbench;

  @Start
  void start(Stage stage) {
    workbench = Driver.showDemo(stage);
  }

  @BeforeEach
  void openThePage(FxRobot robot) {
    untilShown(robot, "finding", "Clearance differs");
    takeKeyboard(robot);
    press(robot, KeyCode.R);
    untilShown(robot, "finding", "45 plots in complete blocks");
  }

  private Plan plan() {
    return workbench.plans().all().get(0).plan();
  }

  /** The keyboard stands on the first slot; others are reached as any field is. */
  private static void write(FxRobot robot, String slot, String text) {
    robot.interact(() -> robot.lookup("#" + slot).queryAs(TextField.class).requestFocus());
    robot.interact(() -> robot.lookup("#" + slot).queryAs(TextField.class).selectAll());
    robot.write(text);
  }

  @Test
  void everyKeystrokeIsFollowedAndUndoneByTheSlot(FxRobot robot) {
    assertThat(text(robot, "plan-words")).contains("A difference of 2 mm", "two levels of mesh");
    write(robot, "plan-replicates", "12");
    untilShown(robot, "finding", "108 plots");
    assertThat(plan().size().replicates()).isEqualTo(12);
    write(robot, "plan-treatment-0", "net");
    until(() -> plan().treatments().containsKey("net"));
    assertThat(plan().wanted().of()).containsExactly("net");
    robot.interact(() -> workbench.history().undo());
    until(() -> plan().treatments().containsKey("mesh"));
    assertThat(plan().size().replicates()).isEqualTo(12);
    robot.interact(() -> workbench.history().undo());
    untilShown(robot, "finding", "45 plots");
  }

  @Test
  void whatMakesNoSenseIsSaidAndChangesNothing(FxRobot robot) {
    Plan before = plan();
    write(robot, "plan-sd-0", "0");
    untilShown(robot, "plan-refusal", "standard deviation is above 0");
    assertThat(plan()).isEqualTo(before);
    write(robot, "plan-levels-0", "fine, fine");
    untilShown(robot, "plan-refusal", "two levels or more");
    robot.interact(() -> robot.lookup("#plan-seed").query().requestFocus());
    until(
        () ->
            robot.lookup("#plan-levels-0").queryAs(TextField.class).getText().equals("fine, fin"));
  }

  /** Half a word may be a level of its own: what was said of the others comes back with them. */
  @Test
  void nothingIsLostWhileLevelsAreTypedAnew(FxRobot robot) {
    Plan before =
        PlanDraft.changed(
            plan(),
            d -> d.effects = List.of(new Plan.Effect("growth", Map.of("mesh", "coarse"), 1)));
    robot.interact(() -> workbench.plans().change(workbench.plans().all().get(0), before, false));
    write(robot, "plan-levels-0", "fine, medium, coarse");
    until(() -> plan().equals(before));
    write(robot, "plan-levels-0", "fine, coarse");
    until(() -> plan().treatments().get("mesh").equals(List.of("fine", "coarse")));
    assertThat(plan().effects()).hasSize(1);
  }

  @Test
  void theLayoutIsChosenAndWhatItNeedsIsAsked(FxRobot robot) {
    go(robot, "#plan-layout", () -> isThere(robot, "plan-layout-filter"));
    robot.write("split pl").type(KeyCode.ENTER);
    untilShown(robot, "finding", "as split plots");
    assertThat(plan().roles().wholePlots()).containsExactly("mesh");
    until(() -> isThere(robot, "plan-whole-plot-sd-0"));
    go(robot, "#plan-wanted-of", () -> isThere(robot, "plan-wanted-of-filter"));
    robot.write("mesh and").type(KeyCode.ENTER);
    until(() -> plan().wanted().of().equals(List.of("mesh", "density")));
    until(
        () ->
            texts(robot, ".label.text-grid-cell").contains("two combinations of mesh and density"));
  }

  @Test
  void aRehearsalIsAnInquiryThatSaysItIsMakeBelieve(FxRobot robot) {
    until(() -> isThere(robot, "plan-rehearse"));
    robot.interact(() -> robot.lookup("#plan-rehearse").queryButton().fire());
    until(() -> workbench.currentProperty().get().source().name().contains("make-believe"));
    untilShown(robot, "banner-words", "records of the plan Mesh by density");
    until(() -> workbench.currentProperty().get().inquiry().blocks().contains("rack"));
    until(() -> shows(robot, "finding-tag", "Make-believe"));
  }

  @Test
  void trialsAreCountedUntilThatIsStopped(FxRobot robot) {
    until(() -> isThere(robot, "plan-count"));
    judge(robot, Mishap.Judged.RANKS);
    robot.interact(() -> robot.lookup("#plan-count").queryButton().fire());
    // Two treatments at once are nothing that ranks can judge.
    until(() -> !robot.lookup("#plan-refusal").queryLabeled().getText().isEmpty());
    judge(robot, Mishap.Judged.RANDOM);
    robot.interact(() -> robot.lookup("#plan-widening").queryAs(TextField.class).setText("2"));
    robot.interact(() -> robot.lookup("#plan-lost").queryAs(TextField.class).setText("20"));
    robot.interact(() -> robot.lookup("#plan-count").queryButton().fire());
    untilShown(robot, "plan-counted", "made-up trials");
    robot.interact(() -> robot.lookup("#plan-count").queryButton().fire());
    until(() -> text(robot, "plan-count").startsWith("Count"));
    // Another level of significance is read from the same trials; another spread is not.
    change(robot, d -> d.wanted.alpha = 1e-300);
    untilShown(robot, "plan-counted", "Found in 0 of");
    change(robot, d -> d.measured.get(0).sd = 2);
    until(() -> text(robot, "plan-counted").isEmpty());
  }

  private void change(FxRobot robot, Consumer<PlanDraft> what) {
    PlanSlip slip = workbench.plans().all().get(0);
    robot.interact(
        () -> workbench.plans().change(slip, PlanDraft.changed(slip.plan(), what), false));
  }

  @SuppressWarnings("unchecked")
  private static void judge(FxRobot robot, Mishap.Judged how) {
    robot.interact(
        () -> robot.lookup("#plan-judged").queryAs(ComboBox.class).getSelectionModel().select(how));
  }

  @Test
  void theBookGoesOutAndComesBackFilled(FxRobot robot) throws IOException {
    DialogAnswers.give(folder, null);
    robot.interact(() -> robot.lookup("#plan-book").queryButton().fire());
    untilShown(robot, "plan-note", "field book.csv");
    DialogAnswers.stop();
    Path book = folder.resolve("Mesh by density, field book.csv");
    List<String> lines = Files.readAllLines(book);
    int growth = List.of(lines.get(0).split(",", -1)).indexOf("growth (mm)");
    List<String> filled = new ArrayList<>(List.of(lines.get(0)));
    for (int i = 1; i < lines.size() - 1; i++) {
      String[] cells = lines.get(i).split(",", -1);
      cells[growth] = String.valueOf(12 + (i * 7 % 11) / 4.0);
      filled.add(String.join(",", cells));
    }
    Path back = Files.write(folder.resolve("filled.csv"), filled);
    robot.interact(() -> workbench.open(back));
    untilShown(robot, "banner-words", "Plot 45 is not there");
    until(() -> workbench.currentProperty().get().inquiry().blocks().equals(List.of("rack")));
    assertThat(workbench.currentProperty().get().inquiry().measured())
        .containsExactly("growth (mm)");
  }

  @Test
  void aPlanIsKeptWithTheStudyAndRemoved(FxRobot robot) {
    write(robot, "plan-seed", "31");
    until(() -> plan().seed() == 31);
    Path file = folder.resolve("kept.knuckle");
    StudyFile.write(workbench.study(), file, StudyFile.Stamp.NONE, Progress.NONE);
    Plan kept = plan();
    robot.interact(() -> robot.lookup("#plan-remove").queryButton().fire());
    until(() -> workbench.plans().all().isEmpty());
    assertThat(workbench.pageProperty().get()).isNull();
    robot.interact(() -> workbench.open(StudyFile.read(file, Progress.NONE)));
    until(() -> workbench.plans().all().size() == 1);
    assertThat(plan()).isEqualTo(kept);
    PlanSlip slip = workbench.plans().all().get(0);
    robot.interact(() -> robot.lookup("#plan-0").queryButton().fire());
    assertThat(workbench.pageProperty().get()).isEqualTo(new Page.Planning(slip));
    assertThat(plan().size().more()).isEqualTo(Map.of());
  }
}
