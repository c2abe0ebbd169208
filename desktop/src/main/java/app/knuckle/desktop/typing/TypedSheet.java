package app.knuckle.desktop.typing;

import app.knuckle.formats.records.RecordsFile;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;

/** Cells being typed: names above, rows below. It grows as it is filled. */
final class TypedSheet {

  private static final int FIRST_ROWS = 12;
  private static final int FIRST_COLUMNS = 3;

  private final List<String> names = new ArrayList<>();
  private final List<List<String>> rows = new ArrayList<>();

  /** An empty sheet. */
  TypedSheet() {
    IntStream.rangeClosed(1, FIRST_COLUMNS).forEach(c -> addColumn());
    IntStream.rangeClosed(1, FIRST_ROWS).forEach(r -> addRow());
  }

  /** A sheet with the cells of a table, to be typed further. */
  TypedSheet(Table table) {
    table.columns().forEach(column -> names.add(column.name()));
    for (int row = 0; row < table.rows(); row++) {
      List<String> cells = new ArrayList<>();
      for (Column column : table.columns()) {
        cells.add(column.text(row));
      }
      rows.add(cells);
    }
    addRow();
  }

  List<String> names() {
    return names;
  }

  int rows() {
    return rows.size();
  }

  String cell(int row, int column) {
    return rows.get(row).get(column);
  }

  void addRow() {
    rows.add(new ArrayList<>(Collections.nCopies(names.size(), "")));
  }

  void addColumn() {
    names.add("column " + (names.size() + 1));
    rows.forEach(row -> row.add(""));
  }

  void name(int column, String name) {
    names.set(column, name.isBlank() ? "column " + (column + 1) : name.strip());
  }

  /** Writes a cell; the last row filled is followed by another. */
  void set(int row, int column, String text) {
    rows.get(row).set(column, text);
    if (row == rows.size() - 1 && !text.isBlank()) {
      addRow();
    }
  }

  /** Pastes a block of cells, tabs between columns, with its corner at a cell. */
  void paste(int row, int column, String block) {
    String[] lines = block.split("\\R", -1);
    int count =
        lines.length > 1 && lines[lines.length - 1].isEmpty() ? lines.length - 1 : lines.length;
    for (int r = 0; r < count; r++) {
      String[] cells = lines[r].split("\t", -1);
      while (rows.size() <= row + r) {
        addRow();
      }
      for (int c = 0; c < cells.length; c++) {
        while (names.size() <= column + c) {
          addColumn();
        }
        set(row + r, column + c, cells[c].strip());
      }
    }
  }

  /** Copies a cell into those below it, down to a row. */
  void fillDown(int from, int to, int column) {
    for (int row = from + 1; row <= to; row++) {
      set(row, column, cell(from, column));
    }
  }

  /** The table of all rows and columns that hold something. */
  Table table(String name) {
    List<Integer> used =
        IntStream.range(0, names.size())
            .filter(
                c ->
                    !names.get(c).equals("column " + (c + 1))
                        || rows.stream().anyMatch(row -> !row.get(c).isBlank()))
            .boxed()
            .toList();
    List<List<String>> cells = new ArrayList<>();
    cells.add(used.stream().map(names::get).toList());
    for (List<String> row : rows) {
      List<String> kept = used.stream().map(row::get).toList();
      if (kept.stream().anyMatch(c -> !c.isBlank())) {
        cells.add(kept);
      }
    }
    return RecordsFile.ofCells(name, cells);
  }
}
