package app.knuckle.desktop.trail;

import app.knuckle.desktop.controls.Texts;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;
import javafx.collections.FXCollections;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The small editor of a step: its fields, what it would do, and the button that does it. */
final class StepEditorView extends VBox {

  private static final double TALLEST_LIST = 160;

  private final StepEditor editor;
  private final VBox fields = new VBox();
  private final Label effect = Texts.wrapped("", "step-effect");
  private final Button take;
  private List<Field> shown = List.of();
  private String shownOptions = "";

  StepEditorView(StepEditor editor, Consumer<StepEditor> done, Runnable leave) {
    this.editor = editor;
    setId("step-editor");
    getStyleClass().add("step-editor");
    fields.getStyleClass().add("step-fields");
    effect.setId("step-effect");
    take = new Button(editor.old() == null ? "Take this step" : "Change the step");
    take.setId("take-step");
    take.getStyleClass().add("go");
    take.setDefaultButton(false);
    take.setOnAction(event -> done.accept(editor));
    Button cancel = new Button("Leave it");
    cancel.setId("leave-step");
    cancel.getStyleClass().add("small-button");
    cancel.setOnAction(event -> leave.run());
    HBox buttons = new HBox(take, cancel);
    buttons.getStyleClass().add("step-buttons");
    getChildren()
        .addAll(Texts.wrapped(editor.form().title(), "step-title"), fields, effect, buttons);
    addEventHandler(
        javafx.scene.input.KeyEvent.KEY_PRESSED,
        event -> {
          if (event.getCode() == KeyCode.ESCAPE) {
            leave.run();
            event.consume();
          } else if (event.getCode() == KeyCode.ENTER && !take.isDisabled()) {
            done.accept(editor);
            event.consume();
          }
        });
    editor.previewProperty().addListener((o, before, now) -> showPreview());
    showFields();
    showPreview();
  }

  void focusFirst() {
    fields.lookupAll(".step-input").stream().findFirst().ifPresent(Node::requestFocus);
  }

  private void showPreview() {
    StepEditor.Preview preview = editor.previewProperty().get();
    boolean fits = preview.step() != null;
    effect.setText(fits ? "Effect: " + preview.words() + "." : preview.refusal());
    effect.getStyleClass().remove("step-refused");
    if (!fits && !preview.refusal().contains(StepForm.OPEN)) {
      effect.getStyleClass().add("step-refused");
    }
    take.setDisable(!fits);
  }

  /** Builds the fields anew only when others are asked, or other options are offered. */
  private void showFields() {
    List<Field> now = editor.fields();
    String options =
        now.stream().map(f -> f.key() + f.options().apply(editor.answers())).toList().toString();
    if (options.equals(shownOptions)) {
      return;
    }
    shownOptions = options;
    shown = now;
    fields.getChildren().clear();
    for (Field field : shown) {
      Label label = Texts.wrapped(field.label(), "fact-name");
      Node input = input(field);
      fields.getChildren().add(new VBox(label, input));
    }
  }

  private void answer(Field field, List<String> values) {
    editor.answer(field.key(), values);
    showFields();
  }

  private Node input(Field field) {
    List<String> options = field.options().apply(editor.answers());
    Node input =
        switch (field.form()) {
          case PICK -> pick(field, options);
          case TICK -> tick(field, options);
          case ORDER -> order(field, options);
          case PAIRS -> pairs(field, options);
          case LINE -> line(field);
        };
    input.setId("step-" + field.key());
    return input;
  }

  private ComboBox<String> pick(Field field, List<String> options) {
    ComboBox<String> box = new ComboBox<>(FXCollections.observableArrayList(options));
    box.setMaxWidth(Double.MAX_VALUE);
    box.getStyleClass().add("step-input");
    if (!editor.answers().one(field.key()).isEmpty()) {
      box.setValue(editor.answers().one(field.key()));
    }
    box.setOnAction(
        event -> {
          if (box.getValue() != null) {
            answer(field, List.of(box.getValue()));
          }
        });
    return box;
  }

  private Node tick(Field field, List<String> options) {
    VBox list = new VBox();
    list.getStyleClass().add("step-list");
    Set<String> ticked = new LinkedHashSet<>(editor.answers().all(field.key()));
    for (String option : options) {
      CheckBox box = new CheckBox(option.isBlank() ? "(blank)" : option);
      box.setMnemonicParsing(false);
      box.getStyleClass().add("step-input");
      box.setId("tick-" + options.indexOf(option));
      box.setSelected(ticked.contains(option));
      box.setOnAction(
          event -> {
            if (box.isSelected()) {
              ticked.add(option);
            } else {
              ticked.remove(option);
            }
            answer(field, List.copyOf(ticked));
          });
      list.getChildren().add(box);
    }
    return scrolled(list);
  }

  private static ScrollPane scrolled(VBox list) {
    ScrollPane scroll = new ScrollPane(list);
    scroll.setFitToWidth(true);
    scroll.setMaxHeight(TALLEST_LIST);
    scroll.getStyleClass().add("step-scroll");
    scroll.setFocusTraversable(false);
    return scroll;
  }

  private Node order(Field field, List<String> options) {
    List<String> order = new ArrayList<>(editor.answers().all(field.key()));
    order.retainAll(options);
    options.stream().filter(o -> !order.contains(o)).forEach(order::add);
    if (!order.equals(editor.answers().all(field.key())) && !order.isEmpty()) {
      editor.answer(field.key(), List.copyOf(order));
    }
    VBox list = new VBox();
    list.getStyleClass().add("step-list");
    fillOrder(field, list, order);
    return scrolled(list);
  }

  private void fillOrder(Field field, VBox list, List<String> order) {
    list.getChildren().clear();
    for (int i = 0; i < order.size(); i++) {
      int at = i;
      Button up = new Button("Up");
      up.setId("order-up-" + i);
      up.getStyleClass().addAll("small-button", "step-input");
      up.setMinWidth(Region.USE_PREF_SIZE);
      up.setDisable(i == 0);
      up.setOnAction(
          event -> {
            order.add(at - 1, order.remove(at));
            editor.answer(field.key(), List.copyOf(order));
            fillOrder(field, list, order);
            list.lookup("#order-up-" + Math.max(1, at - 1)).requestFocus();
          });
      Label name = new Label(order.get(i));
      name.setMaxWidth(Double.MAX_VALUE);
      HBox.setHgrow(name, Priority.ALWAYS);
      HBox row = new HBox(name, up);
      row.getStyleClass().add("step-order");
      list.getChildren().add(row);
    }
  }

  private Node pairs(Field field, List<String> options) {
    Map<String, String> names = new TreeMap<>();
    List<String> known = editor.answers().all(field.key());
    for (int i = 0; i + 1 < known.size(); i += 2) {
      names.put(known.get(i), known.get(i + 1));
    }
    VBox list = new VBox();
    list.getStyleClass().add("step-list");
    for (String option : options) {
      TextField to = new TextField(names.getOrDefault(option, option));
      to.getStyleClass().add("step-input");
      to.setId("pair-" + options.indexOf(option));
      HBox.setHgrow(to, Priority.ALWAYS);
      to.textProperty()
          .addListener(
              (o, before, now) -> {
                names.put(option, now);
                List<String> flat = new ArrayList<>();
                names.forEach((from, name) -> flat.addAll(List.of(from, name)));
                editor.answer(field.key(), flat);
              });
      Label from = new Label(option);
      HBox row = new HBox(from, to);
      row.getStyleClass().add("step-order");
      list.getChildren().add(row);
    }
    return scrolled(list);
  }

  private TextField line(Field field) {
    TextField text = new TextField(editor.answers().one(field.key()));
    text.getStyleClass().add("step-input");
    text.textProperty().addListener((o, before, now) -> editor.answer(field.key(), List.of(now)));
    return text;
  }
}
