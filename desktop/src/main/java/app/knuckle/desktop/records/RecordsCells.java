package app.knuckle.desktop.records;

import app.knuckle.desktop.sheet.Cells;
import app.knuckle.study.notice.Notice;
import app.knuckle.study.table.Numbers;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The records of a page as a sheet shows them: a row is only its number, over the columns. */
final class RecordsCells implements Cells {

  private static final double NARROWEST = 104;
  private static final double WIDEST = 280;
  private static final double CHARACTER = 8;
  private static final double EDGES = 28;

  private final RecordsPage page;
  private final int[] order;
  private final List<Head> heads;
  private final Map<String, Map<Integer, String>> odd = new HashMap<>();

  /**
   * The cells of a page.
   *
   * @param page the page
   * @param order rows of the frame as they are seen; null for all as read
   */
  RecordsCells(RecordsPage page, int[] order) {
    this.page = page;
    this.order = order;
    heads = page.columns().stream().map(RecordsCells::head).toList();
    for (Notice notice : page.notices()) {
      Map<Integer, String> rows = odd.computeIfAbsent(notice.column(), column -> new HashMap<>());
      notice.rows().forEach(row -> rows.putIfAbsent(row, notice.words()));
    }
  }

  private static Head head(RecordsPage.Head column) {
    double name = column.name().length() * CHARACTER + EDGES;
    double levels = column.glance().longest() * CHARACTER + EDGES;
    boolean number = column.glance().column() instanceof Numbers;
    return new Head(
        column.name(),
        column.line(),
        column.part(),
        column.glance().shape(),
        !number,
        column.notices() == 0 ? "" : column.notices() + " odd",
        number,
        Math.max(NARROWEST, Math.min(WIDEST, Math.max(name, levels))));
  }

  @Override
  public List<Head> heads() {
    return heads;
  }

  @Override
  public int rows() {
    return order == null ? page.frame().rows() : order.length;
  }

  /** The row of the frame that stands at a place of the view. */
  int frameRow(int row) {
    return order == null ? row : order[row];
  }

  @Override
  public String text(int row, int column) {
    return page.columns().get(column).glance().cell(frameRow(row));
  }

  @Override
  public String whole(int row, int column) {
    return page.columns().get(column).glance().column().text(frameRow(row));
  }

  @Override
  public String name(int row) {
    return String.valueOf(frameRow(row) + 1);
  }

  @Override
  public String struck(int row) {
    int at = frameRow(row);
    return page.frame().inPlay(at) ? "" : page.frame().leftOut().get(at);
  }

  @Override
  public String odd(int row, int column) {
    if (odd.isEmpty()) {
      return "";
    }
    String here = oddIn(page.columns().get(column).name(), row);
    return here.isEmpty() ? oddIn("", row) : here;
  }

  private String oddIn(String column, int row) {
    return odd.getOrDefault(column, Map.of()).getOrDefault(frameRow(row), "");
  }
}
