package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * Several columns become one column of values and one that names where each came from: a row for
 * each unit and occasion in place of a row for each unit. Cells without a value make no row.
 *
 * @param columns the columns to stack, all of numbers
 * @param names name of the new column that holds their names, in their order
 * @param values name of the new column that holds their values
 * @param off switched off
 */
public record Stack(List<String> columns, String names, String values, boolean off)
    implements Step {

  public Stack {
    columns = List.copyOf(columns);
  }

  @Override
  public List<String> reads() {
    return columns;
  }

  @Override
  public Step switched(boolean switchedOff) {
    return new Stack(columns, names, values, switchedOff);
  }

  @Override
  public Frame apply(Frame frame, Progress progress) {
    List<Numbers> stacked = columns.stream().map(name -> numbers(frame, name)).toList();
    if (stacked.isEmpty()) {
      throw Refused.at(
          new Place.WholeFile(frame.source()),
          say("refused.no-column-named-stack"),
          say("way.name-two-or-more"));
    }
    List<Column> kept = frame.columns().stream().filter(c -> !columns.contains(c.name())).toList();
    Frame rest = new Frame(frame.source(), frame.sourceRows(), null, kept, frame.leftOut());
    rest.free(names);
    rest.free(values);
    int k = stacked.size();
    int rows = Math.multiplyExact(frame.rows(), k);
    int[] from = new int[rows];
    int[] codes = new int[rows];
    double[] result = new double[rows];
    SortedMap<Integer, String> out = new TreeMap<>();
    for (int row = 0; row < frame.rows(); row++) {
      for (int j = 0; j < k; j++) {
        int at = row * k + j;
        from[at] = row;
        codes[at] = j;
        result[at] = stacked.get(j).value(row);
        if (!frame.inPlay(row)) {
          out.put(at, frame.leftOut().get(row));
        }
      }
    }
    progress.check();
    List<Column> changed = new ArrayList<>();
    kept.forEach(c -> changed.add(Rows.picked(c, from)));
    changed.add(new Categories(names, "", codes, columns, false));
    changed.add(new Numbers(values, commonUnit(stacked), result));
    return frame.reshaped(from, changed, out);
  }

  private static Numbers numbers(Frame frame, String name) {
    if (frame.column(name) instanceof Numbers numbers) {
      return numbers;
    }
    throw Refused.at(
        new Place.WholeColumn(frame.source(), name),
        say("refused.names-cannot-be-stacked"),
        say("way.read-numbers-first-or"));
  }

  private static String commonUnit(List<Numbers> columns) {
    List<String> units = columns.stream().map(Column::unit).distinct().toList();
    return units.size() == 1 ? units.get(0) : "";
  }

  @Override
  public boolean reshapes() {
    return true;
  }

  @Override
  public String title() {
    return Phrases.count("step.stack", columns.size());
  }

  @Override
  public String detail() {
    return say("step.stack.how", String.join(say("list.between"), columns), names, values);
  }
}
