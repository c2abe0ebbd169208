package app.knuckle.desktop.sheet;

import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;

/**
 * Where a cell is written: Enter takes the text and goes down, Tab takes it and goes right, Escape
 * leaves the cell as it was; going elsewhere takes the text too.
 */
final class CellField extends TextField {

  private final Closed closed;
  private Place place;

  /** Told when the field closes. */
  interface Closed {
    /**
     * The field has closed.
     *
     * @param place of the cell
     * @param text to take; null to leave the cell as it was
     * @param next where the keyboard goes on; null if it is elsewhere already
     */
    void with(Place place, String text, Place next);
  }

  CellField(Closed closed) {
    this.closed = closed;
    getStyleClass().add("cell-field");
    setManaged(false);
    setVisible(false);
    addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    focusedProperty()
        .addListener(
            (o, before, now) -> {
              if (!now) {
                close(getText(), null);
              }
            });
  }

  Place place() {
    return place;
  }

  /** Opens over a cell, with its text selected or the cursor behind it. */
  void open(Place at, String start, boolean selected) {
    place = at;
    setText(start);
    setVisible(true);
    requestFocus();
    if (selected) {
      selectAll();
    } else {
      deselect();
      end();
    }
  }

  private void key(KeyEvent event) {
    int back = event.isShiftDown() ? -1 : 1;
    switch (event.getCode()) {
      case ENTER -> close(getText(), place.moved(back, 0));
      case TAB -> close(getText(), place.moved(0, back));
      case ESCAPE -> close(null, place);
      default -> {
        return;
      }
    }
    event.consume();
  }

  private void close(String text, Place next) {
    if (isVisible()) {
      setVisible(false);
      closed.with(place, text, next);
    }
  }
}
