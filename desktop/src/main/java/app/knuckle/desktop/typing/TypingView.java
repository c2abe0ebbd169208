package app.knuckle.desktop.typing;

import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.sheet.Cells;
import app.knuckle.desktop.sheet.Place;
import app.knuckle.desktop.sheet.Sheet;
import app.knuckle.desktop.workbench.TableSource;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Table;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
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

  private static final double HEADS = 36;
  private static final double WIDTH = 130;
  private static final KeyCombination PASTE =
      new KeyCodeCombination(KeyCode.V, KeyCombination.SHORTCUT_DOWN);
  private static final KeyCombination FILL =
      new KeyCodeCombination(KeyCode.J, KeyCombination.SHORTCUT_DOWN);

  private final TypedSheet typed;
  private final Sheet sheet = new Sheet(HEADS, true, this::written);
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
    typed = source == null ? new TypedSheet() : new TypedSheet(source.table());
    setId("typing");
    getStyleClass().add("joint");
    sheet.setId("typing-grid");
    sheet.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    sheet.onCleared(
        places -> {
          places.forEach(place -> typed.set(place.row(), place.column(), ""));
          show();
        });
    VBox.setVgrow(sheet, Priority.ALWAYS);
    name.setId("typing-name");
    name.setAccessibleText("name of the table");
    if (source != null) {
      name.setText(source.name());
      name.setDisable(true);
    }
    Button column = button("typing-column", "Add a column", typed::addColumn);
    Button row = button("typing-row", "Add a row", typed::addRow);
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
                "A row for each unit, names of columns on top. Just type: Tab moves right, Enter"
                    + " down; cells copied from a spreadsheet are pasted with Ctrl V.",
                "joint-line"),
            bar,
            refusal,
            sheet);
    show();
    sheet.goTo(new Place(Place.HEAD, 0));
    sheet.sceneProperty().addListener((o, before, now) -> sheet.requestFocus());
  }

  private Button button(String id, String title, Runnable action) {
    Button button = new Button(title);
    button.setId(id);
    button.getStyleClass().add("bar-button");
    button.setMinWidth(USE_PREF_SIZE);
    button.setOnAction(
        event -> {
          action.run();
          show();
        });
    return button;
  }

  private void use(Consumer<Table> done) {
    try {
      done.accept(typed.table(name.getText().isBlank() ? "typed records" : name.getText()));
    } catch (Refused e) {
      refusal.setText(e.refusal().words());
      refusal.setVisible(true);
      refusal.setManaged(true);
    }
  }

  private void show() {
    List<Cells.Head> heads =
        typed.names().stream().map(name -> Cells.Head.named(name, WIDTH)).toList();
    sheet.show(new TypedCells(typed, heads));
  }

  private record TypedCells(TypedSheet typed, List<Head> heads) implements Cells {
    @Override
    public int rows() {
      return typed.rows();
    }

    @Override
    public String text(int row, int column) {
      return typed.cell(row, column);
    }
  }

  private void written(Place place, String text) {
    if (place.row() == Place.HEAD) {
      typed.name(place.column(), text);
    } else {
      typed.set(place.row(), place.column(), text);
    }
    show();
  }

  private void key(KeyEvent event) {
    Place at = sheet.focus();
    if (event.getTarget() != sheet) {
      return; // A cell is being written.
    }
    if (PASTE.match(event)) {
      String block = Clipboard.getSystemClipboard().getString();
      if (block != null) {
        typed.paste(Math.max(0, at.row()), at.column(), block);
        show();
      }
    } else if (FILL.match(event)) {
      fillDown();
    } else if (event.getCode() == KeyCode.TAB) {
      int next = at.column() + (event.isShiftDown() ? -1 : 1);
      if (next < 0 || next >= typed.names().size()) {
        return; // Beyond the ends the keyboard leaves the sheet.
      }
      sheet.goTo(new Place(at.row(), next));
    } else {
      return;
    }
    event.consume();
  }

  private void fillDown() {
    int[] rows = sheet.selectedRows();
    for (int column : rows.length == 0 ? new int[0] : sheet.selectedColumns()) {
      typed.fillDown(rows[0], rows[rows.length - 1], column);
    }
    show();
  }
}
