package app.knuckle.desktop.compare;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Compare.Weight;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.apache.commons.numbers.fraction.Fraction;

/**
 * Groups on the two pans of a balance: a question of one's own. Each group of a pan weighs the
 * same, so that the mean of the left is weighed against the mean of the right, unless it was given
 * a weight of its own.
 *
 * @param of treatments that make the groups
 * @param left levels of the groups on the left pan
 * @param right levels of the groups on the right pan
 * @param own weights given by hand, above 0
 */
record Balance(
    List<String> of,
    List<Map<String, String>> left,
    List<Map<String, String>> right,
    Map<Map<String, String>, Double> own) {

  Balance {
    of = List.copyOf(of);
    left = List.copyOf(left);
    right = List.copyOf(right);
    own = Map.copyOf(own);
  }

  /** Where a group lies. */
  enum Pan {
    LEFT,
    RIGHT,
    NONE
  }

  static Balance empty(List<String> of) {
    return new Balance(of, List.of(), List.of(), Map.of());
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
    // Another company on a pan has other shares: weights given by hand no longer fit.
    return new Balance(of, onLeft, onRight, Map.of());
  }

  /** The same with a weight given by hand. */
  Balance weighing(Map<String, String> group, double weight) {
    Map<Map<String, String>, Double> changed = new HashMap<>(own);
    changed.put(group, weight);
    return new Balance(of, left, right, changed);
  }

  /** What a group weighs on its pan; 0 off the pans. */
  double weight(Map<String, String> group) {
    int company = pan(group) == Pan.LEFT ? left.size() : right.size();
    return pan(group) == Pan.NONE ? 0 : own.getOrDefault(group, 1.0 / company);
  }

  /** What lies on a pan. */
  double load(Pan pan) {
    return (pan == Pan.LEFT ? left : right).stream().mapToDouble(this::weight).sum();
  }

  /** Whether both pans carry something, and as much. */
  boolean isReady() {
    return isLaden() && Math.abs(load(Pan.LEFT) - load(Pan.RIGHT)) < NOTHING;
  }

  /** Whether both pans carry something. */
  boolean isLaden() {
    return !left.isEmpty() && !right.isEmpty();
  }

  /** A weight as one says it. */
  static String fraction(double weight) {
    Fraction simple = Fraction.from(weight, LARGEST_DENOMINATOR);
    boolean exact = Math.abs(simple.doubleValue() - weight) < NOTHING;
    return exact ? simple.toString().replace(" ", "") : Numerals.plain(weight);
  }

  /** A weight as one writes it: a fraction or a decimal number; empty for anything else. */
  static OptionalDouble weight(String text) {
    double weight;
    try {
      weight =
          text.contains("/")
              ? Fraction.parse(text.strip()).doubleValue()
              : NumberText.parse(text.strip(), false);
    } catch (NumberFormatException | ArithmeticException e) {
      return OptionalDouble.empty();
    }
    return weight > 0 ? OptionalDouble.of(weight) : OptionalDouble.empty();
  }

  /** Thirds of quarters and finer are still read as fractions. */
  private static final int LARGEST_DENOMINATOR = 120;

  String name() {
    return names(left) + " against " + names(right);
  }

  private static String names(List<Map<String, String>> groups) {
    return String.join(" and ", groups.stream().map(g -> GroupSummary.name(g.values())).toList());
  }

  /** The question for the inquiry. */
  Compare asked(String name) {
    List<Weight> weights = new ArrayList<>();
    left.forEach(g -> weights.add(new Weight(g, weight(g))));
    right.forEach(g -> weights.add(new Weight(g, -weight(g))));
    return new Compare(of, List.of(), false, Procedure.NONE, weights, 0, name);
  }

  /** One question less another: a difference of differences; null if they weigh other means. */
  static Compare difference(Compare first, Compare second) {
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
        : new Compare(
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
