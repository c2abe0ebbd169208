package app.knuckle.desktop.sentence;

import javafx.css.PseudoClass;
import javafx.scene.control.TextField;
import javafx.scene.text.Text;

/** A slot of a sentence that is typed into: as wide as its words, heard at every keystroke. */
final class TypedSlot extends TextField {

  private static final PseudoClass GAP = PseudoClass.getPseudoClass("gap");

  /** Room for the caret, and for the field's own padding at both sides. */
  private static final double AROUND = 15;

  private static final double LEAST = 26;

  /** Longer words move within the field. */
  private static final double MOST = 520;

  private Piece.Typed piece;
  private boolean showing;

  TypedSlot(String id) {
    setId(id);
    getStyleClass().add("typed-slot");
    textProperty()
        .addListener(
            (o, before, now) -> {
              fit();
              if (!showing) {
                pseudoClassStateChanged(GAP, !piece.typed().test(now));
              }
            });
    fontProperty().addListener((o, before, now) -> fit());
    focusedProperty()
        .addListener(
            (o, before, now) -> {
              if (!now) {
                setText(); // What made no sense gives way to what holds.
              }
            });
  }

  /** Shows what holds; what is being typed stays as it is typed. */
  void show(Piece.Typed typed) {
    piece = typed;
    setPromptText(typed.what());
    setAccessibleText(typed.what());
    if (!isFocused()) {
      setText();
    }
  }

  private void setText() {
    showing = true;
    if (!getText().equals(piece.text())) {
      setText(piece.text());
    }
    pseudoClassStateChanged(GAP, false);
    fit();
    showing = false;
  }

  private void fit() {
    boolean empty = getText().isEmpty();
    Text measured = new Text(empty && piece != null ? piece.what() : getText());
    measured.setFont(getFont());
    double wide = measured.getLayoutBounds().getWidth() + AROUND;
    setPrefWidth(Math.max(LEAST, Math.min(MOST, wide)));
    setMinWidth(USE_PREF_SIZE);
    setMaxWidth(USE_PREF_SIZE);
  }
}
