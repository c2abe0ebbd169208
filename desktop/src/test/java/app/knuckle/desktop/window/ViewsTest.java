package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.until;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import java.lang.ref.WeakReference;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** What is out of sight is let go; what is closed leaves nothing. */
@ExtendWith(ApplicationExtension.class)
class ViewsTest {

  private Workbench workbench;

  @Start
  void start(Stage stage) {
    // The stage given remembers every event, and where it went.
    workbench = Driver.show(new Stage());
    workbench.open(DemoStudy.read());
  }

  private Node shown(FxRobot robot) {
    return robot.lookup(".middle > *").query();
  }

  /** The collector is asked again and again: it need not heed the first time. */
  private static boolean collected(WeakReference<?> reference) {
    System.gc();
    return reference.get() == null;
  }

  private static void untilCollected(List<? extends WeakReference<?>> all) {
    BooleanSupplier gone = () -> all.stream().allMatch(ViewsTest::collected);
    until(gone);
  }

  private List<WeakReference<Node>> visit(FxRobot robot, SlipViewModel slip) {
    until(() -> slip.answer() != null);
    robot.interact(() -> workbench.currentProperty().set(slip));
    List<WeakReference<Node>> seen = new ArrayList<>();
    for (Joint joint : Joint.values()) {
      robot.interact(() -> slip.jointProperty().set(joint));
      until(() -> !slip.busyProperty().get());
      seen.add(new WeakReference<>(shown(robot)));
    }
    return seen;
  }

  @Test
  void viewsLookedAtLongAgoAreLetGoAndMadeAnew(FxRobot robot) {
    SlipViewModel first = workbench.currentProperty().get();
    List<WeakReference<Node>> seen = visit(robot, first);
    for (int copy = 0; copy < 3; copy++) {
      robot.interact(workbench::copyCurrent);
      visit(robot, workbench.currentProperty().get());
    }
    untilCollected(seen);
    robot.interact(() -> workbench.currentProperty().set(first));
    robot.interact(() -> first.jointProperty().set(Joint.TEST));
    assertThat(shown(robot).getId()).isEqualTo("test");
  }

  private static Stream<Function<Workbench, Page>> pages() {
    return Stream.of(
        w -> new Page.Inquiries(),
        w -> new Page.Beside(w.slips().get(0), w.slips().get(1)),
        w -> new Page.Typing(w.slips().get(0).source()));
  }

  @ParameterizedTest
  @MethodSource("pages")
  void aStudyThatWasLeftLeavesNothingWhateverPageWasSeenLast(
      Function<Workbench, Page> page, FxRobot robot) {
    until(() -> workbench.currentProperty().get().answer() != null);
    List<WeakReference<SlipViewModel>> left =
        workbench.slips().stream().map(WeakReference::new).toList();
    robot.interact(() -> workbench.show(page.apply(workbench)));
    until(() -> workbench.pageProperty().get() != null);
    robot.interact(workbench::leavePage);
    robot.interact(() -> workbench.open(DemoStudy.read()));
    untilCollected(left);
  }

  @Test
  void aClosedInquiryLeavesNothing(FxRobot robot) {
    robot.interact(workbench::copyCurrent);
    List<WeakReference<?>> left = new ArrayList<>(visit(robot, workbench.currentProperty().get()));
    left.add(new WeakReference<>(workbench.currentProperty().get()));
    left.add(new WeakReference<>(workbench.currentProperty().get().answer()));
    int place = workbench.slips().indexOf(workbench.currentProperty().get());
    String name = workbench.currentProperty().get().inquiry().name();
    robot.interact(() -> workbench.close(workbench.currentProperty().get()));
    untilCollected(left);
    robot.interact(() -> workbench.history().undo());
    SlipViewModel back = workbench.slips().get(place);
    assertThat(back.inquiry().name()).isEqualTo(name);
    assertThat(back.jointProperty().get()).isEqualTo(Joint.WRITE_UP);
    until(() -> back.answer() != null);
  }
}
