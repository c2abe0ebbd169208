package app.knuckle.desktop.window;

import app.knuckle.desktop.controls.Carried;
import app.knuckle.desktop.controls.FileDialogs;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.desktop.writeup.StudyDocument;
import app.knuckle.figures.export.FigureFile;
import app.knuckle.formats.documents.ReportFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.beans.value.ChangeListener;
import javafx.collections.ListChangeListener;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.IndexRange;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/** All inquiries of the study: their findings by table, and what can be done with each. */
final class InquiriesView extends VBox {

  private static final double DESIGN_WIDTH = 190;
  private static final double NAME_WIDTH = 240;

  private final Workbench workbench;
  private final Consumer<String> said;
  private final TextField filter = new TextField();
  private final MenuButton closed = new MenuButton("Bring back");
  private final VBox list = new VBox();
  private final List<Button> rows = new ArrayList<>();
  private final StudyDocument document = new StudyDocument();
  private final CheckBox asTable = new CheckBox("As a table");
  private final Label note = Texts.line("", "joint-line");
  private final List<SlipViewModel> heard = new ArrayList<>();
  private final ChangeListener<Object> changed = (o, before, now) -> show();
  private final ListChangeListener<Object> listChanged = change -> listen();
  private final TextField newName = new TextField();

  /** Whose name is being written anew; null for none. */
  private SlipViewModel renamed;

  /**
   * The list.
   *
   * @param workbench what is open
   * @param said told in a sentence how the study stands
   */
  InquiriesView(Workbench workbench, Consumer<String> said) {
    this.workbench = workbench;
    this.said = said;
    setId("inquiries");
    getStyleClass().add("joint");
    filter.setId("inquiries-filter");
    filter.setPromptText("Filter by table, name, design or finding");
    filter.setPrefColumnCount(24);
    filter.textProperty().addListener((o, before, now) -> show());
    Region between = new Region();
    HBox.setHgrow(between, Priority.ALWAYS);
    HBox head =
        new HBox(
            Texts.line("All inquiries", "joint-title"), between, closed, asTable, away(), filter);
    asTable.setId("inquiries-as-table");
    Texts.hint(asTable, "Responses down, effects across");
    asTable.setOnAction(event -> show());
    closed.setId("inquiries-closed");
    closed.getStyleClass().add("bar-button");
    Texts.hint(closed, "Inquiries closed lately");
    head.getStyleClass().add("inquiries-head");
    ScrollPane scroll = new ScrollPane(list);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("table-scroll");
    VBox.setVgrow(scroll, Priority.ALWAYS);
    getChildren().addAll(head, writing(), scroll);
    newName.setId("inquiry-rename");
    newName.setAccessibleText("New name of the inquiry");
    newName.setMinWidth(NAME_WIDTH);
    newName.setMaxWidth(NAME_WIDTH);
    newName.setOnAction(
        event -> {
          workbench.rename(renamed, newName.getText());
          endRenaming();
        });
    newName.setOnKeyPressed(
        event -> {
          if (event.getCode() == KeyCode.ESCAPE) {
            endRenaming();
            event.consume();
          }
        });
    addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    workbench.slips().addListener(listChanged);
    // The page is made anew each time; what it listens to must not keep the old one.
    sceneProperty()
        .addListener(
            (o, before, now) -> {
              if (now == null) {
                workbench.slips().removeListener(listChanged);
                leaveSlips();
              } else {
                filter.requestFocus();
              }
            });
    listen();
  }

  /** One document of those that are ticked. */
  private MenuButton away() {
    MenuButton away = new MenuButton("One document");
    away.setId("inquiries-document");
    away.getStyleClass().add("bar-button");
    Texts.hint(away, "A document of all inquiries that are ticked, in this order");
    for (ReportFile kind : ReportFile.values()) {
      MenuItem item = new MenuItem(kind.title());
      item.setId("document-" + kind.ending());
      item.setOnAction(event -> write(kind));
      away.getItems().add(item);
    }
    CheckMenuItem panels = new CheckMenuItem("Figures as panels of one");
    panels.setId("document-panels");
    panels.setOnAction(
        event -> StudyDocument.panels(List.copyOf(workbench.slips()), panels.isSelected()));
    away.getItems().addAll(new SeparatorMenuItem(), panels);
    away.setOnShowing(event -> panels.setSelected(StudyDocument.isOfPanels(workbench.slips())));
    return away;
  }

  private HBox writing() {
    note.setId("document-note");
    ProgressBar bar = new ProgressBar();
    bar.progressProperty().bind(document.progressProperty());
    Button stop = new Button("Stop");
    stop.getStyleClass().add("small-button");
    stop.setOnAction(
        event -> {
          document.cancel();
          note.setText("Stopped; nothing was written.");
        });
    for (Node node : List.of(bar, stop)) {
      node.visibleProperty().bind(document.busyProperty());
      node.managedProperty().bind(document.busyProperty());
    }
    HBox line = new HBox(note, bar, stop);
    line.getStyleClass().add("inquiries-head");
    line.managedProperty().bind(note.textProperty().isNotEmpty());
    return line;
  }

  private void write(ReportFile kind) {
    String title = workbench.nameProperty().get();
    FileChooser chooser = new FileChooser();
    chooser.setTitle("One document of the study");
    chooser.setInitialFileName(FigureFile.safeName(title) + "." + kind.ending());
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter(kind.title(), "*." + kind.ending()));
    FileDialogs.shown()
        .save(chooser, getScene().getWindow())
        .ifPresent(file -> write(title, kind, file.toPath()));
  }

  private void write(String title, ReportFile kind, Path target) {
    FileDialogs.write(
        getScene().getWindow(),
        note::setText,
        (replace, refused) ->
            document.write(
                title,
                List.copyOf(workbench.slips()),
                List.copyOf(workbench.reckonings().all()),
                kind,
                target,
                replace,
                note::setText,
                refused));
  }

  private void leaveSlips() {
    for (SlipViewModel slip : heard) {
      slip.answerProperty().removeListener(changed);
      slip.inquiryProperty().removeListener(changed);
    }
    heard.clear();
  }

  private void listen() {
    leaveSlips();
    for (SlipViewModel slip : workbench.slips()) {
      slip.answerProperty().addListener(changed);
      slip.inquiryProperty().addListener(changed);
      heard.add(slip);
    }
    show();
  }

  private void show() {
    List<InquiriesPage.Asked> all = new ArrayList<>();
    for (SlipViewModel slip : workbench.slips()) {
      all.add(
          new InquiriesPage.Asked(
              all.size(), slip.source().name(), slip.inquiry().name(), slip.answer()));
    }
    InquiriesPage page = InquiriesPage.of(all, filter.getText());
    int focused = focused();
    boolean writing = newName.isFocused();
    IndexRange selected = newName.getSelection();
    rows.clear();
    list.getChildren().clear();
    for (InquiriesPage.OfTable table : page.tables()) {
      list.getChildren().add(Texts.line(table.table(), "inquiries-table"));
      if (asTable.isSelected()) {
        list.getChildren().add(effects(table, all));
      } else {
        table.rows().forEach(row -> list.getChildren().add(row(row)));
      }
    }
    if (page.tables().isEmpty()) {
      list.getChildren().add(Texts.wrapped("No inquiry has these words.", "joint-line"));
    }
    if (focused >= 0 && focused < rows.size()) {
      rows.get(focused).requestFocus();
    }
    if (writing && renamed != null) {
      // An answer came meanwhile: the writing goes on where it was.
      newName.requestFocus();
      newName.selectRange(selected.getStart(), selected.getEnd());
    }
    showClosed();
    said.accept(page.summary());
  }

  /** The inquiries of a table as one table: a row opens its inquiry. */
  private ScrollPane effects(InquiriesPage.OfTable table, List<InquiriesPage.Asked> all) {
    EffectsTable effects =
        EffectsTable.of(table.rows().stream().map(row -> all.get(row.place())).toList());
    List<String> heads = new ArrayList<>(List.of("inquiry"));
    effects.effects().forEach(effect -> heads.add("p of " + effect));
    heads.add("largest mean");
    TextGrid grid = new TextGrid(heads, 1);
    for (EffectsTable.Row row : effects.rows()) {
      Button name = new Button(row.name());
      name.setId("effects-" + row.place());
      name.setMnemonicParsing(false);
      name.getStyleClass().add("inquiry-name");
      name.setOnAction(event -> workbench.turnTo(workbench.slips().get(row.place())));
      List<Node> cells = new ArrayList<>(List.of(name));
      for (int i = 0; i < row.cells().size(); i++) {
        cells.add(
            Texts.line(row.cells().get(i), row.found().get(i) ? "effect-found" : "prose-small"));
      }
      cells.add(Texts.line(row.largest(), "prose-small"));
      grid.addNodes(cells, "text-grid-row");
    }
    return grid.withinPage();
  }

  private int focused() {
    for (int r = 0; r < rows.size(); r++) {
      if (rows.get(r).isFocused()) {
        return r;
      }
    }
    return -1;
  }

  private HBox row(InquiriesPage.Row row) {
    SlipViewModel slip = workbench.slips().get(row.place());
    Region knot = new Region();
    knot.getStyleClass().addAll("knot", "state-" + row.state().name().toLowerCase(Locale.ROOT));
    Button name = new Button(row.name());
    name.setId("inquiry-" + row.place());
    name.setMnemonicParsing(false);
    name.getStyleClass().add("inquiry-name");
    name.setMinWidth(NAME_WIDTH);
    name.setMaxWidth(NAME_WIDTH);
    Texts.hint(name, row.name() + ": " + row.state().words());
    name.setAccessibleText(row.name() + ", " + row.state().words() + ", " + row.finding());
    name.setUserData(slip);
    name.setOnAction(event -> workbench.turnTo(slip));
    rows.add(name);
    Label design = Texts.wrapped(row.design(), "inquiry-design");
    design.setMinWidth(DESIGN_WIDTH);
    design.setMaxWidth(DESIGN_WIDTH);
    Label finding = Texts.wrapped(row.finding(), "inquiry-finding");
    finding.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(finding, Priority.ALWAYS);
    CheckBox chosen = new CheckBox();
    chosen.setId("inquiry-chosen-" + row.place());
    chosen.setAccessibleText(row.name() + ", in the document of the study");
    Texts.hint(chosen, "In the document of the study");
    chosen.setSelected(StudyDocument.settings(slip).chosen());
    chosen.setOnAction(event -> StudyDocument.choose(slip, chosen.isSelected()));
    HBox line =
        new HBox(
            chosen,
            knot,
            slip == renamed ? newName : name,
            design,
            finding,
            moves(slip, row.place()));
    line.getStyleClass().add("inquiry-row");
    line.pseudoClassStateChanged(
        PseudoClass.getPseudoClass("current"), workbench.currentProperty().get() == slip);
    Carried.from(line, String.valueOf(row.place()));
    Carried.onto(
        line, from -> workbench.move(workbench.slips().get(Integer.parseInt(from)), row.place()));
    return line;
  }

  private MenuButton moves(SlipViewModel slip, int place) {
    MenuButton moves = new MenuButton("More");
    moves.setId("inquiry-moves-" + place);
    moves.getStyleClass().addAll("small-button", "inquiry-moves");
    moves.setMinWidth(Region.USE_PREF_SIZE);
    moves.setAccessibleText("What can be done with " + slip.inquiry().name());
    moves
        .getItems()
        .addAll(
            item("Open", "Enter", () -> workbench.turnTo(slip)),
            item("Rename", "F2", () -> rename(slip)),
            item("Copy, to be changed", "Ctrl D", () -> workbench.copy(slip)),
            item("Move up", "Alt Up", () -> workbench.move(slip, place - 1)),
            item("Move down", "Alt Down", () -> workbench.move(slip, place + 1)),
            item("Close", "Delete", () -> workbench.close(slip)));
    return moves;
  }

  private static MenuItem item(String title, String key, Runnable action) {
    MenuItem item = new MenuItem(title);
    item.setGraphic(Texts.line(key, "key-hint"));
    item.setOnAction(event -> action.run());
    return item;
  }

  private void showClosed() {
    closed.setVisible(!workbench.closed().isEmpty());
    closed.setManaged(closed.isVisible());
    closed.getItems().clear();
    for (Workbench.Closed one : workbench.closed()) {
      MenuItem back = new MenuItem(one.name() + ", of " + one.table());
      back.setMnemonicParsing(false);
      back.setOnAction(event -> workbench.bringBack(one));
      closed.getItems().add(back);
    }
  }

  /** The name becomes a field in its place; Enter keeps what is written, Escape the old name. */
  private void rename(SlipViewModel slip) {
    if (renamed != slip) {
      renamed = slip;
      newName.setText(slip.inquiry().name());
      show();
    }
    newName.requestFocus();
    newName.selectAll();
  }

  private void endRenaming() {
    SlipViewModel slip = renamed;
    renamed = null;
    show();
    focus(slip);
  }

  private void key(KeyEvent event) {
    boolean writing = event.getTarget() instanceof TextField;
    boolean inFilter = event.getTarget() == filter;
    int at = focused();
    KeyCode code = event.getCode();
    if (event.isAltDown() && at >= 0 && (code == KeyCode.UP || code == KeyCode.DOWN)) {
      move(at, code == KeyCode.UP ? -1 : 1);
    } else if ((!writing || inFilter) && code == KeyCode.DOWN) {
      focus(at + 1);
    } else if (!writing && code == KeyCode.UP) {
      if (at == 0) {
        filter.requestFocus();
      } else {
        focus(at - 1);
      }
    } else if (inFilter && code == KeyCode.ENTER && !rows.isEmpty()) {
      rows.get(0).fire();
    } else if (code == KeyCode.ESCAPE && (!writing || inFilter)) {
      workbench.leavePage();
    } else if (at >= 0 && code == KeyCode.D && event.isShortcutDown()) {
      workbench.copy(slip(at));
    } else if (at >= 0 && code == KeyCode.F2) {
      rename(slip(at));
    } else if (at >= 0 && code == KeyCode.DELETE) {
      workbench.close(slip(at));
    } else {
      return;
    }
    event.consume();
  }

  private SlipViewModel slip(int row) {
    return (SlipViewModel) rows.get(row).getUserData();
  }

  /** An inquiry may no longer be shown once its name is another. */
  private void focus(SlipViewModel slip) {
    rows.stream()
        .filter(button -> button.getUserData() == slip)
        .findFirst()
        .ifPresentOrElse(Node::requestFocus, filter::requestFocus);
  }

  private void focus(int row) {
    if (row >= 0 && row < rows.size()) {
      rows.get(row).requestFocus();
    }
  }

  private void move(int row, int by) {
    SlipViewModel slip = slip(row);
    workbench.move(slip, workbench.slips().indexOf(slip) + by);
    focus(slip);
  }
}
