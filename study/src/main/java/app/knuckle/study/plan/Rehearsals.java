package app.knuckle.study.plan;

import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Results;
import app.knuckle.study.table.Table;
import java.util.Arrays;
import java.util.List;
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
  private final Mishap mishap;
  private final Inquiry inquiry;

  Rehearsals(
      Plan plan,
      Arrangement arrangement,
      Plan.Measured measured,
      TrueMeans.Pair pair,
      Mishap mishap) {
    this.plan = plan;
    this.arrangement = arrangement;
    this.measured = measured;
    this.pair = pair;
    this.mishap = mishap;
    means = new TrueMeans(plan, arrangement, measured).withPair(pair);
    inquiry = judged(PlanRecords.inquiry(plan, measured), plan, mishap.judged());
  }

  private static Inquiry judged(Inquiry planned, Plan plan, Mishap.Judged how) {
    return switch (how) {
      case AS_PLANNED -> planned;
      case RANKS -> planned.but(d -> pairwise(d, plan, Approach.RANKS, Procedure.DUNN_HOLM));
      case OWN_SPREADS ->
          planned.but(d -> pairwise(d, plan, Approach.SEPARATE_VARIANCES, Procedure.GAMES_HOWELL));
      case RANDOM -> planned.but(d -> d.approach = Approach.MIXED);
    };
  }

  /** Neither of these knows a covariate. */
  private static void pairwise(
      Inquiry.Draft draft, Plan plan, Approach approach, Procedure procedure) {
    draft.approach = approach;
    draft.clear(Part.COVARIATE);
    draft.compare = List.of(Compare.pairs(plan.wanted().of(), procedure));
  }

  /**
   * Rehearsals of a plan.
   *
   * @param plan with what is wanted
   * @param arrangement of its plots
   * @param measured which response
   * @param mishap what goes otherwise than planned
   * @param progress asked on the way
   * @return empty where nothing is wanted, or nothing can be compared
   * @throws Refused if this layout cannot be judged so, or counts were to have a mean below 0
   */
  public static Optional<Rehearsals> of(
      Plan plan,
      Arrangement arrangement,
      Plan.Measured measured,
      Mishap mishap,
      Progress progress) {
    Optional<Rehearsals> rehearsals =
        PlannedPower.leastCertain(plan, arrangement, measured, progress)
            .map(pair -> new Rehearsals(plan, arrangement, measured, pair, mishap));
    // Nothing lost, it can be answered at all: else it is said why, not counted as not found.
    rehearsals.ifPresent(all -> all.answer(mishap.whole(), plan.seed(), progress));
    return rehearsals;
  }

  /** Answers one trial in full; what a response is refused for is a refusal here. */
  private void answer(Mishap as, long seed, Progress progress) {
    Answering.of(made(as, seed), inquiry, progress)
        .refusal()
        .ifPresent(
            refusal -> {
              throw new Refused(refusal);
            });
  }

  private Table made(Mishap as, long seed) {
    return SimulatedRecords.of(plan, arrangement, measured, means, as, seed);
  }

  /**
   * Makes runs and judges the difference that is wanted, side by side on all processors. With its p
   * kept, a run tells whether it is found at any level of significance.
   *
   * @param from the first run, from 1
   * @param to the last run
   * @param progress asked before each
   * @return p of each run, in order; NaN where the difference could not be judged
   */
  public double[] p(int from, int to, Progress progress) {
    return IntStream.rangeClosed(from, to)
        .parallel()
        .mapToDouble(
            run -> {
              progress.check();
              try {
                return p(Answering.compared(made(mishap, plan.seed() + run), inquiry, progress));
              } catch (Refused e) {
                return Double.NaN; // Too much lost, or no error left in counts: it is not found.
              }
            })
        .toArray();
  }

  /**
   * In how many runs the difference was found.
   *
   * @param p of each run
   * @param alpha level of significance
   * @return at most the number of runs
   */
  public static int found(double[] p, double alpha) {
    return (int)
        Arrays.stream(p)
            .filter(one -> !Double.isNaN(one) && Significance.reached(Quantity.of(one), alpha))
            .count();
  }

  private double p(Results analysis) {
    if (plan.layout() == Plan.Layout.PAIRS) {
      // Their test is the comparison.
      return analysis.tests().stream()
          .flatMap(test -> test.judged().stream())
          .filter(one -> one.p().exists())
          .mapToDouble(one -> one.p().value())
          .min()
          .orElse(Double.NaN);
    }
    for (ComparedMeans family : ComparedMeans.of(analysis)) {
      for (Pair one : family.pairs()) {
        if (pair.is(family.labels().get(one.left()), family.labels().get(one.right()))) {
          return one.p().exists() ? one.p().value() : Double.NaN;
        }
      }
    }
    if (mishap.lost() > 0) {
      return Double.NaN; // A level was lost altogether.
    }
    throw new IllegalStateException("The pair was not compared");
  }
}
