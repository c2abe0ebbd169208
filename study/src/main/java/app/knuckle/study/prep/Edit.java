package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.MissingMarks;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * Single cells are written anew; the source keeps what it had.
 *
 * @param cells the cells, each once
 * @param off switched off
 */
public record Edit(List<Cell> cells, boolean off) implements Step {

  /** Cells named in the line under the title; more of them would fill the trail. */
  private static final int NAMED = 3;

  public Edit {
    cells = List.copyOf(cells);
  }

  /**
   * One cell.
   *
   * @param row of the records where the step stands in the trail, the first is 1
   * @param column its name
   * @param to what it holds from now on; empty for nothing
   */
  public record Cell(int row, String column, String to) {}

  /**
   * The same with one more cell; an earlier edit of that cell gives way.
   *
   * @param cell the cell
   * @return the step
   */
  public Edit and(Cell cell) {
    List<Cell> all = new ArrayList<>(cells);
    all.removeIf(c -> c.row() == cell.row() && c.column().equals(cell.column()));
    all.add(cell);
    return new Edit(all, off);
  }

  @Override
  public List<String> reads() {
    return cells.stream().map(Cell::column).distinct().toList();
  }

  @Override
  public Step switched(boolean switchedOff) {
    return new Edit(cells, switchedOff);
  }

  @Override
  public Frame apply(Frame frame, Progress progress) {
    Map<String, List<Cell>> byColumn =
        cells.stream()
            .collect(Collectors.groupingBy(Cell::column, LinkedHashMap::new, Collectors.toList()));
    Frame result = frame;
    for (Map.Entry<String, List<Cell>> e : byColumn.entrySet()) {
      Column old = frame.column(e.getKey());
      for (Cell cell : e.getValue()) {
        if (cell.row() < 1 || cell.row() > frame.rows()) {
          throw Refused.at(
              new Place.WholeColumn(frame.source(), cell.column()),
              say("refused.no-row-edit", String.valueOf(cell.row())),
              say("way.rows-go-from-1", String.valueOf(frame.rows())));
        }
      }
      result =
          result.with(
              old,
              old instanceof Numbers numbers
                  ? edited(frame, numbers, e.getValue())
                  : edited((Categories) old, e.getValue()));
    }
    return result;
  }

  private static Numbers edited(Frame frame, Numbers old, List<Cell> cells) {
    double[] values = old.values().clone();
    for (Cell cell : cells) {
      double value = NumberText.parse(cell.to(), false);
      if (Double.isNaN(value) && !MissingMarks.isMissing(cell.to())) {
        throw Refused.at(
            new Place.Cell(frame.source(), cell.row(), cell.column()),
            say("refused.not-number", cell.to()),
            say("way.write-number-with-decimal"));
      }
      values[cell.row() - 1] = value;
    }
    return new Numbers(old.name(), old.unit(), values);
  }

  private static Categories edited(Categories old, List<Cell> cells) {
    List<String> levels = new ArrayList<>(old.levels());
    int[] codes = old.codes().clone();
    for (Cell cell : cells) {
      String name = cell.to();
      int code = MissingMarks.isMissing(name) ? Categories.MISSING : levels.indexOf(name);
      if (code < 0 && !MissingMarks.isMissing(name)) {
        code = levels.size();
        levels.add(name);
      }
      codes[cell.row() - 1] = code;
    }
    return new Categories(old.name(), old.unit(), codes, levels, old.ordered());
  }

  @Override
  public String title() {
    return Phrases.count("step.edit", cells.size());
  }

  @Override
  public String detail() {
    String named =
        cells.stream()
            .limit(NAMED)
            .map(c -> say("step.edit.how", String.valueOf(c.row()), c.column(), shown(c.to())))
            .collect(Collectors.joining(say("list.parts")));
    return cells.size() > NAMED
        ? say("step.edit.more", named, String.valueOf(cells.size() - NAMED))
        : named;
  }

  private static String shown(String to) {
    return to.isBlank() ? "nothing" : to;
  }
}
