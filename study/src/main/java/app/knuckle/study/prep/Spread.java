package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * The opposite of {@link Stack}: a column of values becomes a column for each level of another.
 * Rows that agree in every other column become one. Rows out of play take no part.
 *
 * @param names the column whose levels name the new columns
 * @param values the column whose values they get
 * @param off switched off
 */
public record Spread(String names, String values, boolean off) implements Step {

  @Override
  public List<String> reads() {
    return List.of(names, values);
  }

  @Override
  public Step switched(boolean switchedOff) {
    return new Spread(names, values, switchedOff);
  }

  @Override
  public Frame apply(Frame frame, Progress progress) {
    Categories heads = Levels.of(frame.column(names), false);
    if (!(frame.column(values) instanceof Numbers numbers)) {
      throw Refused.at(
          new Place.WholeColumn(frame.source(), values),
          say("refused.names-cannot-be-spread"),
          say("way.read-numbers-first"));
    }
    List<Column> kept =
        frame.columns().stream()
            .filter(c -> !c.name().equals(names) && !c.name().equals(values))
            .toList();
    Map<List<String>, Integer> units = new LinkedHashMap<>();
    List<Integer> first = new ArrayList<>();
    List<double[]> cells = new ArrayList<>();
    for (int row = 0; row < frame.rows(); row++) {
      if (!frame.inPlay(row) || heads.isMissing(row)) {
        continue;
      }
      progress.check();
      int at = row;
      int unit =
          units.computeIfAbsent(
              kept.stream().map(c -> c.text(at)).toList(),
              key -> {
                double[] none = new double[heads.levels().size()];
                Arrays.fill(none, Double.NaN);
                cells.add(none);
                first.add(at);
                return units.size();
              });
      double[] own = cells.get(unit);
      if (!Double.isNaN(own[heads.code(row)])) {
        throw Refused.at(
            new Place.Cell(frame.source(), frame.sourceRow(row) + 1L, values),
            say("refused.already-value-for-same", names, heads.text(row)),
            say("way.set-aside-or-name-units"));
      }
      own[heads.code(row)] = numbers.value(row);
    }
    int[] from = first.stream().mapToInt(Integer::intValue).toArray();
    List<Column> changed = new ArrayList<>();
    kept.forEach(c -> changed.add(Rows.picked(c, from)));
    for (int level = 0; level < heads.levels().size(); level++) {
      String name = heads.levels().get(level);
      int code = level;
      if (changed.stream().anyMatch(c -> c.name().equals(name))) {
        frame.free(name);
      }
      changed.add(
          new Numbers(
              name, numbers.unit(), cells.stream().mapToDouble(own -> own[code]).toArray()));
    }
    return frame.reshaped(from, changed, new TreeMap<>());
  }

  @Override
  public boolean reshapes() {
    return true;
  }

  @Override
  public String title() {
    return say("step.spread", values);
  }

  @Override
  public String detail() {
    return say("step.spread.how", names);
  }
}
