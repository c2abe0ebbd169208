package app.knuckle.desktop.controls;

import java.util.List;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** A small table of results: names at the left, numbers at the right edge of their columns. */
public final class TextGrid extends GridPane {

  private int rows;

  /**
   * A table with heads.
   *
   * @param heads of the columns
   * @param leftColumns how many columns hold names
   */
  public TextGrid(List<String> heads, int leftColumns) {
    getStyleClass().add("text-grid");
    for (int c = 0; c < heads.size(); c++) {
      ColumnConstraints column = new ColumnConstraints();
      column.setHalignment(c < leftColumns ? HPos.LEFT : HPos.RIGHT);
      column.setHgrow(Priority.SOMETIMES);
      getColumnConstraints().add(column);
    }
    addRow(heads, "text-grid-head");
  }

  /**
   * Adds a row.
   *
   * @param cells ready to show
   * @param styleClass of its cells
   */
  public void addRow(List<String> cells, String styleClass) {
    addNodes(cells.stream().map(Label::new).toList(), styleClass);
  }

  /**
   * Adds a row of nodes.
   *
   * @param cells one a column
   * @param styleClass of its cells
   */
  public void addNodes(List<? extends Node> cells, String styleClass) {
    Region line = new Region();
    line.getStyleClass().addAll("text-grid-line", styleClass + "-line");
    add(line, 0, rows, cells.size(), 1);
    for (int c = 0; c < cells.size(); c++) {
      Node cell = cells.get(c);
      cell.getStyleClass().addAll("text-grid-cell", styleClass);
      if (cell instanceof Label label) {
        label.setMinWidth(USE_PREF_SIZE);
      }
      add(cell, c, rows);
    }
    rows++;
  }
}
