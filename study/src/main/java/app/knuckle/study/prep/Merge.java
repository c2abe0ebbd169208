package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.table.Categories;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Several levels are one and the same.
 *
 * @param column its name
 * @param levels the levels to merge
 * @param into the name they get
 * @param off switched off
 */
public record Merge(String column, List<String> levels, String into, boolean off) implements Step {

  public Merge {
    levels = List.copyOf(levels);
  }

  @Override
  public List<String> reads() {
    return List.of(column);
  }

  @Override
  public Step switched(boolean switchedOff) {
    return new Merge(column, levels, into, switchedOff);
  }

  @Override
  public Frame apply(Frame frame, Progress progress) {
    Categories old = Levels.named(frame, column, levels);
    return frame.with(
        frame.column(column), Levels.renamed(old, level -> levels.contains(level) ? into : level));
  }

  @Override
  public Map<String, Map<String, String>> relabels() {
    Map<String, String> labels = new LinkedHashMap<>();
    levels.forEach(level -> labels.put(level, into));
    return Map.of(column, labels);
  }

  @Override
  public boolean isReversible() {
    return false;
  }

  @Override
  public String title() {
    return say("step.merge", column);
  }

  @Override
  public String detail() {
    return say("step.merge.how", Levels.quoted(levels), into);
  }
}
