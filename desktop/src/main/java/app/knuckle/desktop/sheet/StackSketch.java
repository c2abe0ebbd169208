package app.knuckle.desktop.sheet;

import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Stack;
import app.knuckle.study.table.Column;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;

/** The first cells of a sheet as they stand, and as they would stand when stacked. */
public final class StackSketch extends HBox {

  private static final int COLUMNS = 3;
  private static final int ROWS = 2;
  private static final String MORE = "\u2026";

  /**
   * A sketch.
   *
   * @param frame the sheet; it has the columns of the step
   * @param stack the step that is offered
   */
  public StackSketch(Frame frame, Stack stack) {
    getStyleClass().add("stack-sketch");
    setAccessibleText(
        "A column each for "
            + stack.columns().size()
            + " becomes two columns, "
            + stack.names()
            + " and "
            + stack.values());
    List<Column> columns = stack.columns().stream().limit(COLUMNS).map(frame::column).toList();
    boolean more = stack.columns().size() > COLUMNS;
    TextGrid before = new TextGrid(heads(columns, more), 0);
    TextGrid after = new TextGrid(List.of(stack.names(), stack.values()), 1);
    for (int row = 0; row < Math.min(ROWS, frame.rows()); row++) {
      List<String> cells = new ArrayList<>();
      for (Column column : columns) {
        cells.add(column.text(row));
        if (!column.isMissing(row)) {
          after.addRow(List.of(column.name(), column.text(row)), "stack-sketch-cell");
        }
      }
      if (more) {
        cells.add(MORE);
      }
      before.addRow(cells, "stack-sketch-cell");
    }
    Label arrow = new Label("\u2192");
    arrow.getStyleClass().add("stack-sketch-arrow");
    getChildren().addAll(before, arrow, after);
  }

  private static List<String> heads(List<Column> columns, boolean more) {
    List<String> heads = new ArrayList<>(columns.stream().map(Column::name).toList());
    if (more) {
      heads.add(MORE);
    }
    return heads;
  }
}
