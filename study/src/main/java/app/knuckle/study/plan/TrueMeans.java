package app.knuckle.study.plan;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * True means that a plan expects of its plots.
 *
 * @param plan with effects that are given
 * @param arrangement of its plots
 * @param measured which response
 */
record TrueMeans(Plan plan, Arrangement arrangement, Plan.Measured measured) {

  /**
   * Two levels that differ as wanted.
   *
   * @param left levels of one mean
   * @param right levels of the other
   */
  record Pair(Map<String, String> left, Map<String, String> right) {
    boolean is(Map<String, String> one, Map<String, String> other) {
      return left.equals(one) && right.equals(other) || left.equals(other) && right.equals(one);
    }
  }

  /** Nothing but the mean that is expected of all. */
  double[] flat() {
    return of(List.of(), Map.of());
  }

  /**
   * With every effect that is given; where none is given of the treatments wanted, with the pair.
   *
   * @param pair null where nothing is wanted
   */
  double[] expected(Pair pair) {
    boolean own = others().size() < given().size();
    return of(given(), own ? Map.of() : offsets(pair));
  }

  /** With the pair, and effects of other treatments. */
  double[] withPair(Pair pair) {
    return of(others(), offsets(pair));
  }

  private Map<Map<String, String>, Double> offsets(Pair pair) {
    Map<Map<String, String>, Double> offsets = new LinkedHashMap<>();
    if (pair != null) {
      double half = plan.wanted().difference() / 2;
      offsets.put(pair.left(), half);
      offsets.put(pair.right(), -half);
    }
    return offsets;
  }

  private List<Plan.Effect> given() {
    return plan.effects().stream().filter(e -> e.measured().equals(measured.name())).toList();
  }

  /** Effects but those of treatments whose difference is wanted. */
  private List<Plan.Effect> others() {
    return given().stream()
        .filter(
            e ->
                plan.wanted() == null
                    || e.levels().keySet().stream().noneMatch(plan.wanted().of()::contains))
        .toList();
  }

  private double[] of(List<Plan.Effect> effects, Map<Map<String, String>, Double> offsets) {
    return arrangement.plots().stream()
        .mapToDouble(
            plot -> {
              double mean = measured.mean();
              for (Plan.Effect effect : effects) {
                mean += isOf(plot, effect.levels()) ? effect.by() : 0;
              }
              for (Map.Entry<Map<String, String>, Double> off : offsets.entrySet()) {
                mean += isOf(plot, off.getKey()) ? off.getValue() : 0;
              }
              return mean;
            })
        .toArray();
  }

  private static boolean isOf(Arrangement.Plot plot, Map<String, String> levels) {
    return plot.treatments().entrySet().containsAll(levels.entrySet());
  }
}
