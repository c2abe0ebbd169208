package app.knuckle.desktop.window;

import app.knuckle.desktop.controls.Pulses;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.keeping.Keeper;
import app.knuckle.desktop.workbench.Page;
import app.knuckle.desktop.workbench.PlanSlip;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.TableSource;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.study.reckon.Reckoning;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.application.Platform;
import javafx.beans.binding.Bindings;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.collections.ListChangeListener;
import javafx.css.PseudoClass;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/**
 * The bar above: the study's name, its tables, the current one opened to a slip for every inquiry,
 * and the way to more records.
 */
final class SlipsBar extends HBox {

  private static final PseudoClass CURRENT = PseudoClass.getPseudoClass("current");

  /** A longer name is shortened on its slip; the pointer and the list of all say it whole. */
  private static final double MOST_WIDE = 200;

  private static final double MOST_WIDE_BEHIND = 136;

  private final Workbench workbench;
  private final ScrollPane scroll = new ScrollPane();
  private final HBox slips = new HBox();
  private final Button more = new Button("+");
  private final Button all = new Button("All");
  private final Pulses pulses = new Pulses();
  private final Runnable reveal = this::reveal;
  private Node front;

  /** Something changed that the bar does not show yet. */
  private boolean due;

  SlipsBar(Workbench workbench, Keeper keeper, StudyMenu menu, Runnable again, Runnable find) {
    this.workbench = workbench;
    setId("slips-bar");
    getStyleClass().add("slips-bar");
    Label name = Texts.line("", "study-name");
    name.textProperty()
        .bind(
            Bindings.when(keeper.unsavedProperty())
                .then(workbench.nameProperty().concat(", not saved"))
                .otherwise(workbench.nameProperty()));
    name.setMinWidth(USE_PREF_SIZE);
    name.setGraphic(new Region());
    name.getGraphic().getStyleClass().add("study-mark");
    slips.getStyleClass().add("slips");
    scroll.setContent(slips);
    scroll.getStyleClass().add("slips-scroll");
    scroll.setFitToHeight(true);
    scroll.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    Region rest = new Region();
    HBox.setHgrow(rest, Priority.ALWAYS);
    // Slips take the room they need and give way before what stands at the right.
    scroll.setMinWidth(0);
    scroll.addEventFilter(ScrollEvent.SCROLL, this::wheel);
    more.setId("copy-slip");
    more.getStyleClass().addAll("slip", "slip-more");
    more.setMinWidth(USE_PREF_SIZE);
    more.setAccessibleText("Ask again, changed");
    Texts.hint(more, "Ask again, changed in one thing, beside this inquiry (Ctrl D)");
    more.setOnAction(event -> again.run());
    keyed(all, "all-inquiries", "Ctrl L", "All inquiries of the study");
    all.setOnAction(event -> workbench.show(new Page.Inquiries()));
    Button seek = new Button("Find");
    keyed(seek, "find-move", "Ctrl K", "Find a move: a method, a step, a picture, a place");
    seek.setOnAction(event -> find.run());
    Button undo = history("undo", "Undo", "Ctrl Z", workbench.history().undoProperty());
    undo.setOnAction(event -> workbench.history().undo());
    Button redo = history("redo", "Redo", "Ctrl Y", workbench.history().redoProperty());
    redo.setOnAction(event -> workbench.history().redo());
    getChildren().addAll(name, scroll, more, rest, all, seek, undo, redo, menu);
    workbench.slips().addListener((ListChangeListener<SlipViewModel>) change -> showSoon());
    workbench.currentProperty().addListener((o, before, now) -> showSoon());
    workbench.plans().all().addListener((ListChangeListener<PlanSlip>) change -> showSoon());
    workbench.reckonings().all().addListener((ListChangeListener<Reckoning>) change -> showSoon());
    workbench.pageProperty().addListener((o, before, now) -> showSoon());
    show();
  }

  private static void keyed(Button button, String id, String keys, String purpose) {
    button.setId(id);
    button.getStyleClass().add("bar-button");
    button.setMinWidth(USE_PREF_SIZE);
    button.setGraphic(Texts.line(keys, "key-hint"));
    button.setContentDisplay(ContentDisplay.RIGHT);
    Texts.hint(button, purpose);
  }

  private static Button history(String id, String verb, String key, ReadOnlyStringProperty what) {
    Button button = new Button(verb);
    button.setId(id);
    button.setMinWidth(USE_PREF_SIZE);
    button.getStyleClass().add("bar-button");
    button.disableProperty().bind(what.isEmpty());
    button.accessibleHelpProperty().bind(Bindings.concat(verb, ": ", what, "  (", key, ")"));
    Texts.hint(button);
    button.accessibleTextProperty().bind(Bindings.concat(verb, ": ", what));
    return button;
  }

  /** A study that is opened changes each of these many times; the bar is made anew once. */
  private void showSoon() {
    if (!due) {
      due = true;
      Platform.runLater(this::show);
    }
  }

  private void show() {
    due = false;
    slips.getChildren().clear();
    front = null;
    SlipViewModel current = workbench.currentProperty().get();
    Map<TableSource, List<SlipViewModel>> tables = new LinkedHashMap<>();
    for (SlipViewModel slip : workbench.slips()) {
      tables.computeIfAbsent(slip.source(), t -> new ArrayList<>()).add(slip);
    }
    tables.forEach(
        (table, own) -> {
          boolean open = current != null && current.source() == table;
          slips.getChildren().add(open ? open(table, own) : folded(table, own.size()));
        });
    workbench.plans().all().forEach(plan -> slips.getChildren().add(plan(plan)));
    workbench.reckonings().all().forEach(one -> slips.getChildren().add(reckoning(one)));
    boolean any = !workbench.slips().isEmpty();
    for (Button button : List.of(more, all)) {
      button.setVisible(any);
      button.setManaged(any);
    }
    pulses.once(reveal);
  }

  /** A table that is not looked at: its name, and how many inquiries there are of it. */
  private Button folded(TableSource table, int inquiries) {
    Button button = new Button(table.name());
    button.setId("table-" + table.name());
    button.setMnemonicParsing(false);
    button.getStyleClass().addAll("slip", "slip-name", "table-folded");
    button.setMaxWidth(MOST_WIDE);
    button.setMinWidth(USE_PREF_SIZE);
    button.setGraphic(Texts.line(String.valueOf(inquiries), "slip-table"));
    button.setContentDisplay(ContentDisplay.RIGHT);
    Texts.hint(
        button,
        table.name() + (inquiries == 1 ? ": one inquiry" : ": " + inquiries + " inquiries"));
    button.setOnAction(event -> workbench.turnTo(table));
    return button;
  }

  private Button plan(PlanSlip slip) {
    boolean shown =
        workbench.pageProperty().get() instanceof Page.Planning page && page.plan() == slip;
    Button button = behind("plan", "A plan of a trial", shown, new Page.Planning(slip));
    button.textProperty().bind(slip.planProperty().map(plan -> plan.name()));
    button.setId("plan-" + workbench.plans().all().indexOf(slip));
    return button;
  }

  private Button reckoning(Reckoning kept) {
    boolean shown =
        workbench.pageProperty().get() instanceof Page.Reckoning page && kept.equals(page.kept());
    Button button = behind("reckoned", "A kept reckoning", shown, new Page.Reckoning(kept));
    button.setText(kept.name());
    button.setId("reckoning-" + workbench.reckonings().all().indexOf(kept));
    return button;
  }

  /** What is no question of records stands behind the tables, in a hand of its own. */
  private Button behind(String kind, String purpose, boolean shown, Page page) {
    Button button = new Button();
    button.setMnemonicParsing(false);
    button.getStyleClass().addAll("slip", "slip-name", "table-folded", "plan-folded");
    button.setMaxWidth(MOST_WIDE);
    button.setMinWidth(USE_PREF_SIZE);
    button.setGraphic(Texts.line(kind, "slip-table"));
    button.setContentDisplay(ContentDisplay.LEFT);
    Texts.hint(button, purpose);
    button.pseudoClassStateChanged(CURRENT, shown);
    front = shown ? button : front;
    button.setOnAction(event -> workbench.show(page));
    return button;
  }

  private HBox open(TableSource table, List<SlipViewModel> own) {
    Label name = Texts.line(table.name(), "table-name");
    name.setMinWidth(USE_PREF_SIZE);
    HBox box = new HBox(name);
    own.forEach(slip -> box.getChildren().add(slip(slip)));
    box.getStyleClass().add("table-open");
    return box;
  }

  /** There is nothing above or below: the wheel moves along the slips. */
  private void wheel(ScrollEvent event) {
    double beyond = slips.getWidth() - scroll.getViewportBounds().getWidth();
    if (event.getDeltaY() != 0 && beyond > 0) {
      double share = scroll.getHvalue() - event.getDeltaY() / beyond;
      scroll.setHvalue(Math.max(0, Math.min(1, share)));
      event.consume();
    }
  }

  /** Scrolls so that the current slip is seen whole. */
  private void reveal() {
    if (front == null || front.getScene() == null) {
      return;
    }
    slips.applyCss();
    slips.layout();
    Bounds own = slips.sceneToLocal(front.localToScene(front.getBoundsInLocal()));
    double room = scroll.getViewportBounds().getWidth();
    double beyond = slips.getWidth() - room;
    if (beyond > 0) {
      double middle = (own.getMinX() + own.getMaxX() - room) / 2;
      scroll.setHvalue(Math.max(0, Math.min(1, middle / beyond)));
    }
  }

  private HBox slip(SlipViewModel slip) {
    Button name = new Button();
    name.textProperty().bind(slip.inquiryProperty().map(inquiry -> inquiry.name()));
    name.setId("slip-" + workbench.slips().indexOf(slip));
    name.setMnemonicParsing(false);
    name.getStyleClass().add("slip-name");
    boolean current =
        workbench.currentProperty().get() == slip
            && !(workbench.pageProperty().get() instanceof Page.Planning);
    name.setMaxWidth(current ? MOST_WIDE : MOST_WIDE_BEHIND);
    name.setMinWidth(0);
    name.accessibleHelpProperty().bind(name.textProperty());
    Texts.hint(name);
    name.setOnAction(event -> workbench.turnTo(slip));
    HBox box = new HBox(name);
    box.getStyleClass().add("slip");
    box.pseudoClassStateChanged(CURRENT, current);
    if (current) {
      front = box;
      if (workbench.slips().size() > 1) {
        box.getChildren().add(close(slip));
      }
    }
    return box;
  }

  private Button close(SlipViewModel slip) {
    Button close = new Button("\u00d7");
    close.setId("close-slip");
    close.getStyleClass().add("slip-close");
    close.setMinWidth(USE_PREF_SIZE);
    close.setAccessibleText("Close this inquiry");
    Texts.hint(close, "Close this inquiry");
    close.setOnAction(event -> workbench.close(slip));
    return close;
  }
}
