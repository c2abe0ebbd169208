package app.knuckle.desktop.trail;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Step;
import app.knuckle.study.prep.Trail;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The prep trail: what was done to the records, step by step, each to be changed in place. */
public final class TrailCard extends Card {

  private static final PseudoClass OFF = PseudoClass.getPseudoClass("off");

  private final SlipViewModel slip;
  private final Supplier<String> looked;
  private final VBox steps = new VBox();
  private final MenuButton add = new MenuButton("+ Add a step");
  private final ReadOnlyBooleanWrapper isEditing = new ReadOnlyBooleanWrapper();
  private StepEditor editing;

  /**
   * The trail of a slip.
   *
   * @param slip the slip
   * @param looked the column that is being looked at, by name
   */
  public TrailCard(SlipViewModel slip, Supplier<String> looked) {
    super("Prep trail");
    this.slip = slip;
    this.looked = looked;
    setId("trail");
    add.setId("add-step");
    add.getStyleClass().add("go");
    for (StepForm form : StepForm.values()) {
      MenuItem item = new MenuItem(form.title());
      item.setId("add-" + form.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'));
      item.setOnAction(event -> start(form));
      add.getItems().add(item);
    }
    getChildren().addAll(steps, add);
  }

  private void start(StepForm form) {
    Answer answer = slip.answer();
    if (answer != null && answer.trail() != null) {
      start(form, form.about(answer.trail().frame(), looked.get()));
    }
  }

  /**
   * Opens the editor for a new step at the end of the trail.
   *
   * @param form its kind
   * @param start answers already known
   */
  void start(StepForm form, Answers start) {
    Answer answer = slip.answer();
    if (answer != null && answer.trail() != null) {
      open(new StepEditor(form, answer.trail().frame(), start, null));
    }
  }

  /**
   * Starts to set rows aside.
   *
   * @param rows of the source, the first is 1
   */
  public void startSettingAside(List<Integer> rows) {
    String list = String.join(", ", rows.stream().map(String::valueOf).toList());
    start(StepForm.SET_ASIDE, Answers.none().with("rows", list));
  }

  /**
   * Starts to keep only some rows.
   *
   * @param column by which
   * @param level to keep; empty for none yet
   */
  public void startKeeping(String column, String level) {
    Answers known = Answers.none().with("column", column);
    start(StepForm.KEEP, level.isEmpty() ? known : known.with("is", level));
  }

  private void open(StepEditor editor) {
    editing = editor;
    show();
    // The fields are there after the next layout.
    Platform.runLater(
        () -> {
          Node view = lookup("#step-editor");
          if (view instanceof StepEditorView shown) {
            shown.focusFirst();
          }
        });
  }

  /** Shows the trail of the slip's answer. */
  public void show() {
    Answer answer = slip.answer();
    if (answer == null || answer.trail() == null || slip.table() == null) {
      return;
    }
    steps.getChildren().clear();
    steps
        .getChildren()
        .add(row(1, "Read " + slip.table().source(), slip.table().howRead(), "", null));
    List<Trail.Outcome> outcomes = answer.trail().outcomes();
    for (int i = 0; i < outcomes.size(); i++) {
      Trail.Outcome outcome = outcomes.get(i);
      if (editing != null && editing.old() == outcome.step()) {
        steps.getChildren().add(editor());
      } else {
        steps.getChildren().add(row(i, outcome));
      }
    }
    if (editing != null && editing.old() == null) {
      steps.getChildren().add(editor());
    }
    add.setDisable(editing != null);
    isEditing.set(editing != null);
  }

  /** Whether a step is being made or changed: true while its editor is open. */
  public ReadOnlyBooleanProperty editingProperty() {
    return isEditing.getReadOnlyProperty();
  }

  private StepEditorView editor() {
    return new StepEditorView(editing, this::done, this::leave);
  }

  private void done(StepEditor editor) {
    editor.take(step -> take(editor, step));
  }

  private void take(StepEditor editor, Step made) {
    editing = null;
    if (editor.old() == null) {
      slip.take(List.of(made));
    } else {
      List<Step> trail = new ArrayList<>(slip.inquiry().prepare());
      trail.set(trail.indexOf(editor.old()), made.switched(editor.old().off()));
      slip.prepare(trail);
    }
    show();
    add.requestFocus();
  }

  private void leave() {
    editing = null;
    show();
    add.requestFocus();
  }

  private VBox row(int index, Trail.Outcome outcome) {
    Step step = outcome.step();
    String effect =
        step.off()
            ? "switched off"
            : outcome.refusal() != null ? outcome.refusal().shown() : outcome.effect().words();
    VBox row = row(index + 2, step.title(), step.detail(), effect, menu(index, outcome));
    row.pseudoClassStateChanged(OFF, step.off());
    if (outcome.refusal() != null) {
      row.getStyleClass().add("step-broken");
    }
    return row;
  }

  private static VBox row(int number, String what, String detail, String effect, Node menu) {
    Label badge = Texts.line(String.valueOf(number), "step-number");
    badge.setMinWidth(Region.USE_PREF_SIZE);
    Label title = Texts.wrapped(what, "step-title");
    title.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(title, Priority.ALWAYS);
    HBox head = new HBox(badge, title);
    head.getStyleClass().add("step-head");
    if (menu != null) {
      head.getChildren().add(menu);
    }
    VBox row = new VBox(head, Texts.wrapped(detail, "step-detail"));
    row.getStyleClass().add("step");
    if (!effect.isEmpty()) {
      Label label = Texts.wrapped(effect, "step-effect");
      label.setId("effect-" + number);
      row.getChildren().add(label);
    }
    return row;
  }

  private MenuButton menu(int index, Trail.Outcome outcome) {
    Step step = outcome.step();
    MenuButton menu = new MenuButton("Change");
    menu.setId("change-step-" + (index + 2));
    menu.getStyleClass().add("small-button");
    menu.setMinWidth(Region.USE_PREF_SIZE);
    StepForm.of(step)
        .ifPresent(
            form ->
                menu.getItems()
                    .add(
                        item(
                            "Edit \u2026",
                            () ->
                                open(
                                    new StepEditor(
                                        form, outcome.before(), StepForm.answers(step), step)))));
    int last = slip.inquiry().prepare().size() - 1;
    menu.getItems()
        .add(item(step.off() ? "Switch on" : "Switch off", () -> replace(index, !step.off())));
    if (index > 0) {
      menu.getItems().add(item("Move up", () -> swap(index, index - 1)));
    }
    if (index < last) {
      menu.getItems().add(item("Move down", () -> swap(index, index + 1)));
    }
    menu.getItems().add(item("Take out", () -> slip.takeOut(step)));
    return menu;
  }

  private static MenuItem item(String title, Runnable action) {
    MenuItem item = new MenuItem(title);
    item.setOnAction(event -> action.run());
    return item;
  }

  private void replace(int index, boolean off) {
    List<Step> trail = new ArrayList<>(slip.inquiry().prepare());
    trail.set(index, trail.get(index).switched(off));
    slip.prepare(trail);
  }

  private void swap(int one, int other) {
    List<Step> trail = new ArrayList<>(slip.inquiry().prepare());
    Collections.swap(trail, one, other);
    slip.prepare(trail);
  }

  /** The frame that a new step would be given: of the last answer. */
  Frame frame() {
    return slip.answer().trail().frame();
  }
}
