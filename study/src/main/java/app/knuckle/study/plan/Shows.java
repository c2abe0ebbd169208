package app.knuckle.study.plan;

import app.knuckle.stats.Progress;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.planning.Chance;
import app.knuckle.stats.planning.IncompleteBlocks;
import app.knuckle.stats.planning.PlannedDifference;
import app.knuckle.stats.ttest.TTest;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.DesignReading;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;

/**
 * What a trial will show of one response.
 *
 * @param design as the inquiry will read it
 * @param effects of the treatments; none where there is no error to judge against
 * @param kinds of differences between the means that are compared, the least certain first; none
 *     where nothing is wanted or nothing can be judged
 * @param curve power of the first kind over how often the layout is repeated
 * @param needed repeats that give the power wanted; empty where nothing is wanted, or no number up
 *     to {@value #MOST_REPEATS} does
 * @param incomplete the design of incomplete blocks; empty for others
 * @param rehearsed from made-up records; empty where that was not asked
 */
public record Shows(
    DesignReading design,
    List<Effect> effects,
    List<Kind> kinds,
    List<Point> curve,
    Optional<Integer> needed,
    Optional<IncompleteBlocks> incomplete,
    Optional<Rehearsed> rehearsed) {

  /** More repeats than these nobody plants. */
  static final int MOST_REPEATS = 1_000;

  /** The curve goes to so many times the repeats of the plan, and at least so far. */
  private static final int CURVE_TIMES = 2;

  private static final int CURVE_LEAST = 10;

  /** So many repeats leave noise in every layout, a covariate taken off. */
  private static final int FEW = 3;

  /** With fewer degrees of freedom nothing is judged; a little less, for rounding. */
  private static final double LEAST_DF = 1 - 1e-6;

  private static final int CURVE_MOST = 60;

  public Shows {
    effects = List.copyOf(effects);
    kinds = List.copyOf(kinds);
    curve = List.copyOf(curve);
  }

  /**
   * The test of an effect.
   *
   * @param term its treatments
   * @param df of the effect
   * @param errorDf of the noise that it is judged against
   * @param ncp noncentrality under the effects expected
   * @param power probability that it is found
   */
  public record Effect(List<String> term, double df, double errorDf, double ncp, double power) {}

  /**
   * A kind of difference between two means.
   *
   * @param differing treatments whose levels differ
   * @param test standard error, degrees of freedom and what has to be passed
   */
  public record Kind(List<String> differing, PlannedDifference test) {}

  /**
   * A point of the curve.
   *
   * @param repeats of the layout
   * @param power that the difference wanted is found
   */
  public record Point(int repeats, double power) {}

  /**
   * What made-up records showed.
   *
   * @param runs made
   * @param power share in which the difference wanted was found
   */
  public record Rehearsed(int runs, double power) {
    /**
     * The Monte-Carlo error of the power.
     *
     * @return its standard error
     */
    public double mcse() {
      return Math.sqrt(power * (1 - power) / runs);
    }
  }

  /**
   * Looks ahead.
   *
   * @param plan of the trial
   * @param arrangement of its plots
   * @param measured which response
   * @param progress asked on the way
   * @return what it will show
   * @throws Refused if its records could not be asked at all
   */
  public static Shows of(
      Plan plan, Arrangement arrangement, Plan.Measured measured, Progress progress) {
    double[] flat = means(plan, arrangement, measured, List.of(), Map.of());
    Findings first = asked(plan, arrangement, measured, flat, progress);
    List<Difference> differences = differences(first);
    List<Kind> kinds = kinds(plan, differences);
    Map<Map<String, String>, Double> pair = pair(plan, differences);
    List<Plan.Effect> others = others(plan, measured);
    boolean own =
        plan.effects().stream()
            .anyMatch(e -> e.measured().equals(measured.name()) && !others.contains(e));
    double[] means = means(plan, arrangement, measured, plan.effects(), own ? Map.of() : pair);
    Findings expected = asked(plan, arrangement, measured, means, progress);
    Curve curve =
        kinds.isEmpty() || plan.wanted() == null
            ? null
            : Curve.of(plan, measured, kinds.get(0), progress);
    return new Shows(
        first.first().design(),
        effects(expected),
        kinds,
        curve == null ? List.of() : curve.points(),
        curve == null ? Optional.empty() : curve.needed(),
        arrangement.incomplete(),
        plan.rehearsals() > 0 && !pair.isEmpty()
            ? Optional.of(rehearsed(plan, arrangement, measured, pair, progress))
            : Optional.empty());
  }

  private static Findings asked(
      Plan plan,
      Arrangement arrangement,
      Plan.Measured measured,
      double[] means,
      Progress progress) {
    progress.check();
    Table table = ExpectedRecords.of(plan, arrangement, measured, means);
    return Answering.of(table, PlanRecords.inquiry(plan, measured), progress);
  }

  /** A difference of two means of the family that is compared. */
  private record Difference(
      Map<String, String> left, Map<String, String> right, double se, double df) {
    List<String> differing() {
      return left.keySet().stream().filter(t -> !left.get(t).equals(right.get(t))).toList();
    }
  }

  private static List<Difference> differences(Findings findings) {
    List<Difference> all = new ArrayList<>();
    for (ComparisonResult family : findings.first().analysis().comparisons()) {
      for (Pair pair : family.pairs().pairs()) {
        if (pair.se().exists() && pair.df().exists()) {
          all.add(
              new Difference(
                  family.labels().get(pair.left()),
                  family.labels().get(pair.right()),
                  pair.se().value(),
                  pair.df().value()));
        }
      }
    }
    for (TestResult test : findings.first().analysis().tests()) {
      // Matched pairs have no family: their test is the difference.
      if (all.isEmpty()
          && findings.inquiry().pairs() != null
          && findings.inquiry().compare().size() > 0
          && test instanceof TestResult.TTestResult pairs
          && pairs.test().test().se().exists()) {
        all.add(
            new Difference(
                pairs.left(),
                pairs.right(),
                pairs.test().test().se().value(),
                pairs.test().test().df().value()));
      }
    }
    return all;
  }

  private static List<Kind> kinds(Plan plan, List<Difference> differences) {
    Map<List<String>, List<Difference>> byKind = new LinkedHashMap<>();
    differences.forEach(d -> byKind.computeIfAbsent(d.differing(), k -> new ArrayList<>()).add(d));
    int means = differences.isEmpty() ? 0 : plan.combinations(plan.wanted().of()).size();
    List<Kind> kinds = new ArrayList<>();
    byKind.forEach(
        (differing, all) -> {
          Difference worst = worst(all);
          double se = worst.se();
          if (plan.layout() == Plan.Layout.INCOMPLETE_BLOCKS) {
            // Pairs that meet differ a little from others: what counts is their mean variance.
            se = Math.sqrt(all.stream().mapToDouble(d -> d.se() * d.se()).average().orElseThrow());
          }
          kinds.add(
              new Kind(
                  differing,
                  PlannedDifference.of(
                      se, worst.df(), means, plan.wanted().procedure(), plan.wanted().alpha())));
        });
    kinds.sort((a, b) -> Double.compare(passed(b), passed(a)));
    return kinds;
  }

  private static double passed(Kind kind) {
    return kind.test().critical() * kind.test().sed();
  }

  /** The first of those with the largest standard error. */
  private static Difference worst(List<Difference> all) {
    Difference worst = all.get(0);
    for (Difference d : all) {
      // Rounding must not choose.
      worst = d.se() > worst.se() * (1 + 1e-9) ? d : worst;
    }
    return worst;
  }

  /** The two levels that are taken to differ as wanted, and by how much each lies off. */
  private static Map<Map<String, String>, Double> pair(Plan plan, List<Difference> differences) {
    if (differences.isEmpty()) {
      return Map.of();
    }
    Difference worst = worst(differences);
    double half = plan.wanted().difference() / 2;
    Map<Map<String, String>, Double> pair = new LinkedHashMap<>();
    pair.put(worst.left(), half);
    pair.put(worst.right(), -half);
    return pair;
  }

  /** True means of the plots: effects that are given, and a pair of levels beside. */
  private static double[] means(
      Plan plan,
      Arrangement arrangement,
      Plan.Measured measured,
      List<Plan.Effect> given,
      Map<Map<String, String>, Double> pair) {
    return arrangement.plots().stream()
        .mapToDouble(
            plot -> {
              double mean = measured.mean();
              for (Plan.Effect effect : given) {
                boolean here = effect.measured().equals(measured.name());
                mean += here && isOf(plot, effect.levels()) ? effect.by() : 0;
              }
              for (Map.Entry<Map<String, String>, Double> off : pair.entrySet()) {
                mean += isOf(plot, off.getKey()) ? off.getValue() : 0;
              }
              return mean;
            })
        .toArray();
  }

  /** Effects of the response but those of treatments whose difference is wanted. */
  private static List<Plan.Effect> others(Plan plan, Plan.Measured measured) {
    return plan.effects().stream()
        .filter(e -> e.measured().equals(measured.name()))
        .filter(
            e ->
                plan.wanted() == null
                    || e.levels().keySet().stream().noneMatch(plan.wanted().of()::contains))
        .toList();
  }

  private static boolean isOf(Arrangement.Plot plot, Map<String, String> levels) {
    return plot.treatments().entrySet().containsAll(levels.entrySet());
  }

  private static List<Effect> effects(Findings expected) {
    double alpha = expected.inquiry().alpha();
    for (TestResult test : expected.first().analysis().tests()) {
      if (test.variances().isPresent()) {
        return effects(test.variances().orElseThrow(), expected.inquiry().treatments(), alpha);
      }
    }
    for (TestResult test : expected.first().analysis().tests()) {
      if (test instanceof TestResult.TTestResult two && two.left() != null) {
        TTest t = two.test();
        double ncp = Math.pow(t.test().statistic().value(), 2);
        return List.of(
            effect(List.copyOf(two.left().keySet()), 1, t.test().df().value(), ncp, alpha));
      }
    }
    return List.of();
  }

  private static List<Effect> effects(AnovaTable table, List<String> treatments, double alpha) {
    List<Effect> effects = new ArrayList<>();
    for (AnovaTable.Row row : table.rows()) {
      boolean asked = !row.isError() && treatments.containsAll(row.term().names());
      if (asked && row.effect() != null && row.effect().f().exists()) {
        double df = row.effect().df();
        effects.add(
            effect(
                row.term().names(),
                df,
                row.error().errorDf(),
                row.effect().f().value() * df,
                alpha));
      }
    }
    return effects;
  }

  private static Effect effect(
      List<String> term, double df, double errorDf, double ncp, double alpha) {
    return new Effect(
        term, df, errorDf, ncp, PlannedDifference.powerOfEffect(ncp, df, errorDf, alpha));
  }

  private static Rehearsed rehearsed(
      Plan plan,
      Arrangement arrangement,
      Plan.Measured measured,
      Map<Map<String, String>, Double> pair,
      Progress progress) {
    double[] means = means(plan, arrangement, measured, others(plan, measured), pair);
    Inquiry inquiry = PlanRecords.inquiry(plan, measured);
    long found =
        IntStream.rangeClosed(1, plan.rehearsals())
            .parallel()
            .filter(
                run -> {
                  progress.check();
                  Chance chance = new Chance(plan.seed() + run);
                  Table table = PlanRecords.madeUp(plan, arrangement, measured, means, chance);
                  return isFound(Answering.of(table, inquiry, progress), pair);
                })
            .count();
    return new Rehearsed(plan.rehearsals(), (double) found / plan.rehearsals());
  }

  private static boolean isFound(Findings findings, Map<Map<String, String>, Double> pair) {
    for (ComparisonResult family : findings.first().analysis().comparisons()) {
      for (Pair one : family.pairs().pairs()) {
        if (pair.containsKey(family.labels().get(one.left()))
            && pair.containsKey(family.labels().get(one.right()))) {
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

  /** Power over how often a layout is repeated. */
  private record Curve(List<Point> points, Optional<Integer> needed) {

    /**
     * The curve of a kind of difference: variances go down as the layout is repeated, and degrees
     * of freedom grow by the same number with each repeat, as the layout of another size tells.
     */
    static Curve of(Plan plan, Plan.Measured measured, Kind kind, Progress progress) {
      int own = plan.repeats();
      int means = plan.combinations(plan.wanted().of()).size();
      double each =
          plan.isRepeatable()
              ? df(plan.repeated(FEW + 1), measured, kind, progress)
                  - df(plan.repeated(FEW), measured, kind, progress)
              : (df(plan.times(2), measured, kind, progress) - kind.test().df()) / own;
      IntToDoubleFunction power =
          r -> {
            double at = kind.test().df() + (r - own) * each;
            double se = kind.test().sed() * Math.sqrt((double) own / r);
            return at < LEAST_DF
                ? 0
                : PlannedDifference.of(
                        se, at, means, plan.wanted().procedure(), plan.wanted().alpha())
                    .power(plan.wanted().difference());
          };
      List<Point> points = new ArrayList<>();
      int last = Math.min(CURVE_MOST, Math.max(CURVE_LEAST, CURVE_TIMES * own));
      for (int r = 1; r <= last; r++) {
        double at = power.applyAsDouble(r);
        if (at > 0) {
          points.add(new Point(r, at));
        }
      }
      return new Curve(points, least(power, plan.wanted().power()));
    }

    /** Degrees of freedom of the same kind of difference in a plan of another size. */
    private static double df(Plan plan, Plan.Measured measured, Kind kind, Progress progress) {
      Arrangement arrangement = Arrangement.of(plan);
      double[] flat = means(plan, arrangement, measured, List.of(), Map.of());
      return kinds(plan, differences(asked(plan, arrangement, measured, flat, progress))).stream()
          .filter(k -> k.differing().equals(kind.differing()))
          .findFirst()
          .orElseThrow()
          .test()
          .df();
    }

    /** The least number of repeats that gives a power, which rises with them. */
    private static Optional<Integer> least(IntToDoubleFunction power, double wanted) {
      int high = 1;
      while (power.applyAsDouble(high) < wanted) {
        if (high == MOST_REPEATS) {
          return Optional.empty();
        }
        high = Math.min(MOST_REPEATS, 2 * high);
      }
      int low = high / 2;
      while (high - low > 1) {
        int middle = (low + high) / 2;
        if (power.applyAsDouble(middle) < wanted) {
          low = middle;
        } else {
          high = middle;
        }
      }
      return Optional.of(high);
    }
  }
}
