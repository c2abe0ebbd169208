package app.knuckle.desktop.compare;

import app.knuckle.desktop.controls.Texts;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;

/**
 * All pairs of ranked means: a cell for each, filled where the two differ significantly. Walked
 * with the arrow keys; the cell under the pointer or the focus is read out, and B sets its bracket.
 */
final class DifferenceBoard extends GridPane {

  /** Told of a pair: its row and column in the ranking. */
  interface Reader {
    void read(int row, int column);
  }

  private final Button[][] buttons;
  private final Runnable bracket;

  DifferenceBoard(ComparePage page, Reader reader, Runnable nothing, Runnable bracket) {
    this.bracket = bracket;
    setId("difference-board");
    int k = page.rungs().size();
    getStyleClass().add(page.isRoomy() ? "board" : "board-dense");
    buttons = new Button[k][k];
    for (int c = 0; c < k - 1; c++) {
      Label head = Texts.line(String.valueOf(c + 1), "board-head");
      add(head, c + 1, 0);
    }
    for (int r = 1; r < k; r++) {
      Label name = Texts.line((r + 1) + "  " + page.rungs().get(r).name(), "board-name");
      name.setMinWidth(USE_PREF_SIZE);
      add(name, 0, r);
      for (int c = 0; c < r; c++) {
        add(button(page.cells().get(r - 1).get(c), r, c, reader, nothing), c + 1, r);
      }
    }
    add(Texts.line("1  " + page.rungs().get(0).name(), "board-name"), 0, 0);
  }

  private Button button(ComparePage.Cell cell, int r, int c, Reader reader, Runnable nothing) {
    Button button = new Button(cell.text());
    button.setId("pair-" + r + "-" + c);
    button.setAccessibleText(cell.reading());
    button.getStyleClass().addAll("board-cell", "board-strength-" + cell.strength());
    button.setFocusTraversable(r == 1 && c == 0);
    button.setOnMouseEntered(event -> reader.read(r, c));
    button.setOnMouseExited(event -> nothing.run());
    button.setOnAction(event -> button.requestFocus());
    button
        .focusedProperty()
        .addListener(
            (o, before, now) -> {
              if (now) {
                reader.read(r, c);
              } else {
                nothing.run();
              }
            });
    button.setOnKeyPressed(
        event -> {
          KeyCode key = event.getCode();
          if (key.isArrowKey()) {
            walk(r + down(key), c + right(key));
            event.consume();
          } else if (key == KeyCode.B && !event.isShortcutDown()) {
            reader.read(r, c);
            bracket.run();
            event.consume();
          }
        });
    buttons[r][c] = button;
    return button;
  }

  private static int down(KeyCode key) {
    return key == KeyCode.DOWN ? 1 : key == KeyCode.UP ? -1 : 0;
  }

  private static int right(KeyCode key) {
    return key == KeyCode.RIGHT ? 1 : key == KeyCode.LEFT ? -1 : 0;
  }

  private void walk(int row, int column) {
    boolean there = row >= 1 && row < buttons.length && column >= 0 && column < row;
    if (there) {
      buttons[row][column].requestFocus();
    }
  }
}
