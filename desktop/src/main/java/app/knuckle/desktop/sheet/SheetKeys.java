package app.knuckle.desktop.sheet;

import javafx.scene.input.KeyEvent;

/** What keys do on a sheet. */
final class SheetKeys {

  private final Sheet sheet;

  SheetKeys(Sheet sheet) {
    this.sheet = sheet;
  }

  void pressed(KeyEvent event) {
    if (sheet.isEmpty() || event.getTarget() != sheet || event.isAltDown()) {
      return;
    }
    boolean far = event.isShortcutDown();
    int page = sheet.geometry().page();
    Place at = sheet.focus();
    switch (event.getCode()) {
      case UP -> go(event, far ? new Place(0, at.column()) : at.moved(-1, 0));
      case DOWN -> go(event, far ? new Place(last(), at.column()) : at.moved(1, 0));
      case LEFT -> go(event, far ? new Place(at.row(), 0) : at.moved(0, -1));
      case RIGHT -> go(event, far ? new Place(at.row(), lastColumn()) : at.moved(0, 1));
      case PAGE_UP -> go(event, at.moved(-page, 0));
      case PAGE_DOWN -> go(event, at.moved(page, 0));
      case HOME -> go(event, new Place(far ? 0 : at.row(), 0));
      case END -> go(event, new Place(far ? last() : at.row(), lastColumn()));
      case ENTER, F2 -> sheet.write(at, null);
      case DELETE, BACK_SPACE -> sheet.clear();
      case A -> {
        if (!far) {
          return;
        }
        sheet.select(Selection.between(new Place(last(), lastColumn()), new Place(0, 0)));
      }
      case C -> {
        if (!far) {
          return;
        }
        sheet.copy();
      }
      default -> {
        return;
      }
    }
    event.consume();
  }

  /** Typing on a cell begins to write it, as in a spreadsheet. */
  void typed(KeyEvent event) {
    String text = event.getCharacter();
    boolean printable = !text.isEmpty() && text.charAt(0) > ' ' && text.charAt(0) != '\u007f';
    if (!sheet.isEmpty()
        && event.getTarget() == sheet
        && printable
        && !event.isShortcutDown()
        && !event.isAltDown()) {
      sheet.write(sheet.focus(), text);
      event.consume();
    }
  }

  private void go(KeyEvent event, Place wanted) {
    Place to = sheet.nearest(wanted);
    sheet.select(
        event.isShiftDown() ? sheet.selectionProperty().get().stretchedTo(to) : Selection.of(to));
  }

  private int last() {
    return sheet.geometry().rows() - 1;
  }

  private int lastColumn() {
    return sheet.geometry().columns() - 1;
  }
}
