package app.knuckle.desktop.sentence;

import app.knuckle.desktop.controls.Sections;
import app.knuckle.desktop.controls.SlotChooser;
import app.knuckle.desktop.controls.Texts;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;

/**
 * Prose whose slots are chosen or typed in place; slots that stay keep the keyboard while others
 * change.
 */
public final class DesignSentence extends FlowPane {

  private final Map<String, SlotChooser> slots = new HashMap<>();
  private final Map<String, TypedSlot> typed = new HashMap<>();
  private final Map<String, Button> buttons = new HashMap<>();
  private final List<Label> words = new ArrayList<>();
  private final Map<String, Deque<Label>> spare = new HashMap<>();
  private final String slotStyle;

  /**
   * A sentence with nothing in it.
   *
   * @param id of the whole
   * @param style class of the whole
   * @param slotStyle class of its slots
   */
  public DesignSentence(String id, String style, String slotStyle) {
    this.slotStyle = slotStyle;
    setId(id);
    getStyleClass().add(style);
  }

  /**
   * Shows the pieces.
   *
   * @param pieces in their order
   */
  public void show(List<Piece> pieces) {
    List<Node> nodes = new ArrayList<>();
    spare.clear();
    words.forEach(
        word -> spare.computeIfAbsent(word.getText(), text -> new ArrayDeque<>()).add(word));
    words.clear();
    for (Piece piece : pieces) {
      if (piece instanceof Piece.Words prose) {
        String text = prose.text();
        int mark = Math.min(text.length(), marks(text));
        if (mark > 0 && !nodes.isEmpty()) {
          // A line never begins with a full stop: the mark stays with the slot before it.
          Node before = nodes.remove(nodes.size() - 1);
          nodes.add(
              before instanceof Label word
                  ? word(word.getText() + text.substring(0, mark))
                  : held(before, text.substring(0, mark)));
          text = text.substring(mark);
        }
        nodes.addAll(words(text));
      } else if (piece instanceof Piece.Slot slot) {
        nodes.add(slot(slot));
      } else if (piece instanceof Piece.Typed slot) {
        nodes.add(typed(slot));
      } else if (piece instanceof Piece.Out out) {
        nodes.add(out(out));
      } else if (piece instanceof Piece.Act act) {
        nodes.add(act(act));
      }
    }
    Node focused = getScene() == null ? null : getScene().getFocusOwner();
    if (focused instanceof TypedSlot slot && typed.containsValue(slot)) {
      replaceAround(slot, nodes);
      return;
    }
    Sections.put(nodes, getChildren());
    if (slots.containsValue(focused) && focused.getScene() != null) {
      focused.requestFocus();
    }
  }

  /** A field that is typed into is never taken out: it would lose its caret. */
  private void replaceAround(TypedSlot slot, List<Node> nodes) {
    Node held = slot.getParent() == this ? slot : slot.getParent();
    int before = getChildren().indexOf(held);
    int now = -1;
    for (int i = 0; i < nodes.size(); i++) {
      Node node = nodes.get(i);
      boolean holds = node == slot || node instanceof HBox box && box.getChildren().contains(slot);
      now = holds ? i : now;
    }
    if (before < 0 || now < 0) {
      getChildren().setAll(nodes);
      return;
    }
    getChildren().remove(before + 1, getChildren().size());
    getChildren().remove(0, before);
    getChildren().addAll(0, nodes.subList(0, now));
    getChildren().addAll(nodes.subList(now + 1, nodes.size()));
  }

  /** How many marks stand at the head of a text, with the blank after them. */
  private static int marks(String text) {
    int end = 0;
    while (end < text.length() && ".,;:)".indexOf(text.charAt(end)) >= 0) {
      end++;
    }
    return end > 0 && end < text.length() && text.charAt(end) == ' ' ? end + 1 : end;
  }

  /** A slot with its mark stays where it is, since one that is typed into holds the keyboard. */
  private static HBox held(Node before, String mark) {
    if (before.getParent() instanceof HBox box
        && box.getChildren().size() > 1
        && box.getChildren().get(1) instanceof Label label) {
      label.setText(mark);
      return box;
    }
    HBox held = new HBox(before, Texts.line(mark, "sentence-word"));
    held.getStyleClass().add("sentence-held");
    return held;
  }

  /**
   * Gives the keyboard to a slot, if it is shown.
   *
   * @param id of the slot
   */
  public void focus(String id) {
    Node slot = slots.containsKey(id) ? slots.get(id) : typed.get(id);
    if (slot != null && slot.getScene() != null) {
      slot.requestFocus();
    }
  }

  private SlotChooser slot(Piece.Slot slot) {
    SlotChooser chooser =
        slots.computeIfAbsent(
            slot.id(),
            id -> {
              SlotChooser made = new SlotChooser(id);
              made.getStyleClass().add(slotStyle);
              return made;
            });
    chooser.offer(slot.options(), slot.own(), slot.chosen());
    chooser.show(slot.text(), slot.gap());
    return chooser;
  }

  private TypedSlot typed(Piece.Typed piece) {
    TypedSlot slot = typed.computeIfAbsent(piece.id(), TypedSlot::new);
    slot.show(piece);
    return slot;
  }

  private Button act(Piece.Act act) {
    Button button = button(act.id(), act.text(), slotStyle);
    button.setOnAction(event -> act.run().run());
    return button;
  }

  private Button out(Piece.Out out) {
    Button button = button(out.id(), "\u00d7", "sentence-out");
    if (!out.what().equals(button.getAccessibleText())) {
      button.setAccessibleText(out.what());
      Texts.hint(button, out.what());
    }
    button.setOnAction(event -> out.run().run());
    return button;
  }

  private Button button(String id, String text, String style) {
    Button button =
        buttons.computeIfAbsent(
            id,
            own -> {
              Button made = new Button();
              made.setId(own);
              made.setMnemonicParsing(false);
              made.getStyleClass().add(style);
              return made;
            });
    button.setText(text);
    return button;
  }

  /** A word; one that stood in the sentence before, if there is one that is not used again yet. */
  private Label word(String text) {
    Deque<Label> known = spare.get(text);
    Label word =
        known == null || known.isEmpty() ? Texts.line(text, "sentence-word") : known.remove();
    words.add(word);
    return word;
  }

  /** Words that may break a line between them, as prose does. */
  private List<Node> words(String text) {
    return Pattern.compile("(?<= )").splitAsStream(text).map(word -> (Node) word(word)).toList();
  }
}
