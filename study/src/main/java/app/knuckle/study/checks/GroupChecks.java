package app.knuckle.study.checks;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Alike;
import app.knuckle.stats.Outcome;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.checks.Fences;
import app.knuckle.stats.checks.Grubbs;
import app.knuckle.stats.checks.Normality;
import app.knuckle.stats.checks.Outliers;
import app.knuckle.stats.checks.ShapeTest;
import app.knuckle.stats.checks.VarianceTest;
import app.knuckle.stats.checks.VarianceTests;
import app.knuckle.stats.compare.Adjustment;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.study.design.Questions;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.CheckTest;
import app.knuckle.study.findings.CheckedOn;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.findings.GroupCheck.Adjusted;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;

/** Checks of groups: normal values, equal variances, outliers. */
public final class GroupChecks {

  /** Checks, and the profile of transformations, take too long for the values of larger tables. */
  public static final int MOST_VALUES = 20_000;

  /** Each test of normality. */
  private static final Map<CheckTest, BiFunction<double[], Double, ShapeTest>> NORMALITY =
      new EnumMap<>(CheckTest.class);

  static {
    NORMALITY.put(CheckTest.SHAPIRO_WILK, Normality::shapiroWilk);
    NORMALITY.put(CheckTest.ANDERSON_DARLING, Normality::andersonDarling);
    NORMALITY.put(CheckTest.LILLIEFORS, Normality::lilliefors);
  }

  private GroupChecks() {}

  /**
   * All checks of a one-way layout, with intervals at the usual level.
   *
   * @param labels levels of each group
   * @param groups values of each
   * @param residuals what the means leave
   * @return in the order in which they are written
   */
  public static List<GroupCheck> ofGroups(
      List<Map<String, String>> labels, double[][] groups, Residuals residuals) {
    List<GroupCheck> checks = new ArrayList<>();
    double within = within(groups);
    NORMALITY.forEach(
        (name, test) -> {
          List<ShapeTest> tests = new ArrayList<>();
          for (double[] group : groups) {
            tests.add(test.apply(group, within));
          }
          List<Adjusted> adjusted = adjusted(tests);
          for (int g = 0; g < groups.length; g++) {
            checks.add(
                normality(
                    name,
                    new CheckedOn.Group(labels.get(g)),
                    tests.get(g),
                    Optional.of(adjusted.get(g))));
          }
          checks.add(
              normality(
                  name,
                  CheckedOn.Whole.RESIDUALS,
                  test.apply(residuals.residuals(), residuals.alikeWithin()),
                  Optional.empty()));
        });
    checks.addAll(spreadOf(groups, within, false));
    for (int g = 0; g < groups.length; g++) {
      checks.add(grubbs(new CheckedOn.Group(labels.get(g)), groups[g], within));
    }
    for (int g = 0; g < groups.length; g++) {
      checks.add(fences(new CheckedOn.Group(labels.get(g)), groups[g]));
    }
    return checks;
  }

  /**
   * The same checks with intervals at another level of significance.
   *
   * @param alpha one less the confidence
   * @param checks made at the usual one
   * @return the checks
   */
  public static List<GroupCheck> at(double alpha, List<GroupCheck> checks) {
    return alpha == Questions.USUAL_ALPHA
        ? checks
        : checks.stream()
            .map(
                c ->
                    c.numbers() instanceof VarianceTest.VarianceRatio ratio
                        ? c.with(ratio.at(alpha))
                        : c)
            .toList();
  }

  private static double within(double[][] groups) {
    return Alike.within(Arrays.stream(groups).flatMapToDouble(Arrays::stream).toArray());
  }

  /**
   * Every test of equal spread of what a model leaves of each group. Where the model itself makes
   * the groups have equal variances, as blocks of two do, no test can tell.
   *
   * @param groups residuals of each
   * @param within values no farther apart are alike
   * @return none of groups that are too few
   */
  public static List<GroupCheck> spreadOfResiduals(double[][] groups, double within) {
    return spreadOf(groups, within, isMirrored(groups, within));
  }

  /** Whether the groups have the same sizes of residuals, beside those that are 0. */
  private static boolean isMirrored(double[][] groups, double within) {
    double[] first = null;
    for (double[] group : groups) {
      double[] sizes =
          Arrays.stream(group).map(Math::abs).filter(x -> x > within).sorted().toArray();
      first = first == null ? sizes : first;
      if (sizes.length != first.length) {
        return false;
      }
      for (int i = 0; i < sizes.length; i++) {
        if (Math.abs(sizes[i] - first[i]) > 2 * within) {
          return false;
        }
      }
    }
    return true;
  }

  /** Every test of equal spread; none of groups that are too few, or all of one value. */
  private static List<GroupCheck> spreadOf(double[][] values, double within, boolean mirrored) {
    if (values.length < 2 || Arrays.stream(values).allMatch(g -> g.length < 2)) {
      return List.of();
    }
    int exponent = exponent(values);
    double[][] groups = scaled(values, exponent);
    double alike = Math.scalb(within, -exponent);
    Map<CheckTest, VarianceTest> tests = new EnumMap<>(CheckTest.class);
    tests.put(CheckTest.LEVENE_ABSOLUTE, VarianceTests.leveneAbsolute(groups, alike));
    tests.put(CheckTest.LEVENE_SQUARED, VarianceTests.leveneSquared(groups, alike));
    tests.put(CheckTest.BROWN_FORSYTHE, VarianceTests.brownForsythe(groups, alike));
    tests.put(CheckTest.BARTLETT, VarianceTests.bartlett(groups, alike));
    tests.put(CheckTest.FLIGNER_KILLEEN, VarianceTests.flignerKilleen(groups, alike));
    if (groups.length == 2) {
      tests.put(
          CheckTest.VARIANCE_RATIO,
          VarianceTests.varianceRatio(groups, alike, Questions.USUAL_ALPHA));
    }
    List<GroupCheck> checks = new ArrayList<>();
    tests.forEach(
        (name, test) ->
            checks.add(
                spread(name, mirrored ? test.without(Absence.RESIDUALS_ARE_MIRRORED) : test)));
    return checks;
  }

  /** Ratios of spreads do not depend on the scale, but fourth powers of huge values overflow. */
  private static int exponent(double[][] groups) {
    double largest =
        Arrays.stream(groups).flatMapToDouble(Arrays::stream).map(Math::abs).max().orElse(0);
    int exponent = largest == 0 ? 0 : Math.getExponent(largest);
    return Math.abs(exponent) < SAFE_EXPONENT ? 0 : exponent;
  }

  private static double[][] scaled(double[][] groups, int exponent) {
    return exponent == 0
        ? groups
        : Arrays.stream(groups)
            .map(g -> Arrays.stream(g).map(x -> Math.scalb(x, -exponent)).toArray())
            .toArray(double[][]::new);
  }

  /** Fourth powers of numbers below 2^100 stay far below the largest double, 2^1024. */
  private static final int SAFE_EXPONENT = 100;

  /**
   * The row that stands out most from what the model says of it.
   *
   * @param residuals what a model leaves
   * @param frame in whose rows they stand
   * @return the check
   */
  public static GroupCheck farthest(Residuals residuals, Frame frame) {
    int at = residuals.farthest();
    Quantity none = Quantity.absent(Absence.NO_RESIDUAL_HAS_SE);
    GroupCheck.OddResidual found =
        new GroupCheck.OddResidual(
            residuals.rows().length,
            at < 0 ? none : Quantity.of(residuals.studentised()[at]),
            at < 0 ? null : frame.sourceRow(residuals.rows()[at]) + 1,
            List.of(residuals.df()),
            residuals.p(),
            residuals.adjustedP());
    CheckResult.Judgement judgement = CheckResult.Judgement.of(residuals.adjustedP());
    String words =
        !judgement.isOdd()
            ? say(at < 0 ? "check.row.none" : "check.row.sound")
            : say("check.row.odd", String.valueOf(frame.sourceRow(residuals.rows()[at]) + 1));
    return new GroupCheck(
        CheckTest.STUDENTISED_RESIDUAL, CheckedOn.Whole.RESIDUALS, found, judgement, words);
  }

  /**
   * Checks of one sample, of differences, or of residuals.
   *
   * @param on which values they are
   * @param values one a row or unit, none missing
   * @param within values no farther apart are alike
   * @param odd whether odd values are looked for, as in a sample
   * @return the checks
   */
  public static List<GroupCheck> ofOne(CheckedOn on, double[] values, double within, boolean odd) {
    List<GroupCheck> checks = new ArrayList<>();
    NORMALITY.forEach(
        (name, test) ->
            checks.add(normality(name, on, test.apply(values, within), Optional.empty())));
    if (odd) {
      checks.add(grubbs(on, values, within));
      checks.add(fences(on, values));
    }
    return checks;
  }

  /**
   * Checks of what matched pairs differ by; the first says which pair is how far from their mean.
   *
   * @param units names of the pairs
   * @param differences one a pair
   * @param within values no farther apart are alike
   * @return the checks
   */
  public static List<GroupCheck> ofDifferences(
      List<String> units, double[] differences, double within) {
    List<GroupCheck> checks = ofOne(CheckedOn.Whole.DIFFERENCES, differences, within, false);
    double mean = Arrays.stream(differences).average().orElse(0);
    List<Double> deviations = Arrays.stream(differences).map(d -> d - mean).boxed().toList();
    checks.set(0, checks.get(0).ofUnits(units, deviations));
    return checks;
  }

  /** Holm and Bonferroni over the groups that have a p. */
  private static List<Adjusted> adjusted(List<ShapeTest> tests) {
    double[] p =
        tests.stream().filter(t -> t.p().exists()).mapToDouble(t -> t.p().value()).toArray();
    double[] holm = Adjustment.holm(p);
    Quantity none = Quantity.absent(Absence.NOTHING_TO_ADJUST);
    List<Adjusted> adjusted = new ArrayList<>();
    int known = 0;
    for (ShapeTest test : tests) {
      if (test.p().exists()) {
        adjusted.add(
            new Adjusted(
                Quantity.of(holm[known]), Quantity.of(Adjustment.bonferroni(p[known], p.length))));
        known++;
      } else {
        adjusted.add(new Adjusted(none, none));
      }
    }
    return adjusted;
  }

  private static GroupCheck normality(
      CheckTest name, CheckedOn on, ShapeTest test, Optional<Adjusted> adjusted) {
    Quantity p = adjusted.map(Adjusted::adjustedP).orElse(test.p());
    // Beyond the range of its approximation the p is known to be large.
    CheckResult.Judgement judgement =
        test.isLarge() ? CheckResult.Judgement.SOUND : CheckResult.Judgement.of(p);
    int n = test.n();
    boolean odd = judgement.isOdd();
    if (odd && n > MANY) {
      judgement = CheckResult.Judgement.CAUTION;
    }
    String words =
        n < FEW
            ? odd ? say("check.shape.few.odd") : say("check.shape.few")
            : !odd
                ? judgement == CheckResult.Judgement.SOUND
                    ? say("check.shape.sound")
                    : say("check.shape.unknown", Phrases.why(p))
                : say(n > MANY ? "check.shape.many" : "check.shape.odd");
    return new GroupCheck(name, on, test, adjusted, Optional.empty(), judgement, words);
  }

  /** Fewer values than this cannot show a shape. */
  private static final int FEW = 8;

  /** More values than this show departures that do not matter to means. */
  private static final int MANY = 500;

  private static GroupCheck spread(CheckTest name, VarianceTest test) {
    CheckResult.Judgement judgement = CheckResult.Judgement.of(test.p());
    return new GroupCheck(
        name, CheckedOn.Whole.GROUPS, test, judgement, words("check.spread", judgement, test));
  }

  /** Nothing speaks against it, it cannot be told, or something does. */
  private static String words(String key, CheckResult.Judgement judgement, Outcome found) {
    return switch (judgement) {
      case SOUND -> say(key + ".sound");
      case CANNOT_TELL -> say(key + ".unknown", Phrases.why(found.p()));
      case CAUTION, UNSOUND -> say(key + ".odd");
    };
  }

  private static GroupCheck grubbs(CheckedOn on, double[] values, double within) {
    Grubbs found = Outliers.grubbs(values, within);
    CheckResult.Judgement judgement = CheckResult.Judgement.of(found.p());
    return new GroupCheck(
        CheckTest.GRUBBS, on, found, judgement, words("check.apart", judgement, found));
  }

  private static GroupCheck fences(CheckedOn on, double[] values) {
    Fences found = Outliers.fences(values);
    boolean any = !found.extreme().isEmpty();
    return new GroupCheck(
        CheckTest.FENCES,
        on,
        found,
        any ? CheckResult.Judgement.CAUTION : CheckResult.Judgement.SOUND,
        say(any ? "check.fences.odd" : "check.fences.sound"));
  }
}
