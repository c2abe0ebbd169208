package app.knuckle.study.plan;

import app.knuckle.stats.compare.Procedure;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Plans for tests. */
final class Plans {

  static final double SD = 1.1;

  private Plans() {}

  /** Treatments called a, b, ... with so many levels each. */
  static Map<String, List<String>> treatments(int... sizes) {
    Map<String, List<String>> all = new LinkedHashMap<>();
    for (int t = 0; t < sizes.length; t++) {
      String name = String.valueOf((char) ('a' + t));
      List<String> levels = new ArrayList<>();
      for (int i = 1; i <= sizes[t]; i++) {
        levels.add(name + i);
      }
      all.put(name, levels);
    }
    return all;
  }

  static Plan plan(
      Plan.Layout layout, Map<String, List<String>> treatments, int replicates, long seed) {
    return plan(layout, treatments, new Plan.Size(replicates, 0, replicates, Map.of()), seed, null);
  }

  static Plan plan(
      Plan.Layout layout,
      Map<String, List<String>> treatments,
      Plan.Size size,
      long seed,
      Plan.Wanted wanted) {
    return plan(layout, treatments, size, seed, wanted, 0);
  }

  static Plan plan(
      Plan.Layout layout,
      Map<String, List<String>> treatments,
      Plan.Size size,
      long seed,
      Plan.Wanted wanted,
      int rehearsals) {
    List<String> first = List.of("a");
    List<String> last = List.of(String.valueOf((char) ('a' + treatments.size() - 1)));
    return new Plan(
        "plan",
        seed,
        treatments,
        List.of(),
        layout,
        size,
        new Plan.Roles(
            layout == Plan.Layout.SPLIT_PLOT ? first : List.of(),
            layout == Plan.Layout.SPLIT_BLOCK ? first : List.of(),
            layout == Plan.Layout.REPEATED ? last : List.of(),
            "",
            ""),
        new Plan.Field(0, 0, false),
        List.of(measured()),
        List.of(),
        wanted,
        rehearsals);
  }

  static Plan.Measured measured() {
    return new Plan.Measured(
        "growth", "mm", 14, SD, 0.9, 0.8, Map.of("a", 0.7, "b", 0.5), 0.6, null);
  }

  static Plan.Wanted wanted(Procedure procedure, String... of) {
    return new Plan.Wanted(List.of(of), 2, procedure, 0.05, 0.8);
  }

  /** The same with numbers that turn back at the end of a row. */
  static Plan serpentine(Plan plan, int rows, int columns) {
    return new Plan(
        plan.name(),
        plan.seed(),
        plan.treatments(),
        plan.leftOut(),
        plan.layout(),
        plan.size(),
        plan.roles(),
        new Plan.Field(rows, columns, true),
        plan.measured(),
        plan.effects(),
        plan.wanted(),
        0);
  }
}
