package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.text;
import static app.knuckle.desktop.window.Driver.until;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.keeping.Keeper;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/**
 * Where the program makes a mistake in answering, no answer to another question is left standing.
 */
@ExtendWith(ApplicationExtension.class)
class FaultWindowTest {

  private final AtomicBoolean broken = new AtomicBoolean();
  private final AtomicReference<Throwable> met = new AtomicReference<>();
  private Workbench workbench;

  @Start
  void start(Stage stage) {
    workbench =
        new Workbench(
            answer -> {
              if (broken.get()) {
                throw new IllegalStateException("made for this test");
              }
            });
    stage.setScene(KnuckleApp.scene(workbench, new Keeper(workbench)));
    stage.show();
    Thread.currentThread().setUncaughtExceptionHandler((thread, fault) -> met.set(fault));
    workbench.open(DemoStudy.read());
  }

  @Test
  void theOldAnswerGoesAndTheNextQuestionIsAnswered(FxRobot robot) {
    SlipViewModel slip = workbench.currentProperty().get();
    until(() -> slip.answer() != null && text(robot, "finding").contains("14.38"));
    robot.interact(() -> slip.jointProperty().set(Joint.TEST));
    broken.set(true);
    Answer before = slip.answer();
    robot.interact(() -> slip.inquiryProperty().set(slip.inquiry().at(0.011)));
    until(() -> slip.answer() != before);
    assertThat(slip.answer().findings()).isNull();
    until(() -> text(robot, "finding").contains("mistake of its own"));
    assertThat(text(robot, "finding")).doesNotContain("14.38");
    until(() -> met.get() != null);
    assertThat(met.get()).hasRootCauseMessage("made for this test");
    broken.set(false);
    robot.interact(() -> slip.inquiryProperty().set(slip.inquiry().at(0.012)));
    until(() -> text(robot, "finding").contains("14.38"));
  }
}
