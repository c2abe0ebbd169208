package app.knuckle.study.cells;

import app.knuckle.stats.linear.Factor;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Numbers;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What was laid out where and how often, as a grid: treatments against treatments with a dot for
 * each unit in the colour of its block; rows against columns of a square; blocks against whole
 * plots with their subplots; units against occasions.
 *
 * @param rowsTitle what the rows are; empty for a single row
 * @param rows names of the rows
 * @param columnsTitle what the columns are
 * @param columns names of the columns
 * @param colourTitle what the colours are; empty for none
 * @param colours names of the colours
 * @param cells row by row
 * @param moreRows rows that there was no room for
 */
public record PlotGrid(
    String rowsTitle,
    List<String> rows,
    String columnsTitle,
    List<String> columns,
    String colourTitle,
    List<String> colours,
    List<List<Cell>> cells,
    int moreRows) {

  /** More rows or columns than this have no room. */
  private static final int MOST = 24;

  /** More units than this in a cell are a number, not dots. */
  public static final int MOST_DOTS = 24;

  /**
   * A cell.
   *
   * @param n rows with a value
   * @param colours of the first of them, from 0; -1 for none
   * @param row the first of them in the frame, from 0; -1 for none
   */
  public record Cell(int n, List<Integer> colours, int row) {}

  /**
   * Lays out a response.
   *
   * @param frame the records
   * @param inquiry the design
   * @param response measured
   * @return null without a treatment, or where columns have too many levels
   */
  public static PlotGrid of(Frame frame, Inquiry inquiry, Numbers response) {
    List<String> treatments = inquiry.treatments();
    if (treatments.isEmpty()) {
      return null;
    }
    List<String> rows;
    List<String> columns;
    List<String> colours;
    if (inquiry.unit() != null && !inquiry.occasions().isEmpty()) {
      rows = List.of(inquiry.unit());
      columns = inquiry.occasions();
      colours = without(treatments, inquiry.occasions());
    } else if (inquiry.blocks().size() == 2) {
      rows = inquiry.blocks().subList(0, 1);
      columns = inquiry.blocks().subList(1, 2);
      colours = treatments;
    } else if (!inquiry.wholePlots().isEmpty() && !inquiry.blocks().isEmpty()) {
      rows = inquiry.blocks();
      columns = inquiry.wholePlots();
      colours = without(treatments, inquiry.wholePlots());
    } else {
      boolean one = treatments.size() == 1;
      rows = new ArrayList<>(one ? List.of() : treatments.subList(0, 1));
      columns = one ? treatments : treatments.subList(1, 2);
      if (!one) {
        rows.addAll(treatments.subList(2, treatments.size()));
      }
      colours = inquiry.blocks().isEmpty() ? outermost(inquiry) : inquiry.blocks();
    }
    List<String> all = new ArrayList<>(rows);
    all.addAll(columns);
    all.addAll(colours);
    Parts parts = new Parts(frame, List.of(), all);
    return new Maker(parts, response, rows, columns, colours).grid(frame.rows());
  }

  /** The outermost random grouping that is no treatment; none without random effects. */
  private static List<String> outermost(Inquiry inquiry) {
    return inquiry.random().terms().stream()
        .map(term -> term.get(0))
        .filter(column -> !inquiry.treatments().contains(column))
        .limit(1)
        .toList();
  }

  private static List<String> without(List<String> names, List<String> out) {
    return names.stream().filter(n -> !out.contains(n)).toList();
  }

  private static final class Maker {
    private final Parts parts;
    private final Numbers response;
    private final List<String> rows;
    private final List<String> columns;
    private final List<String> colours;

    Maker(
        Parts parts,
        Numbers response,
        List<String> rows,
        List<String> columns,
        List<String> colours) {
      this.parts = parts;
      this.response = response;
      this.rows = rows;
      this.columns = columns;
      this.colours = colours;
    }

    PlotGrid grid(int size) {
      List<String> rowNames = names(rows);
      List<String> columnNames = names(columns);
      List<String> colourNames = colours.isEmpty() ? List.of() : names(colours);
      int shown = Math.min(MOST, rowNames.size());
      if (columnNames.size() > MOST * 2) {
        return null;
      }
      int[][] counts = new int[shown][columnNames.size()];
      int[][] first = new int[shown][columnNames.size()];
      Map<List<Integer>, List<Integer>> dots = new LinkedHashMap<>();
      int[] rowOf = codes(rows, size);
      int[] columnOf = codes(columns, size);
      int[] colourOf = codes(colours, size);
      for (int row = 0; row < size; row++) {
        if (!parts.isUsed(row) || response.isMissing(row)) {
          continue;
        }
        int r = rowOf[row];
        int c = columnOf[row];
        if (r >= shown) {
          continue;
        }
        first[r][c] = counts[r][c]++ == 0 ? row : first[r][c];
        if (counts[r][c] <= MOST_DOTS) {
          dots.computeIfAbsent(List.of(r, c), k -> new ArrayList<>())
              .add(colours.isEmpty() ? -1 : colourOf[row]);
        }
      }
      List<List<Cell>> cells = new ArrayList<>();
      for (int r = 0; r < shown; r++) {
        List<Cell> line = new ArrayList<>();
        for (int c = 0; c < columnNames.size(); c++) {
          int n = counts[r][c];
          List<Integer> own = dots.getOrDefault(List.of(r, c), List.of());
          line.add(new Cell(n, own.stream().sorted().toList(), n == 0 ? -1 : first[r][c]));
        }
        cells.add(line);
      }
      return new PlotGrid(
          String.join(" and ", rows),
          rowNames.subList(0, shown),
          String.join(" and ", columns),
          columnNames,
          String.join(" and ", colours),
          colourNames,
          cells,
          rowNames.size() - shown);
    }

    /** The combination of levels of each row that is used. */
    private int[] codes(List<String> names, int size) {
      return Factor.combinations(parts.factors(names), size);
    }

    private List<String> names(List<String> of) {
      return Combinations.of(of, name -> parts.factor(name).levels()).stream()
          .map(levels -> levels.isEmpty() ? "" : GroupSummary.name(levels))
          .toList();
    }
  }
}
