package app.knuckle.study.plan;

import app.knuckle.stats.power.SmallestNumber;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;

/**
 * Power to find a kind of difference over how often a layout is repeated: variances go down as it
 * is, and degrees of freedom grow by the same number with each repeat.
 *
 * @param plan with what is wanted
 * @param kind in the plan as it is
 * @param dfEach degrees of freedom that a repeat adds
 */
record RepeatsCurve(Plan plan, Shows.Kind kind, double dfEach) {

  /** More repeats than these nobody plants. */
  private static final int MOST = 1_000;

  /** The curve goes to so many times the repeats of the plan, and at least so far. */
  private static final int TIMES = 2;

  private static final int LEAST_DRAWN = 10;
  private static final int MOST_DRAWN = 60;

  /** With fewer degrees of freedom nothing is judged; a little less, for rounding. */
  private static final double LEAST_DF = 1 - 1e-6;

  /** Power; 0 where nothing can be judged. */
  private double power(int repeats) {
    double df = kind.test().df() + (repeats - plan.repeats()) * dfEach;
    double se = kind.test().sed() * Math.sqrt((double) plan.repeats() / repeats);
    return df < LEAST_DF ? 0 : plan.difference(se, df).power(plan.wanted().difference());
  }

  List<Shows.Point> points() {
    List<Shows.Point> points = new ArrayList<>();
    int last = Math.min(MOST_DRAWN, Math.max(LEAST_DRAWN, TIMES * plan.repeats()));
    for (int r = 1; r <= last; r++) {
      double power = power(r);
      if (power > 0) {
        points.add(new Shows.Point(r, power));
      }
    }
    return points;
  }

  /** The least number of repeats that gives the power wanted. */
  OptionalInt needed() {
    return SmallestNumber.from(1, MOST, r -> power(r) >= plan.wanted().power());
  }
}
