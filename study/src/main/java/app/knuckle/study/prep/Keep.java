package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * Only rows that meet every condition stay in play.
 *
 * @param where the conditions
 * @param off switched off
 */
public record Keep(List<Condition> where, boolean off) implements Step {

  public Keep {
    where = List.copyOf(where);
  }

  /**
   * A condition on one column: one of the values, or between two numbers, both included.
   *
   * @param column its name
   * @param is the values as text; null when the condition is a range
   * @param from lower end; null for none
   * @param to upper end; null for none
   */
  public record Condition(String column, List<String> is, Double from, Double to) {

    public Condition {
      is = is == null ? null : List.copyOf(is);
    }

    private boolean holds(Column c, int row) {
      if (c.isMissing(row)) {
        return false;
      }
      if (is != null && !is.contains(c.text(row))) {
        return false;
      }
      if (from == null && to == null) {
        return true;
      }
      double value = ((Numbers) c).value(row);
      return (from == null || value >= from) && (to == null || value <= to);
    }

    private Column columnOf(Frame frame) {
      Column c = frame.column(column);
      if ((from != null || to != null) && !(c instanceof Numbers)) {
        throw Refused.at(
            new Place.WholeColumn(frame.source(), column),
            say("refused.category-has-no-range"),
            say("way.name-levels-keep-or"));
      }
      return c;
    }

    private String words() {
      if (is != null) {
        return column + " is " + String.join(" or ", is);
      }
      String low = from == null ? "" : " from " + Numbers.text(from);
      return column + low + (to == null ? "" : " to " + Numbers.text(to));
    }
  }

  @Override
  public List<String> reads() {
    return where.stream().map(Condition::column).distinct().toList();
  }

  @Override
  public Step switched(boolean switchedOff) {
    return new Keep(where, switchedOff);
  }

  @Override
  public Frame apply(Frame frame, Progress progress) {
    List<Column> columns = where.stream().map(c -> c.columnOf(frame)).toList();
    List<String> only = where.stream().map(c -> say("step.keep.only", c.words())).toList();
    Map<Integer, String> out = new TreeMap<>();
    for (int row = 0; row < frame.rows(); row++) {
      for (int c = 0; c < columns.size(); c++) {
        if (!where.get(c).holds(columns.get(c), row)) {
          out.putIfAbsent(row, only.get(c));
        }
      }
    }
    return frame.without(out);
  }

  @Override
  public String title() {
    return say("step.keep");
  }

  @Override
  public String detail() {
    return where.stream().map(Condition::words).collect(Collectors.joining(say("step.keep.and")));
  }
}
