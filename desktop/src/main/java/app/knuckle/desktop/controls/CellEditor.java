package app.knuckle.desktop.controls;

import javafx.scene.control.ContentDisplay;
import javafx.scene.control.TableCell;
import javafx.scene.control.TablePosition;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/**
 * A cell that is edited in place: Enter takes the text and moves down, Tab takes it and moves
 * right, Escape leaves it, and so does going elsewhere.
 *
 * @param <R> a row
 */
public class CellEditor<R> extends TableCell<R, String> {

  private TextField field;

  /** A cell. */
  public CellEditor() {
    getStyleClass().add("editable-cell");
  }

  @Override
  public void startEdit() {
    super.startEdit();
    if (!isEditing()) {
      return;
    }
    field = new TextField(getItem() == null ? "" : getItem());
    field.getStyleClass().add("cell-field");
    field.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    setGraphic(field);
    setContentDisplay(ContentDisplay.GRAPHIC_ONLY);
    field.selectAll();
    field.requestFocus();
  }

  private void key(KeyEvent event) {
    if (event.getCode() == KeyCode.ENTER) {
      take(1, 0);
      event.consume();
    } else if (event.getCode() == KeyCode.TAB) {
      take(0, event.isShiftDown() ? -1 : 1);
      event.consume();
    } else if (event.getCode() == KeyCode.ESCAPE) {
      cancelEdit();
      event.consume();
    }
  }

  private void take(int down, int right) {
    TableView<R> table = getTableView();
    int row = getIndex() + down;
    int column = table.getColumns().indexOf(getTableColumn()) + right;
    commitEdit(field.getText());
    table.requestFocus();
    if (row < table.getItems().size() && column >= 0 && column < table.getColumns().size()) {
      TablePosition<R, ?> next = new TablePosition<>(table, row, table.getColumns().get(column));
      table.getSelectionModel().clearAndSelect(next.getRow(), table.getColumns().get(column));
      table.getFocusModel().focus(next.getRow(), table.getColumns().get(column));
    }
  }

  @Override
  public void cancelEdit() {
    super.cancelEdit();
    field = null;
    setGraphic(null);
    setContentDisplay(ContentDisplay.TEXT_ONLY);
    setText(getItem());
  }

  @Override
  protected void updateItem(String text, boolean empty) {
    super.updateItem(text, empty);
    if (isEditing()) {
      return;
    }
    setGraphic(null);
    setContentDisplay(ContentDisplay.TEXT_ONLY);
    setText(empty ? null : text);
  }
}
