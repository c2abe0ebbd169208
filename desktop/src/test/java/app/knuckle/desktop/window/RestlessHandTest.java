package app.knuckle.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.workbench.Workbench;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CopyOnWriteArrayList;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** Somebody who presses whatever is there, in any order: nothing breaks, and all is answered. */
@ExtendWith(ApplicationExtension.class)
class RestlessHandTest {

  private static final int ACTS = Integer.getInteger("knuckle.acts", 80);

  @TempDir private Path folder;
  private final List<Throwable> broken = new CopyOnWriteArrayList<>();
  private Workbench workbench;

  @Start
  void start(Stage stage) throws IOException {
    System.setProperty("knuckle.state", folder.resolve("state").toString());
    workbench = Driver.show(stage);
    Path raw = Driver.rawTanks(folder);
    DialogAnswers.give(folder, raw);
    Thread.currentThread().setUncaughtExceptionHandler((thread, e) -> broken.add(e));
    workbench.open(DemoStudy.read());
  }

  @AfterEach
  void giveTheDialogsBack() {
    DialogAnswers.stop();
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2})
  void whateverIsPressedNothingBreaks(long seed, FxRobot robot) {
    Random random = new Random(Long.getLong("knuckle.seed", 0) + seed);
    RestlessHand hand = new RestlessHand(workbench, robot, random);
    hand.press(ACTS, broken::isEmpty);
    if (!broken.isEmpty()) {
      throw new AssertionError(String.join("\n", hand.done()), broken.get(0));
    }
    assertThat(Driver.text(robot, "finding")).isNotBlank().doesNotContain("null");
  }
}
