package app.knuckle.desktop.controls;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.TablePosition;
import javafx.scene.control.TableView;

/** The cells that are selected in a table. */
public final class SelectedCells {

  private SelectedCells() {}

  /**
   * The selected cells as they are now.
   *
   * @param table any table
   * @return a copy of the list
   */
  public static List<TablePosition<?, ?>> of(TableView<?> table) {
    List<TablePosition<?, ?>> cells = new ArrayList<>();
    table.getSelectionModel().getSelectedCells().forEach(cell -> cells.add(cell));
    return cells;
  }
}
