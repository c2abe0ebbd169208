package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Numbers;
import java.util.ArrayList;
import java.util.List;

/**
 * Some values stand for "no value".
 *
 * @param columns where; empty for every column
 * @param values as text; a number means that number however it is written
 * @param off switched off
 */
public record Missing(List<String> columns, List<String> values, boolean off) implements Step {

  public Missing {
    columns = List.copyOf(columns);
    values = List.copyOf(values);
  }

  @Override
  public List<String> reads() {
    return columns;
  }

  @Override
  public Step switched(boolean switchedOff) {
    return new Missing(columns, values, switchedOff);
  }

  @Override
  public Frame apply(Frame frame, Progress progress) {
    Frame result = frame;
    List<String> names =
        columns.isEmpty() ? frame.columns().stream().map(Column::name).toList() : columns;
    for (String name : names) {
      Column column = result.column(name);
      result =
          result.with(
              column,
              column instanceof Numbers numbers ? cleared(numbers) : cleared((Categories) column));
    }
    return result;
  }

  private Numbers cleared(Numbers column) {
    double[] marks =
        values.stream().mapToDouble(v -> NumberText.parse(v, false)).filter(v -> v == v).toArray();
    double[] kept = column.values().clone();
    for (int i = 0; i < kept.length; i++) {
      for (double mark : marks) {
        kept[i] = kept[i] == mark ? Double.NaN : kept[i];
      }
    }
    return new Numbers(column.name(), column.unit(), kept);
  }

  private Categories cleared(Categories column) {
    List<String> left = new ArrayList<>();
    int[] to = new int[column.levels().size()];
    for (int level = 0; level < to.length; level++) {
      String name = column.levels().get(level);
      to[level] = values.contains(name) ? Categories.MISSING : left.size();
      if (to[level] != Categories.MISSING) {
        left.add(name);
      }
    }
    return Levels.recoded(column, to, left, column.ordered());
  }

  @Override
  public String title() {
    return say("step.missing", String.join(say("list.between"), values).replace('-', '\u2212'));
  }

  @Override
  public String detail() {
    return columns.isEmpty()
        ? say("step.missing.every")
        : say("step.missing.some", String.join(say("list.between"), columns));
  }
}
