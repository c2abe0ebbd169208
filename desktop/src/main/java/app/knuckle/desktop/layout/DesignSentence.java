package app.knuckle.desktop.layout;

import app.knuckle.desktop.controls.SlotChooser;
import app.knuckle.desktop.controls.Texts;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;

/** Prose whose slots are chosen in place; slots that stay keep the keyboard while others change. */
final class DesignSentence extends FlowPane {

  private final Map<String, SlotChooser> slots = new HashMap<>();
  private final String slotStyle;

  DesignSentence(String id, String style, String slotStyle) {
    this.slotStyle = slotStyle;
    setId(id);
    getStyleClass().add(style);
  }

  void show(List<Piece> pieces) {
    List<Node> nodes = new ArrayList<>();
    for (Piece piece : pieces) {
      if (piece instanceof Piece.Words words) {
        String text = words.text();
        int mark = Math.min(text.length(), marks(text));
        if (mark > 0 && !nodes.isEmpty()) {
          // A line never begins with a full stop: the mark stays with the slot before it.
          Node before = nodes.remove(nodes.size() - 1);
          nodes.add(
              before instanceof Label word
                  ? Texts.line(word.getText() + text.substring(0, mark), "sentence-word")
                  : held(before, text.substring(0, mark)));
          text = text.substring(mark);
        }
        nodes.addAll(words(text));
      } else if (piece instanceof Piece.Slot slot) {
        nodes.add(slot(slot));
      }
    }
    Node focused = getScene() == null ? null : getScene().getFocusOwner();
    getChildren().setAll(nodes);
    if (slots.containsValue(focused) && focused.getScene() != null) {
      focused.requestFocus();
    }
  }

  /** How many marks stand at the head of a text, with the blank after them. */
  private static int marks(String text) {
    int end = 0;
    while (end < text.length() && ".,;:)".indexOf(text.charAt(end)) >= 0) {
      end++;
    }
    return end > 0 && end < text.length() && text.charAt(end) == ' ' ? end + 1 : end;
  }

  private static HBox held(Node before, String mark) {
    HBox held = new HBox(before, Texts.line(mark, "sentence-word"));
    held.getStyleClass().add("sentence-held");
    return held;
  }

  /** Gives the keyboard to a slot, if it is shown. */
  void focus(String id) {
    SlotChooser slot = slots.get(id);
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

  /** Words that may break a line between them, as prose does. */
  private static List<Node> words(String text) {
    return Pattern.compile("(?<= )")
        .splitAsStream(text)
        .map(word -> (Node) Texts.line(word, "sentence-word"))
        .toList();
  }
}
