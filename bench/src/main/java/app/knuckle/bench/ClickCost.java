package app.knuckle.bench;

import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.UncheckedIOException;
import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Node;

/**
 * What a click costs the interface thread: another procedure and another level of significance, of
 * 100,000 rows in 60 cells, joint by joint. Told is the time that the processor spent on that
 * thread from the click until the window is at rest again, the median of 20 clicks, less what the
 * window costs at rest; the baseline is a frame in which the whole window is painted.
 */
public final class ClickCost extends WindowScript {

  private static final int ROWS = 100_000;
  private static final int[] LEVELS = {5, 4, 3};
  private static final int CLICKS = 20;
  private static final int PRACTISED_MS = 9000;
  private static final int SETTLED_MS = 400;
  private static final double FAINT = 0.99;
  private static final double NANOS_A_MS = 1e6;
  private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();

  private final PrintWriter out =
      new PrintWriter(new FileOutputStream(FileDescriptor.out), true, StandardCharsets.UTF_8);
  private long thread;

  /** Starts the application from a class that is none, as the class path needs it. */
  static final class Start {
    private Start() {}

    /**
     * Measures and prints.
     *
     * @param args none
     */
    public static void main(String[] args) {
      Application.launch(ClickCost.class);
    }
  }

  @Override
  void script() {
    inWindow(() -> thread = Thread.currentThread().getId());
    Path file = records();
    inWindow(() -> workbench.open(file));
    until(() -> !workbench.slips().isEmpty() && slip().answer() != null);
    inWindow(() -> slip().inquiryProperty().set(asked(Procedure.TUKEY)));
    pause(PRACTISED_MS);
    Node root = stage.getScene().getRoot();
    double frame = median(() -> root.setOpacity(root.getOpacity() < 1 ? 1 : FAINT));
    out.printf(Locale.ROOT, "a frame of the whole window  %.1f ms%n", frame);
    for (Joint joint : Joint.values()) {
      inWindow(() -> slip().jointProperty().set(joint));
      pause(SETTLED_MS);
      double rest = median(() -> {});
      String name = joint.name().toLowerCase(Locale.ROOT);
      tell(name + ": another procedure", median(this::otherProcedure) - rest, frame);
      tell(name + ": another level", median(this::otherLevel) - rest, frame);
    }
    try {
      Files.delete(file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    Platform.exit();
  }

  private void tell(String what, double ms, double frame) {
    out.printf(Locale.ROOT, "%-34s  %5.1f ms  %5.1f frames%n", what, ms, ms / frame);
  }

  private void otherProcedure() {
    boolean tukey = slip().inquiry().compare().get(0).procedure() == Procedure.TUKEY;
    slip().inquiryProperty().set(asked(tukey ? Procedure.HOLM : Procedure.TUKEY));
  }

  private void otherLevel() {
    slip()
        .inquiryProperty()
        .set(slip().inquiry().at(slip().inquiry().alpha() < 0.03 ? 0.05 : 0.01));
  }

  /** Milliseconds on the interface thread from an action until the window is at rest. */
  private double median(Runnable action) {
    double[] all = new double[CLICKS];
    for (int i = 0; i < CLICKS; i++) {
      long before = THREADS.getThreadCpuTime(thread);
      Object known = slip().answer();
      Inquiry asked = slip().inquiry();
      inWindow(action);
      until(() -> slip().inquiry().equals(asked) || slip().answer() != known);
      pause(SETTLED_MS);
      all[i] = (THREADS.getThreadCpuTime(thread) - before) / NANOS_A_MS;
    }
    Arrays.sort(all);
    return all[CLICKS / 2];
  }

  private SlipViewModel slip() {
    return workbench.currentProperty().get();
  }

  private static Inquiry asked(Procedure procedure) {
    List<String> cells = List.of("a", "b", "c");
    return Inquiry.about("y", "a")
        .but(
            d -> {
              d.give(Part.TREATMENT, cells);
              d.compare = List.of(Compare.pairs(cells, procedure));
            });
  }

  private static Path records() {
    Random random = new Random(1);
    List<String> lines = new ArrayList<>(List.of("a,b,c,y"));
    for (int row = 0; row < ROWS; row++) {
      StringBuilder line = new StringBuilder();
      for (int levels : LEVELS) {
        line.append((char) ('p' + random.nextInt(levels))).append(',');
      }
      lines.add(line.append(Math.round(1000 * (10 + random.nextGaussian())) / 1000.0).toString());
    }
    try {
      Path file = Files.createTempFile("knuckle-bench", ".csv");
      Files.write(file, lines);
      return file;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
