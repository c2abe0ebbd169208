package app.knuckle.desktop.plan;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Questions;
import app.knuckle.study.plan.Plan;
import java.security.SecureRandom;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The plan that stands there at first, to be written over. */
public final class PlanStart {

  /** Seeds that are drawn are short enough to be written down. */
  private static final int MOST_SEED = 1_000_000_000;

  private static final double USUAL_POWER = 0.8;

  private PlanStart() {}

  /** A seed that nobody chose: from 0. */
  public static long seed() {
    return new SecureRandom().nextInt(MOST_SEED);
  }

  /** An example from the nursery: mesh by density in five racks. */
  public static Plan plan() {
    Map<String, List<String>> treatments = new LinkedHashMap<>();
    treatments.put("mesh", List.of("fine", "medium", "coarse"));
    treatments.put("density", List.of("60", "120", "240"));
    return new Plan(
        "Mesh by density",
        seed(),
        treatments,
        List.of(),
        Plan.Layout.COMPLETE_BLOCKS,
        new Plan.Size(5, 0, 1, Map.of()),
        new Plan.Roles(List.of(), List.of(), List.of(), "", "rack"),
        new Plan.Field(0, 0, false),
        List.of(new Plan.Measured("growth", "mm", 14, 1.1, 1.0, 0, Map.of(), 0, null)),
        List.of(),
        new Plan.Wanted(List.of("mesh"), 2, Procedure.TUKEY, Questions.USUAL_ALPHA, USUAL_POWER),
        0);
  }
}
