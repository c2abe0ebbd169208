package app.knuckle.bench;

import app.knuckle.desktop.shell.KnuckleApp;
import app.knuckle.desktop.shell.SlipViewModel;
import app.knuckle.desktop.shell.Workbench;
import app.knuckle.study.prep.Missing;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.BooleanSupplier;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.robot.Robot;
import javafx.stage.Stage;

/**
 * How long the window keeps its user waiting while a table of a million rows by 20 is opened, scrolled,
 * filtered and prepared: a note is handed to the interface thread every few milliseconds, and the
 * time until it is read is the wait.
 */
public final class WindowWaits extends Application {

  private static final int ROWS = Integer.getInteger("rows", 1_000_000);
  private static final int COLUMNS = 20;
  private static final int LEVELS = 12;
  private static final int BETWEEN_NOTES_MS = 4;
  private static final double FELT_MS = Double.parseDouble(System.getProperty("felt", "50"));

  private final Waits waits = new Waits();
  private Workbench workbench;
  private Stage stage;

  public static void main(String[] args) {
    launch(args);
  }

  @Override
  public void start(Stage shown) {
    stage = shown;
    workbench = new Workbench();
    stage.setScene(KnuckleApp.scene(workbench));
    stage.show();
    stage.requestFocus();
    Thread script =
        new Thread(
            () -> {
              try {
                script();
              } catch (Throwable e) {
                e.printStackTrace();
              }
              System.exit(0);
            });
    script.start();
  }

  private void joints() {
    later(() -> workbench.open(app.knuckle.desktop.demo.DemoStudy.read()));
    waits.start();
    measure("practice", () -> { try { var m = Class.forName("app.knuckle.desktop.shell.Practice").getDeclaredMethod("begin"); m.setAccessible(true); m.invoke(null);} catch (Exception e) { e.printStackTrace(); } }, () -> true, Integer.getInteger("settle", 9000));
    sleep(4000);
    for (int round = 0; round < 3; round++) {
      for (int s = 1; s < 4; s++) {
        int slip = s;
        measure("slip " + s, () -> workbench.currentProperty().set(workbench.slips().get(slip)), () -> slip().answer() != null, 500);
        for (app.knuckle.desktop.shell.Joint j : app.knuckle.desktop.shell.Joint.values()) {
          measure("  " + j, () -> slip().jointProperty().set(j), () -> true, 700);
        }
        Object before = slip().answer();
        measure("  alpha", () -> slip().inquiryProperty().set(slip().inquiry().at(0.01)), () -> slip().answer() != before, 500);
        Object then = slip().answer();
        measure("  undo", () -> workbench.history().undo(), () -> slip().answer() != then, 500);
      }
    }
  }

  private void script() throws Exception {
    if (Boolean.getBoolean("joints")) {
      joints();
      return;
    }
    Path file = records();
    waits.start();
    measure("practice", () -> { try { var m = Class.forName("app.knuckle.desktop.shell.Practice").getDeclaredMethod("begin"); m.setAccessible(true); m.invoke(null);} catch (Exception e) { e.printStackTrace(); } }, () -> true, Integer.getInteger("settle", 9000));
    measure("nothing", () -> {}, () -> true, 2000);
    measure("open", () -> workbench.open(file), () -> slip() != null && slip().answer() != null, 3000);
    measure("scroll by wheel", () -> wheel(120), () -> true, 300);
    measure("scroll by page", () -> keys(60, KeyCode.PAGE_DOWN), () -> true, 300);
    measure("scroll by arrows", () -> keys(60, KeyCode.DOWN), () -> true, 300);
    measure("scroll aside", () -> keys(20, KeyCode.RIGHT), () -> true, 300);
    measure("find", () -> ((TextField) node("#find")).setText("17.5"), () -> true, 4000);
    measure("only found", () -> ((CheckBox) node("#only-found")).fire(), () -> true, 4000);
    measure("find no more", () -> { ((TextField) node("#find")).setText(""); ((CheckBox) node("#only-found")).fire(); }, () -> true, 4000);
    for (int i = 0; i < 2; i++) {
      Object before = slip().answer();
      String value = i == 0 ? "17.5" : "18.5";
      measure(
          "a step",
          () -> slip().take(List.of(new Missing(List.of("c1"), List.of(value), false))),
          () -> slip().answer() != before,
          3000);
    }
    Object before = slip().answer();
    measure("undo", () -> workbench.history().undo(), () -> slip().answer() != before, 3000);
    Files.delete(file);
  }

  private Node node(String query) {
    return stage.getScene().lookup(query);
  }

  private SlipViewModel slip() {
    return workbench.currentProperty().get();
  }

  private void wheel(int times) {
    later(() -> {
      Node t = node("#records-table");
      javafx.geometry.Bounds b = t.localToScreen(t.getBoundsInLocal());
      new Robot().mouseMove(b.getCenterX(), b.getCenterY());
    });
    for (int i = 0; i < times; i++) {
      later(() -> new Robot().mouseWheel(3));
      sleep(16);
    }
  }

  private void keys(int times, KeyCode key) {
    later(() -> node("#records-table").requestFocus());
    for (int i = 0; i < times; i++) {
      later(() -> { Robot r = new Robot(); r.keyPress(key); r.keyRelease(key); });
      sleep(16);
    }
  }

  private static void sleep(long ms) {
    try {
      Thread.sleep(ms);
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }

  private static void later(Runnable action) {
    CountDownLatch done = new CountDownLatch(1);
    Platform.runLater(() -> { action.run(); done.countDown(); });
    try {
      done.await(60, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }

  private void measure(String what, Runnable action, BooleanSupplier done, long settle) {
    waits.begin();
    long from = System.nanoTime();
    if (what.startsWith("scroll")) {
      action.run();
    } else {
      later(action);
    }
    while (!done.getAsBoolean()) {
      sleep(5);
    }
    long took = (System.nanoTime() - from) / 1_000_000;
    sleep(settle);
    waits.end(what, took);
  }

  private static final class Waits extends Thread {
    private volatile double longest;
    private volatile int felt;
    private volatile long posted;
    private volatile boolean read = true;
    private Thread fx;
    private final java.util.List<String> sampled = java.util.Collections.synchronizedList(new java.util.ArrayList<>());

    Waits() {
      setDaemon(true);
    }

    void begin() { longest = 0; felt = 0; all.clear(); }

    private final java.util.List<Double> all = java.util.Collections.synchronizedList(new java.util.ArrayList<>());

    void end(String what, long took) {
      System.out.printf("%-20s took %6d ms, longest wait %7.1f ms, felt %d: %s%n", what, took, longest, felt, new java.util.ArrayList<>(all).stream().filter(d -> d > FELT_MS).map(d -> String.format("%.0f", d)).toList());
    }

    @Override
    public void run() {
      Platform.runLater(() -> fx = Thread.currentThread());
      boolean stacks = Boolean.getBoolean("stacks");
      boolean told = false;
      while (true) {
        if (read) {
          read = false;
          told = false;
          posted = System.nanoTime();
          Platform.runLater(() -> {
            double ms = (System.nanoTime() - posted) / 1e6;
            longest = Math.max(longest, ms);
            if (ms > FELT_MS) { felt++; if (Boolean.getBoolean("stacks")) { System.out.println("== " + ms); synchronized (sampled) { sampled.forEach(x -> System.out.println("    " + x)); } } }
            sampled.clear();
            all.add(ms);
            read = true;
          });
        } else if (stacks) {
          StringBuilder b = new StringBuilder();
          int n = 0;
          for (StackTraceElement e : fx.getStackTrace()) {
            String c = e.getClassName();
            if (c.startsWith("app.knuckle") || e.getMethodName().matches("doCSSPass|doLayoutPass|pulse|layoutChildren|createDefaultSkin") || n == 0) {
              b.append(c.substring(c.lastIndexOf('.') + 1)).append('.').append(e.getMethodName()).append(':').append(e.getLineNumber()).append(" < ");
            }
            n++;
          }
          sampled.add(b.length() > 400 ? b.substring(0, 400) : b.toString());
        }
        WindowWaits.sleep(BETWEEN_NOTES_MS);
      }
    }
  }

  private static Path records() throws IOException {
    Path file = Path.of("/tmp/w/million-" + ROWS + ".csv");
    if (Files.exists(file)) { Path c = Path.of("/tmp/w/m2.csv"); Files.copy(file, c, java.nio.file.StandardCopyOption.REPLACE_EXISTING); return c; }
    Random random = new Random(1);
    try (BufferedWriter out = Files.newBufferedWriter(file)) {
      for (int c = 0; c < COLUMNS; c++) {
        out.write((c == 0 ? "" : ",") + "c" + c);
      }
      out.newLine();
      for (int r = 0; r < ROWS; r++) {
        for (int c = 0; c < COLUMNS; c++) {
          out.write(c == 0 ? "g" + random.nextInt(LEVELS) : "," + random.nextInt(10_000) / 100.0);
        }
        out.newLine();
      }
    }
    Path c = Path.of("/tmp/w/m2.csv"); Files.copy(file, c, java.nio.file.StandardCopyOption.REPLACE_EXISTING); return c;
  }
}
