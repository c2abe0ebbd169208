package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.table.Categories;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * Levels get other names.
 *
 * @param column its name
 * @param labels new name by old name
 * @param off switched off
 */
public record Relabel(String column, Map<String, String> labels, boolean off) implements Step {

  public Relabel {
    labels = Collections.unmodifiableMap(new LinkedHashMap<>(labels));
  }

  @Override
  public List<String> reads() {
    return List.of(column);
  }

  @Override
  public Step switched(boolean switchedOff) {
    return new Relabel(column, labels, switchedOff);
  }

  @Override
  public Frame apply(Frame frame, Progress progress) {
    Categories old = Levels.named(frame, column, labels.keySet());
    return frame.with(
        frame.column(column), Levels.renamed(old, level -> labels.getOrDefault(level, level)));
  }

  @Override
  public Map<String, Map<String, String>> relabels() {
    return Map.of(column, labels);
  }

  @Override
  public String title() {
    return say("step.relabel", column);
  }

  @Override
  public String detail() {
    return labels.entrySet().stream()
        .map(e -> say("step.relabel.how", e.getKey(), e.getValue()))
        .collect(Collectors.joining(say("list.between")));
  }
}
