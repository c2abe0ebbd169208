package app.knuckle.study.prep;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Nearest;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * The columns after the trail. Every row of the table is still there; some are out of play.
 *
 * @param source what to call the table in a message
 * @param columns of equal length; columns that no step touched are those of the table
 * @param leftOut rows out of play, from 0, each with its reason; never changed
 */
public record Frame(String source, List<Column> columns, SortedMap<Integer, String> leftOut) {

  public Frame {
    columns = List.copyOf(columns);
  }

  /**
   * The frame of a trail.
   *
   * @param table as read
   * @param steps in their order
   * @return the frame
   * @throws Refused if a step does not fit, naming it
   */
  public static Frame of(Table table, List<Step> steps) {
    Frame frame = new Frame(table.source(), table.columns(), new TreeMap<>());
    for (Step step : steps) {
      frame = step.off() ? frame : step.apply(frame);
    }
    return frame;
  }

  /**
   * Rows of the frame, in play or not.
   *
   * @return the number
   */
  public int rows() {
    return columns.isEmpty() ? 0 : columns.get(0).size();
  }

  /**
   * Whether a row takes part.
   *
   * @param row from 0
   * @return false if it was left out
   */
  public boolean inPlay(int row) {
    return leftOut.isEmpty() || !leftOut.containsKey(row);
  }

  /**
   * A column that must be there.
   *
   * @param name its exact name
   * @return the column
   * @throws Refused if there is none, naming the nearest
   */
  public Column column(String name) {
    return columns.stream()
        .filter(c -> c.name().equals(name))
        .findFirst()
        .orElseThrow(
            () ->
                Refused.at(
                    new Place.WholeFile(source),
                    "there is no column '" + name + "'",
                    Nearest.suggestion(name, columns.stream().map(Column::name).toList())));
  }

  /**
   * Whether there is a column.
   *
   * @param name its exact name
   * @return true if there is
   */
  public boolean has(String name) {
    return columns.stream().anyMatch(c -> c.name().equals(name));
  }

  /** The frame with one column in place of another. */
  Frame with(Column old, Column changed) {
    List<Column> all = new ArrayList<>(columns);
    all.set(all.indexOf(old), changed);
    return new Frame(source, all, leftOut);
  }

  /** The frame with more rows left out; a row keeps the reason it already has. */
  Frame without(Map<Integer, String> more) {
    SortedMap<Integer, String> all = new TreeMap<>(leftOut);
    more.forEach(all::putIfAbsent);
    return new Frame(source, columns, all);
  }
}
