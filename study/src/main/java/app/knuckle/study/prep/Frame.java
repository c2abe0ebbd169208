package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Nearest;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * The columns after the trail. Every row is still there; some are out of play.
 *
 * @param source what to call the table in a message
 * @param sourceRows rows of the table as read
 * @param origin the row of the table, from 0, that each row came from; null when they are the same;
 *     to be read only
 * @param columns of equal length; columns that no step touched are those of the table
 * @param leftOut rows out of play, from 0, each with its reason; never changed
 */
public record Frame(
    String source,
    int sourceRows,
    int[] origin,
    List<Column> columns,
    SortedMap<Integer, String> leftOut) {

  public Frame {
    columns = List.copyOf(columns);
  }

  /**
   * The records before any step.
   *
   * @param table as read
   * @return all its rows, in play
   */
  public static Frame of(Table table) {
    return new Frame(table.source(), table.rows(), null, table.columns(), new TreeMap<>());
  }

  /**
   * The frame of a trail.
   *
   * @param table as read
   * @param steps in their order
   * @param progress asked before each step and within long ones
   * @return the frame
   * @throws Refused if a step does not fit, naming it
   */
  public static Frame of(Table table, List<Step> steps, Progress progress) {
    Frame frame = of(table);
    for (Step step : steps) {
      progress.check();
      frame = step.off() ? frame : step.apply(frame, progress);
    }
    return frame;
  }

  /** Rows of the frame, in play or not. */
  public int rows() {
    return columns.isEmpty() ? 0 : columns.get(0).size();
  }

  /**
   * Where a row came from.
   *
   * @param row of the frame, from 0
   * @return the row of the table, from 0; the first of them if the row was made of several
   */
  public int sourceRow(int row) {
    return origin == null ? row : origin[row];
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

  /** Which rows are in play, where all are to be looked at: one a row, to be changed at will. */
  public boolean[] allInPlay() {
    boolean[] all = new boolean[rows()];
    Arrays.fill(all, true);
    leftOut.keySet().forEach(row -> all[row] = false);
    return all;
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
                    say("refused.no-column", name),
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
    return new Frame(source, sourceRows, origin, all, leftOut);
  }

  /** The frame with one more column, or another one in place of the column of that name. */
  Frame plus(Column column) {
    if (has(column.name())) {
      return with(column(column.name()), column);
    }
    List<Column> all = new ArrayList<>(columns);
    all.add(column);
    return new Frame(source, sourceRows, origin, all, leftOut);
  }

  /** The frame with more rows left out; a row keeps the reason it already has. */
  Frame without(Map<Integer, String> more) {
    SortedMap<Integer, String> all = new TreeMap<>(leftOut);
    more.forEach(all::putIfAbsent);
    return new Frame(source, sourceRows, origin, columns, all);
  }

  /** Other rows: where each came from in this frame, and the columns they have. */
  Frame reshaped(int[] from, List<Column> changed, SortedMap<Integer, String> out) {
    int[] origins = from.clone();
    for (int row = 0; row < from.length; row++) {
      origins[row] = sourceRow(from[row]);
    }
    return new Frame(source, sourceRows, origins, changed, out);
  }

  /** Refuses a name that another column already has. */
  void free(String name) {
    if (has(name)) {
      throw Refused.at(
          new Place.WholeColumn(source, name),
          say("refused.already-column", name),
          say("way.choose-another-name"));
    }
  }

  /**
   * A row in words, for who points at it.
   *
   * @param row from 0
   * @return its number, then a line for each column with a value
   */
  public String record(int row) {
    StringBuilder words = new StringBuilder("row " + (sourceRow(row) + 1));
    for (Column c : columns()) {
      if (!c.isMissing(row)) {
        words.append("\n").append(c.name()).append(": ").append(c.text(row));
      }
    }
    return words.toString();
  }
}
