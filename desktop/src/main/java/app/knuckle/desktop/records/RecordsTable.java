package app.knuckle.desktop.records;

import app.knuckle.desktop.controls.CellEditor;
import app.knuckle.desktop.controls.SelectedCells;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.controls.Thumbnail;
import app.knuckle.study.table.Numbers;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.collections.ObservableListBase;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableRow;
import javafx.scene.control.TableView;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * Every row of a frame, over its columns as they are: a row is only its number, so that a million
 * rows cost no more than those in view.
 */
final class RecordsTable extends TableView<Integer> {

  private static final PseudoClass ASIDE = PseudoClass.getPseudoClass("aside");
  private static final PseudoClass ODD = PseudoClass.getPseudoClass("notice");
  private static final double ROW = 32;
  private static final double NUMBER_WIDTH = 56;
  private static final double NARROWEST = 104;
  private static final double WIDEST = 280;
  private static final double CHARACTER = 8;
  private static final double EDGES = 28;

  private final Consumer<String> looked;
  private final Edited edited;
  private final Map<String, Set<Integer>> odd = new HashMap<>();
  private RecordsPage page;
  private int[] order;
  private boolean orderShown;

  /** Told of an edited cell. */
  interface Edited {
    void cell(int row, String column, String text);
  }

  RecordsTable(Consumer<String> looked, Edited edited) {
    this.looked = looked;
    this.edited = edited;
    setId("records-table");
    getStyleClass().add("records-table");
    setFixedCellSize(ROW);
    setEditable(true);
    getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
    getSelectionModel().setCellSelectionEnabled(true);
    setRowFactory(view -> new RecordRow());
    setPlaceholder(new Label(""));
  }

  void show(RecordsPage shown, int[] rowsInOrder) {
    boolean sameColumns = page != null && page.columns().equals(shown.columns());
    boolean sameRows =
        page != null
            && orderShown
            && page.frame().rows() == shown.frame().rows()
            && order == rowsInOrder;
    setPlaceholder(new Label("No row to show"));
    page = shown;
    order = rowsInOrder;
    orderShown = true;
    odd.clear();
    shown
        .notices()
        .forEach(n -> odd.computeIfAbsent(n.column(), key -> new HashSet<>()).addAll(n.rows()));
    boolean first = getItems().isEmpty() && shown.columns().size() > NARROW;
    if (!sameColumns) {
      List<TableColumn<Integer, String>> columns = new ArrayList<>(List.of(numberColumn()));
      shown.columns().forEach(head -> columns.add(column(head)));
      getColumns().setAll(columns);
      addHeads(shown, 0, first ? HEADS_AT_A_TIME : shown.columns().size());
    }
    if (sameRows) {
      refresh();
      return;
    }
    RowNumbers numbers = new RowNumbers(order, order == null ? shown.frame().rows() : order.length);
    if (first) {
      setMaxHeight(HEAD_HEIGHT);
      nextPulse(
          () -> {
            setItems(numbers);
            unroll(HEAD_HEIGHT);
          });
    } else {
      setItems(numbers);
    }
  }

  /** Tables up to this width are made at once. */
  private static final int NARROW = 10;

  private static final int HEADS_AT_A_TIME = 2;

  /** Heads come a few at a time at first: all of them made and styled at once would be felt. */
  private void addHeads(RecordsPage shown, int from, int most) {
    int to = Math.min(shown.columns().size(), from + most);
    for (int c = from; c < to; c++) {
      getColumns().get(c + 1).setGraphic(graphic(shown.columns().get(c)));
    }
    if (to < shown.columns().size()) {
      nextPulse(
          () -> {
            if (page.columns().equals(shown.columns())) {
              addHeads(shown, to, most);
            }
          });
    }
  }

  private static final double HEAD_HEIGHT = 120;

  /** The rows too: the view is let down by a row each time it was painted. */
  private void unroll(double height) {
    // A view that was closed meanwhile has no window to fill.
    boolean whole = getScene() == null || height > getScene().getHeight();
    setMaxHeight(whole ? Double.MAX_VALUE : height);
    if (!whole) {
      nextPulse(() -> unroll(height + ROW));
    }
  }

  /** What is run later twice comes after the next painting. */
  private static void nextPulse(Runnable action) {
    Platform.runLater(() -> Platform.runLater(action));
  }

  /** The rows of a view, by their numbers. */
  private static final class RowNumbers extends ObservableListBase<Integer> {
    private final int[] order;
    private final int size;

    RowNumbers(int[] order, int size) {
      this.order = order;
      this.size = size;
    }

    @Override
    public Integer get(int index) {
      return order == null ? index : order[index];
    }

    @Override
    public int size() {
      return size;
    }
  }

  /** Rows of the frame in which a cell is selected, from 0. */
  List<Integer> selectedRows() {
    return SelectedCells.of(this).stream()
        .map(cell -> cell.getRow())
        .filter(row -> row >= 0 && row < getItems().size())
        .map(getItems()::get)
        .distinct()
        .sorted()
        .toList();
  }

  /** Goes to a place in the view and selects it. */
  void goTo(int place) {
    scrollTo(Math.max(0, place - 2));
    getSelectionModel().clearAndSelect(place, getColumns().get(0));
    getFocusModel().focus(place, getColumns().get(0));
  }

  private TableColumn<Integer, String> numberColumn() {
    TableColumn<Integer, String> column = new TableColumn<>();
    column.setSortable(false);
    column.setReorderable(false);
    column.setEditable(false);
    int digits = String.valueOf(page.frame().rows()).length();
    column.setPrefWidth(Math.max(NUMBER_WIDTH, digits * CHARACTER + EDGES));
    column.getStyleClass().add("row-number");
    column.setCellValueFactory(
        row -> new ReadOnlyStringWrapper(String.valueOf(row.getValue() + 1)));
    return column;
  }

  private TableColumn<Integer, String> column(RecordsPage.Head head) {
    TableColumn<Integer, String> column = new TableColumn<>();
    column.setSortable(false);
    column.setReorderable(false);
    column.setId("column-" + head.name());
    double name = head.name().length() * CHARACTER + EDGES;
    double levels = Math.min(WIDEST, head.glance().longest() * CHARACTER + EDGES);
    column.setPrefWidth(Math.max(NARROWEST, Math.max(name, levels)));
    boolean number = head.glance().column() instanceof Numbers;
    column.getStyleClass().add(number ? "number-column" : "category-column");
    column.setCellValueFactory(
        row -> new ReadOnlyStringWrapper(head.glance().cell(row.getValue())));
    column.setCellFactory(view -> new RecordCell(head));
    column.setOnEditCommit(
        event -> {
          String text = event.getNewValue().strip();
          if (!text.equals(head.glance().column().text(event.getRowValue()))) {
            edited.cell(event.getRowValue(), head.name(), text);
          }
        });
    return column;
  }

  private VBox graphic(RecordsPage.Head head) {
    Region band = new Region();
    band.getStyleClass().addAll("part-band", "part-" + head.part().name().toLowerCase(Locale.ROOT));
    Label part = Texts.line(head.part().title(), "part-name");
    part.getStyleClass().add("part-" + head.part().name().toLowerCase(Locale.ROOT) + "-text");
    HBox below = new HBox(part);
    below.getStyleClass().add("part-line");
    if (head.notices() > 0) {
      Label mark = Texts.line(head.notices() + " odd", "head-notice");
      below.getChildren().add(mark);
    }
    VBox box =
        new VBox(
            band,
            Texts.line(head.name(), "column-name"),
            Texts.line(head.line(), "column-line"),
            new Thumbnail(head.glance().shape(), !(head.glance().column() instanceof Numbers)),
            below);
    box.getStyleClass().add("column-head");
    box.setOnMouseClicked(event -> looked.accept(head.name()));
    return box;
  }

  private final class RecordCell extends CellEditor<Integer> {
    private final RecordsPage.Head head;

    RecordCell(RecordsPage.Head head) {
      this.head = head;
    }

    @Override
    protected void updateItem(String text, boolean empty) {
      super.updateItem(text, empty);
      Integer row = getTableRow() == null ? null : getTableRow().getItem();
      pseudoClassStateChanged(
          ODD, row != null && !empty && odd.getOrDefault(head.name(), Set.of()).contains(row));
    }
  }

  private final class RecordRow extends TableRow<Integer> {
    @Override
    protected void updateItem(Integer row, boolean empty) {
      super.updateItem(row, empty);
      boolean known = row != null && !empty && page != null;
      boolean aside = known && !page.frame().inPlay(row);
      pseudoClassStateChanged(ASIDE, aside);
      pseudoClassStateChanged(ODD, known && odd.getOrDefault("", Set.of()).contains(row));
      setTooltip(aside ? new Tooltip(page.frame().leftOut().get(row)) : null);
    }
  }
}
