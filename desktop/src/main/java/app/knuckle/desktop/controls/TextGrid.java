package app.knuckle.desktop.controls;

import app.knuckle.desktop.explain.Explain;
import app.knuckle.desktop.explain.Topic;
import app.knuckle.formats.documents.Taken;
import app.knuckle.formats.report.Block;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntConsumer;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.ScrollEvent;
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
    MenuItem copy = new MenuItem("Copy this table");
    copy.setOnAction(event -> Clip.put(Taken.of(List.of(asTable()))));
    ContextMenu menu = new ContextMenu(copy);
    setOnContextMenuRequested(event -> menu.show(this, event.getScreenX(), event.getScreenY()));
    for (int c = 0; c < heads.size(); c++) {
      ColumnConstraints column = new ColumnConstraints();
      column.setHalignment(c < leftColumns ? HPos.LEFT : HPos.RIGHT);
      column.setHgrow(Priority.SOMETIMES);
      getColumnConstraints().add(column);
    }
    List<Label> labels = heads.stream().map(Label::new).toList();
    for (Label label : labels) {
      Meanings.of(label.getText())
          .ifPresent(
              meaning -> {
                Texts.hint(label, meaning);
                label.setOnMouseClicked(event -> Explain.ask(label, Topic.WORDS));
              });
    }
    addNodes(labels, "text-grid-head");
  }

  /**
   * Lets the heads be clicked, or pressed with Enter or space.
   *
   * @param told of the column
   * @return this
   */
  public TextGrid onHead(IntConsumer told) {
    for (Node cell : getChildren()) {
      if (cell instanceof Label label && label.getStyleClass().contains("text-grid-head")) {
        int column = GridPane.getColumnIndex(label);
        label.getStyleClass().add("text-grid-sorting");
        label.setFocusTraversable(true);
        label.setOnMouseClicked(event -> told.accept(column));
        label.setOnKeyPressed(
            event -> {
              if (event.getCode() == KeyCode.ENTER || event.getCode() == KeyCode.SPACE) {
                told.accept(column);
                event.consume();
              }
            });
      }
    }
    return this;
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

  /**
   * The table in a pane of its own, so that a wide one moves within the page around it: the pane.
   */
  public ScrollPane withinPage() {
    ScrollPane pane = new ScrollPane(this);
    pane.setFitToWidth(true);
    pane.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    pane.setFocusTraversable(false);
    pane.setMinWidth(0);
    pane.getStyleClass().add("table-scroll");
    pane.addEventFilter(
        ScrollEvent.SCROLL,
        event -> {
          // A wheel moves the page, not the table in it sideways.
          if (Math.abs(event.getDeltaY()) > Math.abs(event.getDeltaX())) {
            event.consume();
            pane.getParent().fireEvent(event.copyFor(pane.getParent(), pane.getParent()));
          }
        });
    return pane;
  }

  /**
   * What stands in it, as a table of a page: for a document or a spreadsheet. Returns its heads and
   * rows; what is drawn rather than written is left empty.
   */
  public Block.Table asTable() {
    String[][] texts = new String[rows][getColumnConstraints().size()];
    for (String[] row : texts) {
      Arrays.fill(row, "");
    }
    for (Node cell : getChildren()) {
      if (cell instanceof Labeled label) {
        texts[GridPane.getRowIndex(cell)][GridPane.getColumnIndex(cell)] = label.getText();
      }
    }
    List<List<String>> all = Arrays.stream(texts).map(List::of).toList();
    return new Block.Table(Block.Part.ANALYSIS, "", all.get(0), all.subList(1, rows), "");
  }
}
