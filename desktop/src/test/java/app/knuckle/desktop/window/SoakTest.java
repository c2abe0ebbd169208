package app.knuckle.desktop.window;

import static app.knuckle.desktop.window.Driver.until;
import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.keeping.Keeper;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.formats.keeping.StudyFile;
import app.knuckle.stats.Progress;
import app.knuckle.study.keeping.Study;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.api.FxToolkitContext;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/**
 * Round after round of pressing, saving, undoing to the beginning and opening again: no fault, and
 * nothing is left behind. {@code bench/soak MINUTES} does it for long.
 */
@ExtendWith(ApplicationExtension.class)
class SoakTest {

  private static final double MINUTES =
      Double.parseDouble(System.getProperty("knuckle.soak.minutes", "0"));
  private static final int ACTS = 60;

  /** Classes are loaded and caches filled in the first rounds. */
  private static final int WARM = 2;

  /** Pools of the toolkit and of the collector come and go by so many. */
  private static final int THREADS = 12;

  private static final int HANDLES = 30;

  /** Fewer rounds than this after the warm ones say nothing of what grows. */
  private static final int TELLING = 20;

  /** An hour at least is needed to see a slope of this many megabytes an hour. */
  private static final double SLOPE = 1;

  private static final double LONG = 60;
  private static final double GROWTH = 1.15;
  private static final double MEGABYTE = 1 << 20;
  private static final int COLLECTIONS = 4;

  /** Nothing was at work so many times, with all that waited for the window done in between. */
  private static final int STILL = 5;

  private static final int MOST_UNDONE = 2_000;

  @TempDir private Path folder;
  private final List<Throwable> broken = new CopyOnWriteArrayList<>();
  private final List<Round> rounds = new ArrayList<>();
  private Workbench workbench;
  private Keeper keeper;

  /** What is held after a round. */
  private record Round(double hours, double heap, int threads, int handles) {}

  @Start
  void start(Stage stage) throws IOException {
    System.setProperty("knuckle.state", folder.resolve("state").toString());
    workbench = Driver.show(stage);
    keeper = Driver.keeper(workbench);
    DialogAnswers.give(folder, Driver.rawTanks(folder));
    Thread.currentThread().setUncaughtExceptionHandler((thread, e) -> broken.add(e));
  }

  @AfterEach
  void giveTheDialogsBack() {
    DialogAnswers.stop();
  }

  @Test
  void roundAfterRoundNothingBreaksAndNothingIsLeftBehind(FxRobot robot) throws IOException {
    long seed = Long.getLong("knuckle.seed", 7);
    long begun = System.nanoTime();
    long end = begun + (long) (MINUTES * TimeUnit.MINUTES.toNanos(1));
    for (int i = 0; i <= WARM || System.nanoTime() < end; i++) {
      round(robot, new Random(seed + i), folder.resolve("round " + i + ".knuckle"));
      rest(robot);
      double hours = (System.nanoTime() - begun) / (double) TimeUnit.HOURS.toNanos(1);
      rounds.add(new Round(hours, heap(), Thread.getAllStackTraces().size(), handles()));
      Round last = rounds.get(i);
      System.out.printf(
          Locale.ROOT,
          "round %d, %.2f h: %.1f MB, %d threads, %d handles%n",
          i + 1,
          last.hours(),
          last.heap(),
          last.threads(),
          last.handles());
    }
    Round warm = rounds.get(WARM);
    Round last = rounds.get(rounds.size() - 1);
    assertThat(last.threads()).isLessThanOrEqualTo(warm.threads() + THREADS);
    assertThat(last.handles()).isLessThanOrEqualTo(warm.handles() + HANDLES);
    heapStaysFlat();
  }

  private void round(FxRobot robot, Random random, Path file) throws IOException {
    robot.interact(() -> workbench.open(DemoStudy.read()));
    RestlessHand hand = new RestlessHand(workbench, robot, random);
    try {
      hand.press(ACTS, broken::isEmpty);
    } catch (AssertionError e) {
      broken.add(new AssertionError("Under way: " + underWay(), e));
    }
    if (!broken.isEmpty()) {
      throw new AssertionError(String.join("\n", hand.done()), broken.get(0));
    }
    robot.interact(
        () -> {
          while (workbench.pageProperty().get() != null) {
            workbench.leavePage();
          }
          keeper.save(file, () -> {});
        });
    until(() -> !keeper.busyProperty().get());
    Study kept = StudyFile.read(file, Progress.NONE);
    robot.interact(
        () -> {
          for (int i = 0;
              i < MOST_UNDONE && !workbench.history().undoProperty().get().isEmpty();
              i++) {
            workbench.history().undo();
          }
          assertThat(workbench.history().undoProperty().get()).isEmpty();
        });
    robot.interact(() -> workbench.open(kept));
    until(() -> workbench.slips().size() == kept.asked().size());
    assertThat(broken).isEmpty();
    Files.delete(file);
  }

  /**
   * The demo study, answered, and nothing under way: what is held then is the same after each
   * round, whatever was done in it.
   */
  private void rest(FxRobot robot) {
    Study demo = DemoStudy.read();
    robot.interact(() -> workbench.open(demo));
    until(() -> workbench.slips().size() == demo.asked().size());
    until(() -> workbench.currentProperty().get().answer() != null);
    // What is at work hands its outcome to the window, which may set the next to work.
    for (int i = 0; i < STILL; i++) {
      until(() -> Thread.getAllStackTraces().values().stream().noneMatch(SoakTest::isAtWork));
    }
  }

  private static String underWay() {
    return Thread.getAllStackTraces().values().stream()
        .filter(SoakTest::isAtWork)
        .map(Arrays::toString)
        .collect(Collectors.joining("\n"));
  }

  private static boolean isAtWork(StackTraceElement[] stack) {
    return Arrays.stream(stack)
        .anyMatch(frame -> frame.getClassName().startsWith(Lane.class.getName()));
  }

  private static double heap() {
    // The harness remembers every event, and with it the views that it came to, until it is given
    // the stage once more.
    FxToolkitContext harness = FxToolkit.toolkitContext();
    harness.setRegisteredStage(harness.getRegisteredStage());
    for (int i = 0; i < COLLECTIONS; i++) {
      System.gc();
    }
    Runtime runtime = Runtime.getRuntime();
    return (runtime.totalMemory() - runtime.freeMemory()) / MEGABYTE;
  }

  /** Open files and sockets, where the system lists them. */
  private static int handles() throws IOException {
    Path own = Path.of("/proc/self/fd");
    if (!Files.isDirectory(own)) {
      return 0;
    }
    try (Stream<Path> all = Files.list(own)) {
      return (int) all.count();
    }
  }

  private void heapStaysFlat() {
    List<Round> told = rounds.subList(WARM, rounds.size());
    if (MINUTES >= LONG) {
      Round last = told.get(told.size() - 1);
      List<Round> hour = told.stream().filter(r -> r.hours() >= last.hours() - 1).toList();
      assertThat(slope(hour)).as("MB an hour").isLessThan(SLOPE);
    } else if (told.size() >= TELLING) {
      int third = told.size() / 3;
      double before = mean(told.subList(0, third), Round::heap);
      assertThat(mean(told.subList(told.size() - third, told.size()), Round::heap))
          .isLessThan(before * GROWTH);
    }
  }

  /**
   * The median of the slopes between any two rounds: pixels that the toolkit pools for a while do
   * not move it (Sen, P. K. 1968. Journal of the American Statistical Association 63, 1379-1389).
   */
  private static double slope(List<Round> all) {
    double[] slopes =
        IntStream.range(0, all.size())
            .boxed()
            .flatMapToDouble(
                i -> all.subList(0, i).stream().mapToDouble(before -> slope(before, all.get(i))))
            .sorted()
            .toArray();
    return slopes[slopes.length / 2];
  }

  private static double slope(Round before, Round after) {
    return (after.heap() - before.heap()) / (after.hours() - before.hours());
  }

  private static double mean(List<Round> all, ToDoubleFunction<Round> of) {
    return all.stream().mapToDouble(of).average().orElseThrow();
  }
}
