package app.knuckle.desktop.typing;

import app.knuckle.desktop.controls.CellEditor;
import app.knuckle.desktop.controls.SelectedCells;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.shell.TableSource;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Table;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.collections.FXCollections;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TablePosition;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * A sheet to type records into: Tab moves right, Enter down; a block can be pasted, or filled down.
 */
public final class TypingView extends VBox {

  private static final double ROW = 30;
  private static final double WIDTH = 130;
  private static final double NUMBER_WIDTH = 48;
  private static final KeyCombination PASTE =
      new KeyCodeCombination(KeyCode.V, KeyCombination.SHORTCUT_DOWN);
  private static final KeyCombination FILL =
      new KeyCodeCombination(KeyCode.J, KeyCombination.SHORTCUT_DOWN);

  private final TypedSheet sheet;
  private final TableView<Integer> grid = new TableView<>();
  private final TextField name = new TextField("typed records");
  private final Label refusal = Texts.wrapped("", "refusal");

  /**
   * A sheet.
   *
   * @param source whose records are typed further; null for an empty sheet
   * @param done told of the table
   * @param leave goes back without it
   */
  public TypingView(TableSource source, Consumer<Table> done, Runnable leave) {
    sheet = source == null ? new TypedSheet() : new TypedSheet(source.table());
    setId("typing");
    getStyleClass().add("joint");
    grid.setId("typing-grid");
    grid.getStyleClass().addAll("records-table", "typing-grid");
    grid.setEditable(true);
    grid.setFixedCellSize(ROW);
    grid.getSelectionModel().setCellSelectionEnabled(true);
    grid.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
    grid.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    grid.addEventHandler(KeyEvent.KEY_TYPED, this::typed);
    VBox.setVgrow(grid, Priority.ALWAYS);
    name.setId("typing-name");
    if (source != null) {
      name.setText(source.name());
      name.setDisable(true);
    }
    Button column =
        button(
            "typing-column",
            "Add a column",
            () -> {
              sheet.addColumn();
              columns();
            });
    Button row =
        button(
            "typing-row",
            "Add a row",
            () -> {
              sheet.addRow();
              rows();
            });
    Button fill = button("typing-fill", "Fill down (Ctrl J)", this::fillDown);
    Button use = new Button("Use these records");
    use.setId("typing-done");
    use.getStyleClass().add("go");
    use.setOnAction(event -> use(done));
    Button cancel = button("typing-leave", "Leave them", leave);
    Label named = Texts.line("name", "fact-name");
    HBox bar = new HBox(named, name, column, row, fill, use, cancel);
    bar.getStyleClass().add("typing-bar");
    refusal.setId("typing-refusal");
    refusal.setVisible(false);
    refusal.setManaged(false);
    getChildren()
        .addAll(
            Texts.line("Type records", "joint-title"),
            Texts.wrapped(
                "A row for each unit. Tab moves right, Enter down; cells copied from a spreadsheet"
                    + " are pasted with Ctrl V.",
                "joint-line"),
            bar,
            refusal,
            grid);
    columns();
    rows();
  }

  private static Button button(String id, String title, Runnable action) {
    Button button = new Button(title);
    button.setId(id);
    button.getStyleClass().add("bar-button");
    button.setMinWidth(USE_PREF_SIZE);
    button.setOnAction(event -> action.run());
    return button;
  }

  private void use(Consumer<Table> done) {
    try {
      done.accept(sheet.table(name.getText().isBlank() ? "typed records" : name.getText()));
    } catch (Refused e) {
      refusal.setText(e.refusal().words());
      refusal.setVisible(true);
      refusal.setManaged(true);
    }
  }

  private void columns() {
    grid.getColumns().clear();
    TableColumn<Integer, String> number = new TableColumn<>();
    number.setSortable(false);
    number.setEditable(false);
    number.setPrefWidth(NUMBER_WIDTH);
    number.getStyleClass().add("row-number");
    number.setCellValueFactory(
        row -> new ReadOnlyStringWrapper(String.valueOf(row.getValue() + 1)));
    grid.getColumns().add(number);
    for (int c = 0; c < sheet.names().size(); c++) {
      int at = c;
      TableColumn<Integer, String> column = new TableColumn<>();
      column.setSortable(false);
      column.setReorderable(false);
      column.setPrefWidth(WIDTH);
      column.setCellValueFactory(row -> new ReadOnlyStringWrapper(sheet.cell(row.getValue(), at)));
      column.setCellFactory(view -> new CellEditor<>());
      column.setOnEditCommit(
          event -> {
            sheet.set(event.getRowValue(), at, event.getNewValue());
            rows();
          });
      TextField head = new TextField(sheet.names().get(c));
      head.setId("typing-head-" + c);
      head.textProperty().addListener((o, before, now) -> sheet.name(at, now));
      column.setGraphic(head);
      grid.getColumns().add(column);
    }
  }

  private void rows() {
    if (grid.getItems().size() != sheet.rows()) {
      List<TablePosition<?, ?>> selected = SelectedCells.of(grid);
      grid.setItems(
          FXCollections.observableArrayList(IntStream.range(0, sheet.rows()).boxed().toList()));
      selected.stream()
          .findFirst()
          .ifPresent(
              cell ->
                  grid.getSelectionModel()
                      .clearAndSelect(cell.getRow(), grid.getColumns().get(cell.getColumn())));
    }
    grid.refresh();
  }

  private void key(KeyEvent event) {
    TablePosition<?, ?> at = grid.getFocusModel().getFocusedCell();
    if (grid.getEditingCell() != null) {
      return;
    }
    if (PASTE.match(event)) {
      String block = Clipboard.getSystemClipboard().getString();
      if (block != null) {
        int columns = sheet.names().size();
        sheet.paste(Math.max(0, at.getRow()), Math.max(0, at.getColumn() - 1), block);
        if (columns != sheet.names().size()) {
          columns();
        }
        rows();
      }
      event.consume();
    } else if (FILL.match(event)) {
      fillDown();
      event.consume();
    } else if (event.getCode() == KeyCode.TAB && at.getRow() >= 0) {
      int next = at.getColumn() + (event.isShiftDown() ? -1 : 1);
      if (next > 0 && next < grid.getColumns().size()) {
        grid.getSelectionModel().clearAndSelect(at.getRow(), grid.getColumns().get(next));
        grid.getFocusModel().focus(at.getRow(), grid.getColumns().get(next));
        event.consume();
      }
    } else if (event.getCode() == KeyCode.DELETE) {
      SelectedCells.of(grid)
          .forEach(
              cell -> {
                if (cell.getColumn() > 0) {
                  sheet.set(cell.getRow(), cell.getColumn() - 1, "");
                }
              });
      rows();
      event.consume();
    }
  }

  /** Typing on a cell begins to write it, as in a spreadsheet. */
  private void typed(KeyEvent event) {
    TablePosition<?, ?> at = grid.getFocusModel().getFocusedCell();
    String text = event.getCharacter();
    boolean printable = !text.isEmpty() && text.charAt(0) >= ' ' && text.charAt(0) != 127;
    if (grid.getEditingCell() != null
        || !printable
        || event.isShortcutDown()
        || at.getColumn() < 1) {
      return;
    }
    grid.edit(at.getRow(), grid.getColumns().get(at.getColumn()));
    if (getScene().getFocusOwner() instanceof TextField field) {
      field.setText(text);
      field.end();
    }
    event.consume();
  }

  private void fillDown() {
    List<TablePosition<?, ?>> cells = SelectedCells.of(grid);
    IntStream columns = cells.stream().mapToInt(cell -> cell.getColumn()).distinct();
    columns
        .filter(c -> c > 0)
        .forEach(
            c -> {
              int[] rows =
                  cells.stream()
                      .filter(cell -> cell.getColumn() == c)
                      .mapToInt(cell -> cell.getRow())
                      .sorted()
                      .toArray();
              sheet.fillDown(rows[0], rows[rows.length - 1], c - 1);
            });
    rows();
  }
}
