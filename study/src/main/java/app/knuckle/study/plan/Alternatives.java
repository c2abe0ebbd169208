package app.knuckle.study.plan;

import app.knuckle.stats.Progress;
import java.util.ArrayList;
import java.util.List;

/** What a plan would show if one thing of it were otherwise. */
public final class Alternatives {

  /** A covariate that is worth the trouble of noting it. */
  private static final double WORTHWHILE = 0.6;

  private Alternatives() {}

  /**
   * A plan that is otherwise in one thing.
   *
   * @param words what is otherwise, to stand behind "with" or alone at the head of a row
   * @param power with which the difference wanted is found
   */
  public record Alternative(String words, double power) {}

  private record Changed(String words, Plan plan) {}

  /**
   * The alternatives of a plan.
   *
   * @param plan with what is wanted
   * @param index of the response that is asked about
   * @param progress asked on the way
   * @return none where nothing is wanted
   */
  public static List<Alternative> of(Plan plan, int index, Progress progress) {
    List<Alternative> all = new ArrayList<>();
    if (plan.wanted() == null) {
      return all;
    }
    for (Changed other : changed(plan, index)) {
      Arrangement arrangement = Arrangement.of(other.plan());
      Plan.Measured measured = other.plan().measured().get(index);
      PlannedPower.hardest(other.plan(), arrangement, measured, progress)
          .ifPresent(
              kind ->
                  all.add(
                      new Alternative(
                          other.words(), kind.test().power(plan.wanted().difference()))));
    }
    return all;
  }

  private static List<Changed> changed(Plan plan, int index) {
    List<Changed> all = new ArrayList<>();
    Plan.Measured measured = plan.measured().get(index);
    if (measured.covariate() != null) {
      all.add(
          new Changed(
              "without noting " + measured.covariate().name() + " beforehand",
              noting(plan, index, null)));
    } else {
      all.add(
          new Changed(
              "with something noted beforehand that goes along with it by r = " + WORTHWHILE,
              noting(plan, index, new Plan.Covariate("noted before", WORTHWHILE))));
    }
    if (plan.layout() == Plan.Layout.COMPLETE_BLOCKS && plan.size().more().isEmpty()) {
      all.add(new Changed("without blocks, anything anywhere", withoutBlocks(plan)));
    }
    return all;
  }

  private static Plan noting(Plan plan, int index, Plan.Covariate covariate) {
    return PlanDraft.changed(plan, d -> d.measured.get(index).covariate = covariate);
  }

  /** What blocks took on themselves is scatter of single plots then. */
  private static Plan withoutBlocks(Plan plan) {
    return PlanDraft.changed(
        plan,
        d -> {
          d.lay(Plan.Layout.COMPLETELY_RANDOMISED);
          for (MeasuredDraft m : d.measured) {
            m.sd = Math.hypot(m.sd, m.blockSd);
            m.blockSd = 0;
          }
        });
  }
}
