package app.knuckle.study.design;

import app.knuckle.study.design.Compare.Weight;
import app.knuckle.study.prep.Step;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/**
 * An inquiry after another trail: what it says of columns and levels follows the names that the
 * steps give them, so that renaming what a question is about does not break the question.
 */
public final class Following {

  private Following() {}

  /**
   * The same question after another trail.
   *
   * @param before the inquiry
   * @param trail its trail from now on
   * @return the inquiry, with the names that new steps give and without those that steps gone gave
   */
  public static Inquiry of(Inquiry before, List<Step> trail) {
    Inquiry inquiry = before;
    List<Step> gone = new ArrayList<>(active(before.prepare()));
    gone.removeAll(trail);
    Collections.reverse(gone);
    for (Step step : gone) {
      inquiry = back(inquiry, step);
    }
    List<Step> come = new ArrayList<>(active(trail));
    come.removeAll(before.prepare());
    for (Step step : come) {
      inquiry = on(inquiry, step);
    }
    return inquiry.after(trail);
  }

  private static List<Step> active(List<Step> trail) {
    return trail.stream().filter(step -> !step.off()).toList();
  }

  private static Inquiry on(Inquiry inquiry, Step step) {
    Inquiry now = inquiry;
    for (var rename : step.renames().entrySet()) {
      now = renamed(now, rename.getKey(), rename.getValue());
    }
    for (var labels : step.relabels().entrySet()) {
      now = relabelled(now, labels.getKey(), labels.getValue());
    }
    return now;
  }

  /** Merged levels cannot be distinguished again: the question keeps what they were merged into. */
  private static Inquiry back(Inquiry inquiry, Step step) {
    Inquiry now = inquiry;
    for (var rename : step.renames().entrySet()) {
      now = renamed(now, rename.getValue(), rename.getKey());
    }
    if (step.isReversible()) {
      for (var labels : step.relabels().entrySet()) {
        Map<String, String> turned = new LinkedHashMap<>();
        labels.getValue().forEach((was, is) -> turned.put(is, was));
        now = relabelled(now, labels.getKey(), turned);
      }
    }
    return now;
  }

  /**
   * A question after a column was called otherwise.
   *
   * @param inquiry the question
   * @param from what the column was called
   * @param to what it is called
   * @return the question about the same column
   */
  public static Inquiry renamed(Inquiry inquiry, String from, String to) {
    UnaryOperator<String> name = column -> column != null && column.equals(from) ? to : column;
    UnaryOperator<List<String>> names = columns -> columns.stream().map(name).toList();
    return inquiry.but(
        d -> {
          for (Part part : Part.values()) {
            d.give(part, names.apply(d.in(part)));
          }
          d.terms = new Terms(d.terms.choice(), d.terms.chosen().stream().map(names).toList());
          d.random = d.random.with(d.random.terms().stream().map(names).toList());
          d.reference = keyed(d.reference, name);
          d.adjustAt = keyed(d.adjustAt, name);
          d.edges = keyed(d.edges, name);
          d.compare = compared(d.compare, names, levels -> keyed(levels, name));
        });
  }

  private static <V> Map<String, V> keyed(Map<String, V> map, UnaryOperator<String> name) {
    Map<String, V> renamed = new LinkedHashMap<>();
    map.forEach((key, value) -> renamed.put(name.apply(key), value));
    return renamed;
  }

  private static Inquiry relabelled(Inquiry inquiry, String column, Map<String, String> labels) {
    UnaryOperator<Map<String, String>> levels =
        map -> {
          Map<String, String> changed = new LinkedHashMap<>(map);
          changed.computeIfPresent(column, (c, level) -> labels.getOrDefault(level, level));
          return changed;
        };
    return inquiry.but(
        d -> {
          d.reference = levels.apply(d.reference);
          d.compare = compared(d.compare, UnaryOperator.identity(), levels);
        });
  }

  private static List<Compare> compared(
      List<Compare> all,
      UnaryOperator<List<String>> names,
      UnaryOperator<Map<String, String>> levels) {
    return all.stream()
        .map(
            c ->
                new Compare(
                    names.apply(c.of()),
                    names.apply(c.within()),
                    c.toReference(),
                    c.procedure(),
                    c.weights().stream()
                        .map(w -> new Weight(levels.apply(w.levels()), w.weight()))
                        .toList(),
                    c.trend(),
                    c.name()))
        .toList();
  }
}
