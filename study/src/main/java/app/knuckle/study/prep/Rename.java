package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import java.util.List;
import java.util.Map;

/**
 * A column gets another name, another unit, or both.
 *
 * @param column its name so far
 * @param to its new name
 * @param unit its new unit; null to keep the one it has
 * @param off switched off
 */
public record Rename(String column, String to, String unit, boolean off) implements Step {

  @Override
  public List<String> reads() {
    return List.of(column);
  }

  @Override
  public Step switched(boolean switchedOff) {
    return new Rename(column, to, unit, switchedOff);
  }

  @Override
  public Frame apply(Frame frame, Progress progress) {
    Column old = frame.column(column);
    if (!to.equals(column) && frame.has(to)) {
      throw Refused.at(
          new Place.WholeColumn(frame.source(), column),
          say("refused.already-column", to),
          say("way.choose-another-name"));
    }
    String newUnit = unit == null ? old.unit() : unit;
    return frame.with(
        old,
        old instanceof Numbers numbers
            ? new Numbers(to, newUnit, numbers.values())
            : renamed((Categories) old, newUnit));
  }

  private Categories renamed(Categories old, String newUnit) {
    return new Categories(to, newUnit, old.codes(), old.levels(), old.ordered());
  }

  @Override
  public Map<String, String> renames() {
    return Map.of(column, to);
  }

  @Override
  public String title() {
    return say(to.equals(column) ? "step.rename.unit" : "step.rename", column);
  }

  @Override
  public String detail() {
    return unit == null || unit.isEmpty() ? to : say("step.rename.how", to, unit);
  }
}
