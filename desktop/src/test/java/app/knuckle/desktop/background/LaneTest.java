package app.knuckle.desktop.background;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;
import javafx.application.Platform;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.util.WaitForAsyncUtils;

@ExtendWith(ApplicationExtension.class)
class LaneTest {

  private final List<String> told = Collections.synchronizedList(new ArrayList<>());

  private void until(java.util.function.BooleanSupplier holds) throws Exception {
    WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, holds::getAsBoolean);
  }

  @Test
  void resultsArriveOnTheInterfaceThread(FxRobot robot) throws Exception {
    Lane lane = Lane.ofLatest();
    AtomicBoolean beside = new AtomicBoolean();
    robot.interact(
        () ->
            lane.run(
                progress -> {
                  beside.set(!Platform.isFxApplicationThread());
                  return "done";
                },
                result -> told.add(result + " " + Platform.isFxApplicationThread())));
    until(() -> !told.isEmpty());
    assertThat(told).containsExactly("done true");
    assertThat(beside).isTrue();
    assertThat(lane.isBusy()).isFalse();
  }

  @Test
  void whatIsAskedLaterOvertakesWhatIsStillRunning(FxRobot robot) throws Exception {
    Lane lane = Lane.ofLatest();
    CountDownLatch started = new CountDownLatch(1);
    AtomicBoolean stopped = new AtomicBoolean();
    robot.interact(
        () ->
            lane.run(
                progress -> {
                  started.countDown();
                  while (!progress.stopped()) {
                    Thread.onSpinWait();
                  }
                  stopped.set(true);
                  return "first";
                },
                told::add));
    assertThat(started.await(20, TimeUnit.SECONDS)).isTrue();
    robot.interact(() -> lane.run(progress -> "second", told::add));
    until(() -> stopped.get() && !told.isEmpty());
    WaitForAsyncUtils.waitForFxEvents();
    assertThat(told).containsExactly("second");
  }

  @Test
  void inTurnNothingIsLost(FxRobot robot) throws Exception {
    Lane lane = Lane.inTurn();
    robot.interact(
        () -> {
          for (int i = 0; i < 20; i++) {
            String name = "" + i;
            lane.run(progress -> name, told::add);
          }
        });
    until(() -> told.size() == 20);
    for (int i = 0; i < 20; i++) {
      assertThat(told.get(i)).isEqualTo("" + i);
    }
    until(() -> !lane.isBusy());
  }

  @Test
  void whatIsCancelledIsNeverHeardOfAgain(FxRobot robot) throws Exception {
    Lane lane = Lane.ofLatest();
    CountDownLatch go = new CountDownLatch(1);
    CountDownLatch gone = new CountDownLatch(1);
    robot.interact(
        () ->
            lane.run(
                progress -> {
                  boolean quiet = false;
                  while (!quiet) {
                    quiet = progress.stopped() && go.getCount() == 0;
                  }
                  gone.countDown();
                  return "late";
                },
                told::add));
    robot.interact(lane::cancel);
    assertThat(lane.isBusy()).isFalse();
    go.countDown();
    assertThat(gone.await(20, TimeUnit.SECONDS)).isTrue();
    WaitForAsyncUtils.waitForFxEvents();
    assertThat(told).isEmpty();
  }

  @Test
  void aRefusalIsToldApartFromAFault(FxRobot robot) throws Exception {
    Lane lane = Lane.inTurn();
    Refused refused = Refused.at(new Place.WholeFile("racks"), "it is wet", "Dry it");
    robot.interact(
        () ->
            lane.<String>run(
                progress -> {
                  throw refused;
                },
                told::add,
                e -> told.add(e.refusal().words())));
    until(() -> !told.isEmpty());
    assertThat(told.get(0)).contains("it is wet");
    AtomicReference<Throwable> fault = new AtomicReference<>();
    robot.interact(
        () -> {
          Thread.currentThread().setUncaughtExceptionHandler((thread, e) -> fault.set(e));
          lane.<String>run(
              progress -> {
                throw new ArithmeticException("broken");
              },
              told::add);
        });
    until(() -> fault.get() != null);
    robot.interact(() -> Thread.currentThread().setUncaughtExceptionHandler(null));
    assertThat(fault.get()).hasRootCauseMessage("broken");
    assertThat(lane.isBusy()).isFalse();
  }

  @Test
  void howFarItIsCanBeSeen(FxRobot robot) throws Exception {
    Lane lane = Lane.ofLatest();
    CountDownLatch seen = new CountDownLatch(1);
    robot.interact(
        () ->
            lane.run(
                progress -> {
                  progress.done(0.25);
                  while (seen.getCount() > 0 && !progress.stopped()) {
                    Thread.onSpinWait();
                  }
                  return "done";
                },
                told::add));
    until(() -> lane.progressProperty().get() == 0.25);
    seen.countDown();
    until(() -> !told.isEmpty());
  }
}
