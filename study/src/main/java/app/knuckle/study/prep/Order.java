package app.knuckle.study.prep;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.table.Categories;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * The levels stand in an order of the user's.
 *
 * @param column its name
 * @param levels in their order; levels not named follow as they stood
 * @param off switched off
 */
public record Order(String column, List<String> levels, boolean off) implements Step {

  public Order {
    levels = List.copyOf(levels);
  }

  @Override
  public List<String> reads() {
    return List.of(column);
  }

  @Override
  public Step switched(boolean switchedOff) {
    return new Order(column, levels, switchedOff);
  }

  @Override
  public Frame apply(Frame frame, Progress progress) {
    Categories old = Levels.named(frame, column, levels);
    Set<String> all = new LinkedHashSet<>(levels);
    all.addAll(old.levels());
    List<String> order = new ArrayList<>(all);
    int[] to = old.levels().stream().mapToInt(order::indexOf).toArray();
    return frame.with(frame.column(column), Levels.recoded(old, to, order, old.ordered()));
  }

  @Override
  public String title() {
    return say("step.order", column);
  }

  @Override
  public String detail() {
    return String.join(say("step.order.how"), levels);
  }
}
