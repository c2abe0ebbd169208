package app.knuckle.desktop.shell;

import app.knuckle.desktop.compare.CompareView;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.figure.FigureView;
import app.knuckle.desktop.layout.LayoutView;
import app.knuckle.desktop.look.LookView;
import app.knuckle.desktop.records.OpeningView;
import app.knuckle.desktop.records.RecordsView;
import app.knuckle.desktop.test.TestView;
import java.io.File;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.function.Function;
import javafx.beans.value.ChangeListener;
import javafx.collections.ListChangeListener;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/** The window: slips above, chain at the left, finding line below, the open joint in the middle. */
final class ShellView extends BorderPane {

  /** Every joint's view is registered here, and nowhere else. */
  private static final Map<Joint, Function<SlipViewModel, Node>> JOINTS =
      new EnumMap<>(Joint.class);

  static {
    JOINTS.put(Joint.RECORDS, RecordsView::new);
    JOINTS.put(Joint.LAYOUT, LayoutView::new);
    JOINTS.put(Joint.LOOK, LookView::new);
    JOINTS.put(Joint.TEST, TestView::new);
    JOINTS.put(Joint.COMPARE, CompareView::new);
    JOINTS.put(Joint.FIGURE, FigureView::new);
  }

  private static final KeyCombination OPEN =
      new KeyCodeCombination(KeyCode.O, KeyCombination.SHORTCUT_DOWN);
  private static final KeyCombination COPY_SLIP =
      new KeyCodeCombination(KeyCode.D, KeyCombination.SHORTCUT_DOWN);
  private static final KeyCombination NEXT_SLIP =
      new KeyCodeCombination(KeyCode.TAB, KeyCombination.SHORTCUT_DOWN);
  private static final KeyCombination LAST_SLIP =
      new KeyCodeCombination(KeyCode.TAB, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN);

  private final Workbench workbench;
  private final Map<SlipViewModel, Map<Joint, Node>> views = new HashMap<>();
  private final StackPane middle = new StackPane();
  private final SlipsBar slips;
  private final ChainView chain;
  private final FindingLineView line = new FindingLineView();
  private final ChangeListener<Object> changed = (o, before, now) -> show();
  private SlipViewModel shown;
  private OpeningView openingView;

  ShellView(Workbench workbench) {
    this.workbench = workbench;
    setId("shell");
    slips = new SlipsBar(workbench, this::chooseFile);
    chain = new ChainView(this::go);
    setTop(slips);
    setLeft(chain);
    setCenter(middle);
    setBottom(line);
    workbench.currentProperty().addListener((o, before, now) -> turnTo(now));
    workbench.openingProperty().addListener(changed);
    workbench
        .slips()
        .addListener(
            (ListChangeListener<SlipViewModel>)
                change -> views.keySet().retainAll(workbench.slips()));
    addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    setOnDragOver(
        event -> {
          if (event.getDragboard().hasFiles()) {
            event.acceptTransferModes(TransferMode.COPY);
          }
        });
    setOnDragDropped(
        event -> {
          event.getDragboard().getFiles().forEach(f -> workbench.open(f.toPath()));
          event.setDropCompleted(true);
        });
    turnTo(workbench.currentProperty().get());
  }

  private void turnTo(SlipViewModel slip) {
    if (shown != null) {
      shown.answerProperty().removeListener(changed);
      shown.jointProperty().removeListener(changed);
      shown.busyProperty().removeListener(changed);
    }
    shown = slip;
    if (slip != null) {
      slip.answerProperty().addListener(changed);
      slip.jointProperty().addListener(changed);
      slip.busyProperty().addListener(changed);
    }
    show();
  }

  private void show() {
    TableSource opening = workbench.openingProperty().get();
    if (opening != null) {
      if (openingView == null || openingView.source() != opening) {
        openingView = new OpeningView(opening, workbench::giveUpOpening);
      }
      middle.getChildren().setAll(openingView);
    } else if (shown == null) {
      middle.getChildren().setAll(welcome());
    } else {
      Node view =
          views
              .computeIfAbsent(shown, slip -> new EnumMap<>(Joint.class))
              .computeIfAbsent(
                  shown.jointProperty().get(), joint -> JOINTS.get(joint).apply(shown));
      if (!middle.getChildren().equals(java.util.List.of(view))) {
        middle.getChildren().setAll(view);
      }
    }
    chain.show(
        ChainPage.of(shown == null ? null : shown.answer()),
        shown == null ? null : shown.jointProperty().get());
    line.show(shown);
  }

  private VBox welcome() {
    Button open = new Button("Open records \u2026");
    open.getStyleClass().add("go");
    open.setOnAction(event -> chooseFile());
    Label title = Texts.line("What did you measure?", "joint-title");
    Label words =
        Texts.wrapped(
            "Drop a file of records here, or open one: .csv, .tsv, .txt or .xlsx, with a row for each"
                + " unit and a column for each thing you know of it.",
            "prose");
    VBox box = new VBox(title, words, open);
    box.setId("welcome");
    box.getStyleClass().addAll("joint", "welcome");
    return box;
  }

  private void go(Joint joint) {
    if (shown != null && ChainPage.of(shown.answer()).links().get(joint.ordinal()).opens()) {
      workbench.giveUpOpening();
      shown.jointProperty().set(joint);
    }
  }

  private void chooseFile() {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Open records");
    chooser
        .getExtensionFilters()
        .addAll(
            new FileChooser.ExtensionFilter("Records", "*.csv", "*.tsv", "*.txt", "*.xlsx"),
            new FileChooser.ExtensionFilter("All files", "*.*"));
    File file = chooser.showOpenDialog(getScene().getWindow());
    if (file != null) {
      workbench.open(file.toPath());
    }
  }

  private void key(KeyEvent event) {
    if (OPEN.match(event)) {
      chooseFile();
    } else if (COPY_SLIP.match(event)) {
      workbench.copyCurrent();
    } else if (NEXT_SLIP.match(event)) {
      workbench.step(1);
    } else if (LAST_SLIP.match(event)) {
      workbench.step(-1);
    } else if (event.isShortcutDown() && event.getCode().isDigitKey()) {
      int number = event.getCode().getName().charAt(event.getCode().getName().length() - 1) - '1';
      if (number >= 0 && number < Joint.values().length) {
        go(Joint.values()[number]);
      }
    } else {
      return;
    }
    event.consume();
  }
}
