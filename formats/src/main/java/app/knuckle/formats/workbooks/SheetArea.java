package app.knuckle.formats.workbooks;

import java.util.List;

/** Finds the table in a sheet that has titles above it or notes beside it. */
public final class SheetArea {

  private SheetArea() {}

  /**
   * The range from the row of names on; the whole sheet when there is nothing around the table.
   *
   * @param rows the first rows of a sheet
   * @return the area of its table
   */
  public static Area guess(List<Book.Row> rows) {
    int widest = rows.stream().mapToInt(row -> filledCells(row.cells())).max().orElse(0);
    Book.Row head =
        rows.stream()
            .filter(row -> 2 * filledCells(row.cells()) >= widest)
            .findFirst()
            .orElse(rows.get(0));
    List<Book.Row> below = rows.subList(rows.indexOf(head), rows.size());
    int left = 1;
    while (left < head.cells().size() && isEmpty(below, left)) {
      left++;
    }
    int right = left;
    while (right < width(below) && !isEmpty(below, right + 1)) {
      right++;
    }
    boolean notesBeside = right < width(below);
    boolean titleAbove = head != rows.get(0);
    return left == 1 && !notesBeside && !titleAbove
        ? Area.ALL
        : new Area(head.number(), left, Area.OPEN, notesBeside ? right : Area.OPEN);
  }

  private static int filledCells(List<String> cells) {
    return (int) cells.stream().filter(c -> !c.isBlank()).count();
  }

  private static int width(List<Book.Row> rows) {
    return rows.stream().mapToInt(row -> row.cells().size()).max().orElse(0);
  }

  private static boolean isEmpty(List<Book.Row> rows, int column) {
    return rows.stream()
        .allMatch(row -> row.cells().size() < column || row.cells().get(column - 1).isBlank());
  }
}
