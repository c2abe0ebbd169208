package app.knuckle.study.plan;

import app.knuckle.stats.Progress;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.compare.StudentT;
import app.knuckle.stats.power.EffectPower;
import app.knuckle.study.Refusal;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Questions;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.TestResult;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * Looks ahead at what a trial will show: records as they are expected are asked like any others,
 * and what is found of them is what will be found on average.
 */
public final class PlannedPower {

  /** So many repeats leave error df in every layout, a covariate taken off. */
  private static final int FEW = 3;

  private static final String NO_NOISE = "the plan leaves no noise to judge against";

  private final Plan plan;
  private final Arrangement arrangement;
  private final Plan.Measured measured;
  private final Progress progress;
  private final TrueMeans means;

  private PlannedPower(
      Plan plan, Arrangement arrangement, Plan.Measured measured, Progress progress) {
    this.plan = plan;
    this.arrangement = arrangement;
    this.measured = measured;
    this.progress = progress;
    means = new TrueMeans(plan, arrangement, measured);
  }

  /**
   * Looks ahead.
   *
   * @param plan of the trial
   * @param arrangement of its plots
   * @param measured which response
   * @param progress asked on the way
   * @return what it will show
   * @throws app.knuckle.study.Refused if its records could not be asked at all
   */
  public static Shows of(
      Plan plan, Arrangement arrangement, Plan.Measured measured, Progress progress) {
    return new PlannedPower(plan, arrangement, measured, progress).shows();
  }

  private Shows shows() {
    Findings flat = asked(means.flat());
    ExpectedDifferences differences = new ExpectedDifferences(plan, flat);
    List<Shows.Kind> kinds = differences.kinds();
    TrueMeans.Pair pair = differences.leastCertain();
    Optional<RepeatsCurve> curve =
        kinds.stream().findFirst().map(k -> new RepeatsCurve(plan, k, dfEach(k)));
    List<Shows.Effect> effects = effects(asked(means.expected(pair)));
    return new Shows(
        flat.first().design(),
        effects,
        kinds,
        curve.map(RepeatsCurve::points).orElse(List.of()),
        curve.map(RepeatsCurve::needed).orElse(OptionalInt.empty()),
        arrangement.incomplete(),
        rehearsed(pair),
        effects.isEmpty() ? flat.refusal().map(Refusal::what).orElse(NO_NOISE) : "");
  }

  /** The kind of difference that is hardest to find; empty where nothing is compared. */
  static Optional<Shows.Kind> hardest(
      Plan plan, Arrangement arrangement, Plan.Measured measured, Progress progress) {
    return new PlannedPower(plan, arrangement, measured, progress)
        .differences().kinds().stream().findFirst();
  }

  /** The two means whose difference is known least; empty where nothing is compared. */
  static Optional<TrueMeans.Pair> leastCertain(
      Plan plan, Arrangement arrangement, Plan.Measured measured, Progress progress) {
    return Optional.ofNullable(
        new PlannedPower(plan, arrangement, measured, progress).differences().leastCertain());
  }

  private ExpectedDifferences differences() {
    return new ExpectedDifferences(plan, asked(means.flat()));
  }

  private Optional<Shows.Rehearsed> rehearsed(TrueMeans.Pair pair) {
    int runs = plan.rehearsals();
    if (runs == 0 || pair == null) {
      return Optional.empty();
    }
    double[] p =
        new Rehearsals(plan, arrangement, measured, pair, Mishap.NONE).p(1, runs, progress);
    int found = Rehearsals.found(p, plan.wanted().alpha());
    return Optional.of(new Shows.Rehearsed(runs, (double) found / runs));
  }

  private Findings asked(double[] values) {
    progress.check();
    return Answering.of(
        ExpectedRecords.of(plan, arrangement, measured, values),
        PlanRecords.inquiry(plan, measured),
        progress);
  }

  /** Degrees of freedom that each repeat adds, as plans of other sizes tell. */
  private double dfEach(Shows.Kind kind) {
    return plan.isRepeatable()
        ? df(plan.repeated(FEW + 1), kind) - df(plan.repeated(FEW), kind)
        : (df(plan.times(2), kind) - kind.test().df()) / plan.repeats();
  }

  private double df(Plan other, Shows.Kind kind) {
    PlannedPower there = new PlannedPower(other, Arrangement.of(other), measured, progress);
    return new ExpectedDifferences(other, there.asked(there.means.flat()))
        .kind(kind.differing())
        .orElseThrow()
        .test()
        .df();
  }

  private List<Shows.Effect> effects(Findings expected) {
    List<TestResult> tests = expected.first().results().tests();
    Optional<AnovaTable> table =
        tests.stream().flatMap(test -> test.variances().stream()).findFirst();
    List<Shows.Effect> effects = new ArrayList<>();
    if (table.isPresent()) {
      for (AnovaTable.Row row : table.orElseThrow().rows()) {
        boolean asked =
            !row.isError() && plan.treatments().keySet().containsAll(row.term().names());
        if (asked && row.effect() != null && row.effect().f().exists()) {
          double df = row.effect().df();
          double ncp = row.effect().f().value() * df;
          effects.add(
              effect(row.term().names(), EffectPower.of(df, row.error().errorDf(), ncp, alpha())));
        }
      }
      return effects;
    }
    tests.stream()
        .flatMap(test -> test.ofDifference().stream())
        .filter(two -> two.left() != null)
        .forEach(
            two -> {
              StudentT t = two.test().test();
              double ncp = t.statistic().value() * t.statistic().value();
              effects.add(
                  effect(
                      List.copyOf(two.left().keySet()),
                      EffectPower.of(1, t.df().value(), ncp, alpha())));
            });
    return effects;
  }

  private double alpha() {
    return plan.wanted() == null ? Questions.USUAL_ALPHA : plan.wanted().alpha();
  }

  private static Shows.Effect effect(List<String> term, EffectPower power) {
    return new Shows.Effect(
        term, power.df(), power.errorDf(), power.noncentrality(), power.power());
  }
}
