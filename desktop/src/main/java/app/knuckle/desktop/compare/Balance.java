package app.knuckle.desktop.compare;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Inquiry.Weight;
import app.knuckle.study.findings.GroupSummary;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Groups on the two pans of a balance: a question of one's own. Each group of a pan weighs the
 * same, so that the mean of the left is weighed against the mean of the right.
 *
 * @param of treatments that make the groups
 * @param left levels of the groups on the left pan
 * @param right levels of the groups on the right pan
 */
record Balance(List<String> of, List<Map<String, String>> left, List<Map<String, String>> right) {

  Balance {
    of = List.copyOf(of);
    left = List.copyOf(left);
    right = List.copyOf(right);
  }

  /** Where a group lies. */
  enum Pan {
    LEFT,
    RIGHT,
    NONE
  }

  static Balance empty(List<String> of) {
    return new Balance(of, List.of(), List.of());
  }

  Pan pan(Map<String, String> group) {
    return left.contains(group) ? Pan.LEFT : right.contains(group) ? Pan.RIGHT : Pan.NONE;
  }

  Balance put(Map<String, String> group, Pan pan) {
    List<Map<String, String>> onLeft = new ArrayList<>(left);
    List<Map<String, String>> onRight = new ArrayList<>(right);
    onLeft.remove(group);
    onRight.remove(group);
    if (pan == Pan.LEFT) {
      onLeft.add(group);
    } else if (pan == Pan.RIGHT) {
      onRight.add(group);
    }
    return new Balance(of, onLeft, onRight);
  }

  boolean isReady() {
    return !left.isEmpty() && !right.isEmpty();
  }

  /** The weight of each group of a pan, as one says it. */
  static String share(int groups) {
    return groups == 0 ? "empty" : groups == 1 ? "weighs 1" : "each weighs 1/" + groups;
  }

  String name() {
    return names(left) + " against " + names(right);
  }

  private static String names(List<Map<String, String>> groups) {
    return String.join(
        " and ", groups.stream().map(g -> String.join(GroupSummary.BETWEEN, g.values())).toList());
  }

  /** The question for the inquiry. */
  Inquiry.Compare asked(String name) {
    List<Weight> weights = new ArrayList<>();
    left.forEach(g -> weights.add(new Weight(g, 1.0 / left.size())));
    right.forEach(g -> weights.add(new Weight(g, -1.0 / right.size())));
    return new Inquiry.Compare(of, List.of(), false, Procedure.NONE, weights, 0, name);
  }

  /** One question less another: a difference of differences; null if they weigh other means. */
  static Inquiry.Compare difference(Inquiry.Compare first, Inquiry.Compare second) {
    if (!first.of().equals(second.of())) {
      return null;
    }
    Map<Map<String, String>, Double> weights = new LinkedHashMap<>();
    first.weights().forEach(w -> weights.merge(w.levels(), w.weight(), Double::sum));
    second.weights().forEach(w -> weights.merge(w.levels(), -w.weight(), Double::sum));
    List<Weight> kept = new ArrayList<>();
    weights.forEach(
        (levels, weight) -> {
          if (Math.abs(weight) > NOTHING) {
            kept.add(new Weight(levels, weight));
          }
        });
    return kept.isEmpty()
        ? null
        : new Inquiry.Compare(
            first.of(),
            List.of(),
            false,
            Procedure.NONE,
            kept,
            0,
            "(" + first.name() + ") \u2212 (" + second.name() + ")");
  }

  /** Weights are simple fractions, so that what is smaller is rounding. */
  static final double NOTHING = 1e-9;
}
