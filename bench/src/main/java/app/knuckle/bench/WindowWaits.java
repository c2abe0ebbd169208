package app.knuckle.bench;

import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.window.KnuckleApp;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.study.prep.Missing;
import java.io.BufferedWriter;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.collections.FXCollections;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.CheckBox;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.robot.Robot;

/**
 * How long the window keeps its user waiting: a note is handed to the interface thread every few
 * milliseconds, and the time until it is read is the wait. The joints of the demo study are opened
 * one after the other; a table of a million rows by 20 columns is opened, scrolled, searched and
 * prepared. The baseline is the platform's own table with as many columns and nothing else.
 */
public final class WindowWaits extends WindowScript {

  private static final int ROWS = 1_000_000;
  private static final int COLUMNS = 20;
  private static final int LEVELS = 12;
  private static final int FRAME_MS = 16;
  private static final int SETTLED_MS = 3000;
  private static final int JOINT_SETTLED_MS = 700;
  private static final int PRACTISED_MS = 9000;
  private static final int TURNS = 120;

  private final PrintWriter out =
      new PrintWriter(new FileOutputStream(FileDescriptor.out), true, StandardCharsets.UTF_8);
  private final Waits waits = new Waits();

  /** Starts the application from a class that is none, as the class path needs it. */
  static final class Start {
    private Start() {}

    /**
     * Measures and prints.
     *
     * @param args none
     */
    public static void main(String[] args) {
      Application.launch(WindowWaits.class);
    }
  }

  @Override
  void script() {
    waits.setDaemon(true);
    waits.start();
    measure("the window at rest, at first", KnuckleApp::practise, PRACTISED_MS);
    demo();
    Path file = records();
    million(file);
    measure("the platform's own table", () -> stage.setScene(bare()), SETTLED_MS);
    turn("  scroll by the wheel", this::wheel);
    try {
      Files.delete(file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    Platform.exit();
  }

  private void demo() {
    measure("open the demo study", () -> workbench.open(DemoStudy.read()), SETTLED_MS);
    for (int s = 0; s < workbench.slips().size(); s++) {
      SlipViewModel slip = workbench.slips().get(s);
      measure("slip " + (s + 1), () -> workbench.currentProperty().set(slip), JOINT_SETTLED_MS);
      joints(slip);
    }
  }

  private void joints(SlipViewModel slip) {
    for (Joint joint : Joint.values()) {
      measure(
          "  " + joint.name().toLowerCase(Locale.ROOT),
          () -> slip.jointProperty().set(joint),
          JOINT_SETTLED_MS);
    }
    measure(
        "  another level of significance",
        () -> slip.inquiryProperty().set(slip.inquiry().at(0.01)),
        JOINT_SETTLED_MS);
  }

  private void million(Path file) {
    int slips = workbench.slips().size();
    measure(
        "open a million rows",
        () -> workbench.open(file),
        () -> workbench.slips().size() > slips && slip().answer() != null,
        SETTLED_MS);
    turn("  scroll by the wheel", this::wheel);
    turn("  scroll by pages", () -> key(KeyCode.PAGE_DOWN));
    turn("  walk down", () -> key(KeyCode.DOWN));
    turn("  walk aside", () -> key(KeyCode.RIGHT));
    measure("  find", () -> ((TextField) node("#find")).setText("17.5"), SETTLED_MS);
    measure("  only what was found", () -> ((CheckBox) node("#only-found")).fire(), SETTLED_MS);
    for (String value : List.of("17.5", "18.5")) {
      answered(
          "  a step of the trail",
          () -> slip().take(List.of(new Missing(List.of("c1"), List.of(value), false))));
    }
    answered("  undo", () -> workbench.history().undo());
    joints(slip());
  }

  private void answered(String what, Runnable action) {
    Object before = slip().answer();
    measure(what, action, () -> slip().answer() != before, SETTLED_MS);
  }

  /** The platform's own table, its cells plain texts. */
  private Scene bare() {
    TableView<Integer> table = new TableView<>();
    table.setFixedCellSize(32);
    for (int c = 0; c < COLUMNS; c++) {
      int column = c;
      TableColumn<Integer, String> one = new TableColumn<>("c" + c);
      one.setCellValueFactory(row -> new ReadOnlyStringWrapper(row.getValue() + "." + column));
      table.getColumns().add(one);
    }
    table.setItems(FXCollections.observableArrayList(IntStream.range(0, ROWS).boxed().toList()));
    table.setId("records-table");
    return new Scene(table, stage.getScene().getWidth(), stage.getScene().getHeight());
  }

  private void turn(String what, Runnable once) {
    inWindow(() -> node("#records-table").requestFocus());
    waits.begin();
    for (int i = 0; i < TURNS; i++) {
      inWindow(once);
      pause(FRAME_MS);
    }
    out.println(waits.said(what));
  }

  private void wheel() {
    Node table = node("#records-table");
    Bounds box = table.localToScreen(table.getBoundsInLocal());
    Robot robot = new Robot();
    robot.mouseMove(box.getCenterX(), box.getCenterY());
    robot.mouseWheel(3);
  }

  private static void key(KeyCode key) {
    Robot robot = new Robot();
    robot.keyPress(key);
    robot.keyRelease(key);
  }

  private Node node(String query) {
    return stage.getScene().lookup(query);
  }

  private SlipViewModel slip() {
    return workbench.currentProperty().get();
  }

  private void measure(String what, Runnable action, int settle) {
    measure(what, action, () -> true, settle);
  }

  private void measure(String what, Runnable action, BooleanSupplier done, int settle) {
    waits.begin();
    inWindow(action);
    until(done);
    pause(settle);
    out.println(waits.said(what));
  }

  private static Path records() {
    Random random = new Random(1);
    try {
      Path file = Files.createTempFile("knuckle-bench", ".csv");
      try (BufferedWriter to = Files.newBufferedWriter(file)) {
        to.write("c0");
        for (int c = 1; c < COLUMNS; c++) {
          to.write(",c" + c);
        }
        to.newLine();
        for (int r = 0; r < ROWS; r++) {
          to.write("g" + random.nextInt(LEVELS));
          for (int c = 1; c < COLUMNS; c++) {
            to.write("," + random.nextInt(10_000) / 100.0);
          }
          to.newLine();
        }
      }
      return file;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Hands notes to the interface thread, one at a time, and keeps how long they lay there. */
  private static final class Waits extends Thread {

    private static final int BETWEEN_MS = 4;
    private static final double FELT_MS = 50;

    private volatile double longest;
    private volatile int felt;
    private volatile boolean read = true;

    void begin() {
      longest = 0;
      felt = 0;
    }

    String said(String what) {
      return String.format(
          Locale.ROOT,
          "%-32s longest wait %6.1f ms, over %.0f ms: %d",
          what,
          longest,
          FELT_MS,
          felt);
    }

    @Override
    public void run() {
      while (true) {
        if (read) {
          read = false;
          long posted = System.nanoTime();
          Platform.runLater(
              () -> {
                double wait = (System.nanoTime() - posted) / 1e6;
                longest = Math.max(longest, wait);
                felt += wait > FELT_MS ? 1 : 0;
                read = true;
              });
        }
        pause(BETWEEN_MS);
      }
    }
  }
}
