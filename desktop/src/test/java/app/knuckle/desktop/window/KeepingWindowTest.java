package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.isThere;
import static app.knuckle.desktop.window.Driver.keeper;
import static app.knuckle.desktop.window.Driver.press;
import static app.knuckle.desktop.window.Driver.until;
import static app.knuckle.desktop.window.Driver.untilShown;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.formats.keeping.Journal;
import app.knuckle.formats.keeping.StudyFile;
import app.knuckle.stats.Progress;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.prep.Rename;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.scene.Scene;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The study menu: bringing in, keeping, writing out. */
@ExtendWith(ApplicationExtension.class)
class KeepingWindowTest {

  @TempDir private Path folder;
  private Workbench workbench;
  private Path raw;

  @Start
  void start(Stage stage) throws IOException {
    raw = Driver.rawTanks(folder);
    DialogAnswers.give(folder, raw);
    workbench = Driver.showRaw(stage, raw);
  }

  @AfterEach
  void giveTheDialogsBack() {
    DialogAnswers.stop();
  }

  private static MenuItem item(FxRobot robot, String id) {
    MenuButton menu = robot.lookup("#study-menu").queryAs(MenuButton.class);
    robot.interact(menu::show);
    MenuItem found =
        menu.getItems().stream().filter(i -> ("menu-" + id).equals(i.getId())).findFirst().get();
    robot.interact(menu::hide);
    return found;
  }

  private static void choose(FxRobot robot, String id) {
    MenuItem item = item(robot, id);
    assertThat(item.isDisable()).as(id).isFalse();
    robot.interact(item::fire);
  }

  /** The study once it was answered and saved under its own name. */
  private Path saved(FxRobot robot) {
    untilShown(robot, "finding", "6 levels of feed");
    Driver.takeKeyboard(robot);
    press(robot, KeyCode.S);
    Path file = folder.resolve(workbench.nameProperty().get() + ".knuckle");
    until(() -> Files.exists(file) && !keeper(workbench).unsavedProperty().get());
    return file;
  }

  @Test
  void openingAStudyAsksWhatBecomesOfUnsavedWork(FxRobot robot) {
    Path file = saved(robot);
    robot.clickOn("#fix-0");
    untilShown(robot, "finding", "5 levels of feed");
    until(() -> keeper(workbench).unsavedProperty().get());
    robot.interact(() -> workbench.open(file));
    assertThat(workbench.bannerProperty().get().words()).contains("not saved");
    assertThat(Driver.text(robot, "finding")).contains("5 levels of feed");
    robot.interact(() -> workbench.bannerProperty().get().ways().get(1).action().run());
    untilShown(robot, "finding", "6 levels of feed");
    // What was put aside is there, and knows its file.
    Path aside = Journal.leftBehind(folder.resolve("state").resolve("journal")).get(0);
    assertThat(Journal.home(aside).orElseThrow().file()).isEqualTo(file.toAbsolutePath());
  }

  @Test
  void aKeyHeldDownAsksOnce(FxRobot robot) {
    untilShown(robot, "finding", "6 levels of feed");
    int before = workbench.slips().size();
    Driver.takeKeyboard(robot);
    robot.interact(
        () -> {
          Scene scene = robot.lookup("#finding").query().getScene();
          for (int i = 0; i < 20; i++) {
            Event.fireEvent(
                scene.getFocusOwner(),
                new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.D, false, true, false, false));
          }
        });
    assertThat(robot.lookup("#find-field").queryAll()).hasSize(1);
    robot.type(KeyCode.ENTER);
    until(() -> workbench.slips().size() == before + 1);
  }

  @Test
  void aStudyIsSavedUnderANameThenInPlaceAndFoundAmongTheRecent(FxRobot robot) {
    Path file = saved(robot);
    assertThat(keeper(workbench).file()).isEqualTo(file);
    robot.clickOn("#fix-0");
    untilShown(robot, "finding", "5 levels of feed");
    Study now = workbench.study();
    choose(robot, "save");
    until(() -> !keeper(workbench).unsavedProperty().get());
    assertThat(StudyFile.read(file, Progress.NONE).asked()).isEqualTo(now.asked());
    assertThat(
            StudyFile.read(StudyFile.previous(file), Progress.NONE)
                .asked()
                .get(0)
                .inquiry()
                .prepare())
        .as("the version before is kept")
        .isEmpty();
    MenuButton menu = robot.lookup("#study-menu").queryAs(MenuButton.class);
    robot.interact(menu::show);
    Menu recent = (Menu) menu.getItems().get(menu.getItems().size() - 1);
    assertThat(recent.getItems())
        .extracting(MenuItem::getText)
        .singleElement()
        .asString()
        .startsWith(file.getFileName().toString());
    robot.interact(menu::hide);
  }

  @Test
  void aSecondSaveDuringTheFirstWaitsItsTurn(FxRobot robot) {
    Path file = saved(robot);
    robot.interact(
        () -> {
          keeper(workbench).save(file, () -> {});
          workbench.rename("another name");
          keeper(workbench).save(file, () -> workbench.rename("both were saved"));
        });
    until(
        () ->
            workbench.nameProperty().get().equals("both were saved")
                || workbench.bannerProperty().get() != null);
    assertThat(workbench.nameProperty().get()).isEqualTo("both were saved");
  }

  @Test
  void whatAnotherProgramSavedMeanwhileIsNotOverwritten(FxRobot robot) throws IOException {
    untilShown(robot, "finding", "6 levels of feed");
    Path file = folder.resolve("cove.knuckle");
    robot.interact(() -> keeper(workbench).save(file, () -> {}));
    until(() -> !keeper(workbench).unsavedProperty().get());
    StudyFile.write(
        new Study("theirs", List.of(), List.of()), file, StudyFile.Stamp.of(file), Progress.NONE);
    robot.clickOn("#fix-0");
    untilShown(robot, "finding", "5 levels of feed");
    choose(robot, "save");
    until(() -> isThere(robot, "banner-words"));
    assertThat(StudyFile.read(file, Progress.NONE).name()).isEqualTo("theirs");
    assertThat(keeper(workbench).unsavedProperty().get()).isTrue();
  }

  private Path figure() throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      return files.filter(file -> file.toString().endsWith(".svg")).findAny().orElseThrow();
    }
  }

  @Test
  void preparedRecordsAndAllFiguresAreWrittenOut(FxRobot robot) throws IOException {
    untilShown(robot, "finding", "6 levels of feed");
    robot.clickOn("#fix-1");
    untilShown(robot, "finding", "5 levels of feed");
    choose(robot, "write-out");
    untilShown(robot, "banner-words", "The rows in play were written");
    assertThat(Files.readAllLines(folder.resolve("feed-tanks prepared.csv")))
        .hasSize(37)
        .noneMatch(line -> line.contains("Kelp dust"));
    choose(robot, "figures");
    untilShown(robot, "banner-words", "1 figure was written");
    Path svg = figure();
    Files.writeString(svg, "my own drawing");
    choose(robot, "figures");
    until(() -> isThere(robot, "may-replace"));
    robot.clickOn("Leave it as it is");
    untilShown(robot, "banner-words", svg.getFileName() + " is there already");
    assertThat(svg).hasContent("my own drawing");
    choose(robot, "figures");
    until(() -> isThere(robot, "may-replace"));
    robot.clickOn("Replace it");
    untilShown(robot, "banner-words", "1 figure was written");
    assertThat(svg).content().contains("<svg");
    DialogAnswers.give(raw, raw);
    choose(robot, "figures");
    untilShown(robot, "banner-words", "there is a file where a folder should be");
  }

  @Test
  void aPasteThatIsNoTableSaysSoAndOneThatIsBecomesASecondTable(FxRobot robot) {
    untilShown(robot, "finding", "6 levels of feed");
    copy(robot, "a\tb\n1\t2\t3\n");
    choose(robot, "paste");
    untilShown(robot, "banner-words", "What was copied is no table");
    copy(robot, "feed\tgain_mm\nkelp\t1.5\nkelp\t2.5\nmix\t3.5\nmix\t4\n");
    choose(robot, "paste");
    untilShown(robot, "finding", "between kelp and mix");
    assertThat(workbench.study().tables()).hasSize(2);
    choose(robot, "type-further");
    until(() -> isThere(robot, "typing-grid"));
    robot.clickOn("#typing-leave");
    until(() -> isThere(robot, "records-table"));
    robot.clickOn("#undo");
    until(() -> workbench.study().tables().size() == 1);
  }

  private static void copy(FxRobot robot, String text) {
    robot.interact(
        () -> {
          ClipboardContent content = new ClipboardContent();
          content.putString(text);
          Clipboard.getSystemClipboard().setContent(content);
        });
  }

  @Test
  void aTrailIsGivenToTheOtherInquiriesOfTheSameRecords(FxRobot robot) {
    untilShown(robot, "finding", "6 levels of feed");
    Driver.takeKeyboard(robot);
    press(robot, KeyCode.D);
    until(() -> isThere(robot, "find-field"));
    robot.type(KeyCode.ENTER);
    until(() -> isThere(robot, "slip-1"));
    robot.clickOn("#joint-records");
    until(() -> isThere(robot, "fix-0"));
    assertThat(item(robot, "share-trail").isDisable()).isTrue();
    robot.clickOn("#fix-0");
    untilShown(robot, "finding", "5 levels of feed");
    choose(robot, "share-trail");
    until(
        () ->
            workbench.study().asked().get(0).inquiry().prepare().size()
                == workbench.study().asked().get(1).inquiry().prepare().size());
    robot.clickOn("#slip-0");
    untilShown(robot, "finding", "5 levels of feed");
  }

  /** From now on the records of another season are opened. */
  private void season(String records) throws IOException {
    DialogAnswers.give(folder, Files.writeString(folder.resolve("season.csv"), records));
  }

  @Test
  void theQuestionsAreAskedOfAnotherSeason(FxRobot robot) throws IOException {
    untilShown(robot, "finding", "6 levels of feed");
    season("tank,feed,clearance_l_h\nU1,Green T,1\nU2,Green T,2\nU3,Paste,5\nU4,Paste,6\n");
    choose(robot, "new-records");
    untilShown(robot, "finding", "Clearance differs between Green T and Paste");
    assertThat(workbench.study().tables()).hasSize(2);
    assertThat(workbench.study().asked().get(1).table()).isEqualTo("season");
    Driver.takeKeyboard(robot);
    press(robot, KeyCode.Z);
    until(() -> workbench.slips().size() == 1);
  }

  @Test
  void columnsThatAnotherSeasonCallsOtherwiseAreChosenInPlace(FxRobot robot) throws IOException {
    untilShown(robot, "finding", "6 levels of feed");
    season("tank,diet,clearance\nU1,Green T,1\nU2,Green T,2\nU3,Paste,5\nU4,Paste,6\n");
    choose(robot, "new-records");
    until(() -> isThere(robot, "new-names-leave"));
    robot.clickOn("#new-names-leave");
    until(() -> !isThere(robot, "new-names"));
    assertThat(workbench.slips()).hasSize(1);
    choose(robot, "new-records");
    until(() -> isThere(robot, "new-name-feed"));
    // No name is near to feed; clearance is near to clearance_l_h.
    robot.clickOn("#new-name-feed");
    robot.type(KeyCode.DOWN).type(KeyCode.ENTER);
    Driver.tabTo(robot, "new-names-ask");
    robot.type(KeyCode.SPACE);
    untilShown(robot, "finding", "Clearance differs between Green T and Paste");
    assertThat(workbench.study().asked().get(1).inquiry().prepare())
        .filteredOn(Rename.class::isInstance)
        .extracting(step -> ((Rename) step).column())
        .containsExactlyInAnyOrder("diet", "clearance");
  }

  @Test
  void aFaultIsSaidInASentenceAndTheWindowGoesOn(FxRobot robot) throws IOException {
    untilShown(robot, "finding", "6 levels of feed");
    robot.interact(() -> Faults.watch(workbench));
    for (int i = 0; i < 2; i++) {
      Platform.runLater(KeepingWindowTest::fail);
      until(() -> isThere(robot, "banner-words"));
    }
    assertThat(Driver.text(robot, "banner-words"))
        .startsWith("Knuckle made a mistake of its own")
        .doesNotContain("Exception");
    assertThat(folder.resolve("state/faults.txt"))
        .content()
        .containsOnlyOnce("IllegalStateException: as if");
    robot.clickOn("#banner-dismiss").clickOn("#fix-0");
    untilShown(robot, "finding", "5 levels of feed");
    robot.interact(
        () -> {
          Thread.setDefaultUncaughtExceptionHandler(null);
          Thread.currentThread().setUncaughtExceptionHandler(null);
        });
  }

  private static void fail() {
    throw new IllegalStateException("as if something were wrong");
  }

  @Test
  void whatACrashLeftBehindIsBroughtBack(FxRobot robot) throws IOException {
    untilShown(robot, "finding", "6 levels of feed");
    robot.clickOn("#fix-0");
    untilShown(robot, "finding", "5 levels of feed");
    Path root = folder.resolve("state").resolve("journal");
    Path other = folder.resolve("elsewhere");
    try (Journal journal = Journal.open(other)) {
      journal.write(workbench.study(), Progress.NONE);
      crash(other, root);
    }
    robot.clickOn("#undo");
    untilShown(robot, "finding", "6 levels of feed");
    robot.interact(() -> keeper(workbench).startJournal());
    untilShown(robot, "banner-words", "unsaved work is still there");
    robot.clickOn("Bring it back");
    untilShown(robot, "banner-words", "What is open here is not saved");
    robot.clickOn("Keep it to bring back later");
    untilShown(robot, "finding", "5 levels of feed");
    // What was brought back is gone from there, what was put aside for it is not.
    until(() -> Journal.leftBehind(root).size() == 1);
    robot.interact(() -> keeper(workbench).end());
  }

  /** What a journal holds when its window is gone without a word. */
  private static void crash(Path journals, Path root) throws IOException {
    Path left = Files.createDirectories(root.resolve("window-1"));
    try (Stream<Path> windows = Files.list(journals);
        Stream<Path> files = Files.list(windows.findFirst().orElseThrow())) {
      for (Path file : files.toList()) {
        Files.copy(file, left.resolve(file.getFileName()));
      }
    }
  }
}
