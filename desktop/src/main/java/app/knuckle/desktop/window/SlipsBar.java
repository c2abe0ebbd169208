package app.knuckle.desktop.window;

import app.knuckle.desktop.controls.Pulses;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.keeping.Keeper;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import javafx.beans.binding.Bindings;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.collections.ListChangeListener;
import javafx.css.PseudoClass;
import javafx.geometry.Bounds;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** The bar above: the study's name, a slip for every inquiry, and the way to more records. */
final class SlipsBar extends HBox {

  private static final PseudoClass CURRENT = PseudoClass.getPseudoClass("current");

  private final Workbench workbench;
  private final ScrollPane scroll = new ScrollPane();
  private final HBox slips = new HBox();
  private final Pulses pulses = new Pulses();
  private final Runnable reveal = this::reveal;

  SlipsBar(Workbench workbench, Keeper keeper, StudyMenu menu) {
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
    HBox.setHgrow(scroll, Priority.ALWAYS);
    Button undo = history("undo", "Undo", "Ctrl Z", workbench.history().undoProperty());
    undo.setOnAction(event -> workbench.history().undo());
    Button redo = history("redo", "Redo", "Ctrl Y", workbench.history().redoProperty());
    redo.setOnAction(event -> workbench.history().redo());
    getChildren().addAll(name, scroll, undo, redo, menu);
    workbench.slips().addListener((ListChangeListener<SlipViewModel>) change -> show());
    workbench.currentProperty().addListener((o, before, now) -> show());
    show();
  }

  private static Button history(String id, String verb, String key, ReadOnlyStringProperty what) {
    Button button = new Button(verb);
    button.setId(id);
    button.setMinWidth(USE_PREF_SIZE);
    button.getStyleClass().add("bar-button");
    button.disableProperty().bind(what.isEmpty());
    Tooltip tooltip = new Tooltip();
    tooltip.textProperty().bind(Bindings.concat(verb, ": ", what, "  (", key, ")"));
    button.setTooltip(tooltip);
    button.accessibleTextProperty().bind(Bindings.concat(verb, ": ", what));
    return button;
  }

  private void show() {
    slips.getChildren().clear();
    for (SlipViewModel slip : workbench.slips()) {
      slips.getChildren().add(slip(slip));
    }
    if (!workbench.slips().isEmpty()) {
      Button more = new Button("+");
      more.setId("copy-slip");
      more.getStyleClass().add("slip");
      more.setMinWidth(USE_PREF_SIZE);
      more.setTooltip(new Tooltip("Ask again, changed: a copy of this inquiry (Ctrl D)"));
      more.setOnAction(event -> workbench.copyCurrent());
      slips.getChildren().add(more);
    }
    pulses.once(reveal);
  }

  /** Scrolls so that the current slip is seen whole. */
  private void reveal() {
    int current = workbench.slips().indexOf(workbench.currentProperty().get());
    if (current < 0 || current >= slips.getChildren().size()) {
      return;
    }
    slips.applyCss();
    slips.layout();
    Bounds own = slips.getChildren().get(current).getBoundsInParent();
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
    name.setMinWidth(USE_PREF_SIZE);
    Label table = Texts.line(slip.source().name(), "slip-table");
    table.setMinWidth(USE_PREF_SIZE);
    name.setGraphic(table);
    name.setContentDisplay(javafx.scene.control.ContentDisplay.RIGHT);
    name.setOnAction(event -> workbench.currentProperty().set(slip));
    HBox box = new HBox(name);
    box.getStyleClass().add("slip");
    boolean current = workbench.currentProperty().get() == slip;
    box.pseudoClassStateChanged(CURRENT, current);
    if (current && workbench.slips().size() > 1) {
      Button close = new Button("\u00d7");
      close.setId("close-slip");
      close.getStyleClass().add("slip-close");
      close.setAccessibleText("Close this inquiry");
      close.setTooltip(new Tooltip("Close this inquiry"));
      close.setOnAction(event -> workbench.close(slip));
      box.getChildren().add(close);
    }
    return box;
  }
}
