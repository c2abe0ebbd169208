package app.knuckle.study.plan;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Pair;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.TestResult;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A trial made up and answered again and again by the very engine that will answer it, to count how
 * often the difference that is wanted is found. Each run has its own seed, so that more runs refine
 * what fewer have shown.
 */
public final class Rehearsals {

  private final Plan plan;
  private final Arrangement arrangement;
  private final Plan.Measured measured;
  private final TrueMeans.Pair pair;
  private final double[] means;
  private final Inquiry inquiry;

  Rehearsals(Plan plan, Arrangement arrangement, Plan.Measured measured, TrueMeans.Pair pair) {
    this.plan = plan;
    this.arrangement = arrangement;
    this.measured = measured;
    this.pair = pair;
    means = new TrueMeans(plan, arrangement, measured).withPair(pair);
    inquiry = PlanRecords.inquiry(plan, measured);
  }

  /**
   * Rehearsals of a plan.
   *
   * @param plan with what is wanted
   * @param arrangement of its plots
   * @param measured which response
   * @param progress asked on the way
   * @return empty where nothing is wanted, or nothing can be compared
   */
  public static Optional<Rehearsals> of(
      Plan plan, Arrangement arrangement, Plan.Measured measured, Progress progress) {
    return Foresight.leastCertain(plan, arrangement, measured, progress)
        .map(pair -> new Rehearsals(plan, arrangement, measured, pair));
  }

  /**
   * Makes runs and counts those in which the difference was found, side by side on all processors.
   *
   * @param from the first run, from 1
   * @param to the last run
   * @param progress asked before each
   * @return how many, at most to - from + 1
   */
  public int found(int from, int to, Progress progress) {
    return (int)
        IntStream.rangeClosed(from, to)
            .parallel()
            .filter(
                run -> {
                  progress.check();
                  return isFound(
                      Answering.of(
                          MakeBelieve.of(plan, arrangement, measured, means, plan.seed() + run),
                          inquiry,
                          progress));
                })
            .count();
  }

  private boolean isFound(Findings findings) {
    for (ComparisonResult family : findings.first().analysis().comparisons()) {
      for (Pair one : family.pairs().pairs()) {
        if (pair.is(family.labels().get(one.left()), family.labels().get(one.right()))) {
          return one.differs();
        }
      }
    }
    for (TestResult test : findings.first().analysis().tests()) {
      if (test instanceof TestResult.TTestResult pairs) {
        return pairs.differs();
      }
    }
    throw new IllegalStateException("The pair was not compared");
  }
}
