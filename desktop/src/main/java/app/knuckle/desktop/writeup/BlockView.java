package app.knuckle.desktop.writeup;

import app.knuckle.desktop.controls.Clip;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.formats.documents.Taken;
import app.knuckle.formats.report.PageSettings;
import app.knuckle.formats.report.PageSettings.Slot;
import app.knuckle.study.words.WordChanges;
import java.util.List;
import java.util.function.UnaryOperator;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.scene.text.TextFlow;

/** A block of the page: it can be copied, and its words written over in their place. */
final class BlockView extends VBox {

  private static final int CHARACTERS_A_LINE = 80;
  private static final int FEWEST_LINES = 2;
  private static final int MOST_LINES = 12;

  private final WriteUpViewModel model;
  private final Slot slot;
  private final String id;

  BlockView(WriteUpViewModel model, Slot slot, Node shown) {
    this.model = model;
    this.slot = slot;
    id = slot.place().replace(' ', '-');
    setId("block-" + id);
    getStyleClass().add("page-block");
    setFocusTraversable(true);
    setAccessibleRole(AccessibleRole.TEXT);
    setAccessibleText(slot.block().words());
    setOnMousePressed(
        event -> {
          requestFocus();
          event.consume(); // The pane around it would take the keyboard.
        });
    setOnMouseClicked(
        event -> {
          if (event.getClickCount() == 2) {
            write();
          }
        });
    setOnKeyPressed(this::key);
    FlowPane tools =
        new FlowPane(tool("copy", "Copy", this::copy), tool("write", "Write over", this::write));
    if (slot.over().isPresent()) {
      tools.getChildren().add(tool("back", "Back to Knuckle's words", this::back));
    }
    tools.getStyleClass().add("page-tools");
    tools.visibleProperty().bind(focusWithinProperty());
    tools.managedProperty().bind(focusWithinProperty());
    getChildren().add(shown);
    if (slot.over().isPresent()) {
      getChildren().add(Texts.line("in your words", "page-own"));
    }
    if (slot.isOutdated()) {
      getChildren().add(outdated());
    }
    getChildren().add(tools);
  }

  private Button tool(String name, String title, Runnable action) {
    Button tool = new Button(title);
    tool.setId(name + "-" + id);
    tool.setMnemonicParsing(false);
    tool.getStyleClass().add("small-button");
    tool.setOnAction(event -> action.run());
    return tool;
  }

  private void key(KeyEvent event) {
    if (event.getTarget() != this) {
      return;
    }
    if (event.getCode() == KeyCode.ENTER) {
      write();
      event.consume();
    } else if (event.getCode() == KeyCode.C && event.isShortcutDown()) {
      copy();
      event.consume();
    } else if (event.isAltDown()
        && (event.getCode() == KeyCode.UP || event.getCode() == KeyCode.DOWN)) {
      int by = event.getCode() == KeyCode.UP ? -1 : 1;
      change(s -> s.moved(slot.block().part(), by));
      event.consume();
    }
  }

  /** Asks something else of the page; the keyboard stays on this block. */
  private void change(UnaryOperator<PageSettings> change) {
    model.focus(slot.place());
    model.change(change);
  }

  private void copy() {
    Clip.put(Taken.of(List.of(slot.block())));
    model.say("On the clipboard, for a document or a sheet.");
  }

  private void back() {
    change(s -> s.written(slot, slot.said()));
  }

  /** The words become a field in their place. */
  private void write() {
    TextArea field = new TextArea(slot.block().words());
    field.setId("own-" + id);
    field.setWrapText(true);
    field.setPrefRowCount(
        Math.max(
            FEWEST_LINES, Math.min(MOST_LINES, 1 + field.getText().length() / CHARACTERS_A_LINE)));
    field.setAccessibleText("Your words in place of: " + slot.said());
    GoButton keep = new GoButton("keep-" + id, "Keep (Ctrl Enter)", () -> keep(field));
    Button leave = tool("leave", "Leave it (Esc)", this::leave);
    FlowPane ways = new FlowPane(keep, leave);
    ways.getStyleClass().add("page-ways");
    field.addEventFilter(
        KeyEvent.KEY_PRESSED,
        event -> {
          if (event.getCode() == KeyCode.ESCAPE) {
            leave();
            event.consume();
          } else if (event.getCode() == KeyCode.ENTER && event.isShortcutDown()) {
            keep(field);
            event.consume();
          }
        });
    getChildren().setAll(field, ways);
    field.requestFocus();
    field.selectAll();
  }

  private void keep(TextArea field) {
    String text = field.getText().strip();
    if (text.isEmpty() || text.equals(slot.block().words())) {
      leave();
    } else {
      change(s -> s.written(slot, text));
    }
  }

  private void leave() {
    model.show();
    model.focus(slot.place());
  }

  /** What Knuckle says now, with the words that are new, beside the words that stay. */
  private VBox outdated() {
    TextFlow now = new TextFlow();
    for (WordChanges.Piece piece : WordChanges.of(slot.over().orElse(""), slot.said())) {
      Text text = new Text(piece.text());
      text.getStyleClass().add(piece.changed() ? "page-changed" : "page-unchanged");
      now.getChildren().add(text);
    }
    now.setAccessibleText(slot.said());
    FlowPane ways =
        new FlowPane(
            tool("take", "Take these words", this::back),
            tool("stay", "Mine still hold", () -> change(s -> s.written(slot, words()))));
    ways.getStyleClass().add("page-ways");
    VBox card =
        new VBox(
            Texts.wrapped(
                "What this stands on has changed since you wrote it. Knuckle would say now:",
                "caution-note"),
            now,
            ways);
    card.setId("outdated-" + id);
    card.getStyleClass().add("page-outdated");
    return card;
  }

  private String words() {
    return slot.block().words();
  }
}
