package app.knuckle.study.plan;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Analysis;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
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
    Inquiry planned = PlanRecords.inquiry(plan, measured);
    inquiry = mishap.onRanks() ? planned.but(d -> onRanks(plan, d)) : planned;
  }

  private static void onRanks(Plan plan, Inquiry.Draft draft) {
    draft.method = Inquiry.Method.RANKS;
    draft.covariates = List.of();
    draft.compare = List.of(Inquiry.Compare.pairs(plan.wanted().of(), Procedure.DUNN_HOLM));
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
   * @throws Refused if ranks cannot judge this layout, or counts were to have a mean below 0
   */
  public static Optional<Rehearsals> of(
      Plan plan,
      Arrangement arrangement,
      Plan.Measured measured,
      Mishap mishap,
      Progress progress) {
    Optional<Rehearsals> rehearsals =
        Foresight.leastCertain(plan, arrangement, measured, progress)
            .map(pair -> new Rehearsals(plan, arrangement, measured, pair, mishap));
    // Nothing lost, it can be answered at all: else it is said why, not counted as not found.
    rehearsals.ifPresent(
        all -> all.answer(new Mishap(mishap.spread(), 0, mishap.onRanks()), plan.seed(), progress));
    return rehearsals;
  }

  /** Answers one trial; what a response is refused for is a refusal here. */
  private Findings answer(Mishap as, long seed, Progress progress) {
    Findings findings =
        Answering.of(
            MakeBelieve.of(plan, arrangement, measured, means, as, seed), inquiry, progress);
    findings
        .refusal()
        .ifPresent(
            refusal -> {
              throw new Refused(refusal);
            });
    return findings;
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
                  try {
                    return isFound(answer(mishap, plan.seed() + run, progress));
                  } catch (Refused e) {
                    return false; // What cannot be judged is not found: too much lost, or no noise
                    // in counts.
                  }
                })
            .count();
  }

  private boolean isFound(Findings findings) {
    Analysis analysis = findings.first().analysis();
    if (plan.layout() == Plan.Layout.PAIRS) {
      // Their test is the comparison.
      return analysis.tests().stream()
          .flatMap(test -> test.judged().stream())
          .anyMatch(one -> one.p().exists() && one.p().value() <= inquiry.alpha());
    }
    for (ComparedMeans family : ComparedMeans.of(analysis)) {
      for (Pair one : family.pairs()) {
        if (pair.is(family.labels().get(one.left()), family.labels().get(one.right()))) {
          return one.differs();
        }
      }
    }
    if (mishap.lost() > 0) {
      return false; // A level was lost altogether.
    }
    throw new IllegalStateException("The pair was not compared");
  }
}
