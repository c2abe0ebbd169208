package app.knuckle.study.findings;

import app.knuckle.stats.Facts;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.checks.Normality;
import app.knuckle.stats.checks.Outliers;
import app.knuckle.stats.checks.Spread;
import app.knuckle.stats.compare.Adjustment;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.study.prep.Frame;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/** Checks of groups: bell-shaped values, equal spread, odd ones out. */
final class GroupChecks {

  /** Each test of normality by its name. */
  private static final Map<String, Function<double[], Facts>> NORMALITY =
      new java.util.LinkedHashMap<>();

  static {
    NORMALITY.put("shapiro-wilk", Normality::shapiroWilk);
    NORMALITY.put("anderson-darling", Normality::andersonDarling);
    NORMALITY.put("lilliefors", Normality::lilliefors);
  }

  private GroupChecks() {}

  /** All checks of a one-way layout. */
  static List<GroupCheck> ofGroups(
      List<Map<String, String>> labels, double[][] groups, double[] residuals, double alpha) {
    List<GroupCheck> checks = new ArrayList<>();
    NORMALITY.forEach(
        (name, test) -> {
          List<Facts> facts = new ArrayList<>();
          for (double[] group : groups) {
            facts.add(test.apply(group));
          }
          adjust(facts);
          for (int g = 0; g < groups.length; g++) {
            checks.add(normality(name, labels.get(g), facts.get(g), "adjustedP"));
          }
          checks.add(normality(name, "residuals", test.apply(residuals), "p"));
        });
    checks.addAll(spreadOf(groups, alpha));
    for (int g = 0; g < groups.length; g++) {
      checks.add(grubbs(labels.get(g), groups[g]));
    }
    for (int g = 0; g < groups.length; g++) {
      checks.add(fences(labels.get(g), groups[g]));
    }
    return checks;
  }

  /** Every test of equal spread; none of groups that are too few, or all of one value. */
  static List<GroupCheck> spreadOf(double[][] values, double alpha) {
    List<GroupCheck> checks = new ArrayList<>();
    if (values.length < 2 || Arrays.stream(values).allMatch(g -> g.length < 2)) {
      return checks;
    }
    double[][] groups = scaled(values);
    checks.add(spread("levene-absolute", Spread.leveneAbsolute(groups)));
    checks.add(spread("levene-squared", Spread.leveneSquared(groups)));
    checks.add(spread("brown-forsythe", Spread.brownForsythe(groups)));
    checks.add(spread("bartlett", Spread.bartlett(groups)));
    checks.add(spread("fligner-killeen", Spread.flignerKilleen(groups)));
    if (groups.length == 2) {
      checks.add(spread("variance-ratio", Spread.varianceRatio(groups, alpha)));
    }
    return checks;
  }

  /** Ratios of spreads do not depend on the scale, but fourth powers of huge values overflow. */
  private static double[][] scaled(double[][] groups) {
    double largest =
        Arrays.stream(groups).flatMapToDouble(Arrays::stream).map(Math::abs).max().orElse(0);
    int exponent = largest == 0 ? 0 : Math.getExponent(largest);
    return Math.abs(exponent) < SAFE_EXPONENT
        ? groups
        : Arrays.stream(groups)
            .map(g -> Arrays.stream(g).map(x -> Math.scalb(x, -exponent)).toArray())
            .toArray(double[][]::new);
  }

  /** Fourth powers of numbers below 2^100 stay far below the largest double, 2^1024. */
  private static final int SAFE_EXPONENT = 100;

  /** The row that stands out most from what the model says of it. */
  static GroupCheck farthest(Residuals residuals, Frame frame) {
    int at = residuals.farthest();
    Quantity none = Quantity.absent("no residual has a standard error of its own");
    Facts facts =
        new Facts()
            .put("n", residuals.rows().length)
            .put("statistic", at < 0 ? none : Quantity.of(residuals.studentised()[at]))
            .put("row", at < 0 ? null : frame.sourceRow(residuals.rows()[at]) + 1)
            .put("df", List.of(residuals.df()))
            .put("p", residuals.p())
            .put("adjustedP", residuals.adjustedP());
    CheckResult.Judgement judgement = CheckResult.Judgement.of(residuals.adjustedP());
    String words =
        judgement == CheckResult.Judgement.SOUND
            ? "No row stands apart from what the model says of it."
            : "Row "
                + (frame.sourceRow(residuals.rows()[at]) + 1)
                + " stands apart from what the model says of it: look at its record before"
                + " anything else.";
    return new GroupCheck("outliers", "studentised-residual", "residuals", facts, judgement, words);
  }

  /** Checks of one sample, of differences, or of residuals; odd values only for a sample. */
  static List<GroupCheck> ofOne(Object on, double[] values, boolean odd) {
    List<GroupCheck> checks = new ArrayList<>();
    NORMALITY.forEach((name, test) -> checks.add(normality(name, on, test.apply(values), "p")));
    if (odd) {
      checks.add(grubbs(on, values));
      checks.add(fences(on, values));
    }
    return checks;
  }

  /**
   * Checks of what matched pairs differ by; the first says which pair is how far from their mean.
   */
  static List<GroupCheck> ofDifferences(List<String> units, double[] differences) {
    List<GroupCheck> checks = ofOne("differences", differences, false);
    double mean = Arrays.stream(differences).average().orElse(0);
    checks
        .get(0)
        .facts()
        .put("units", units)
        .put(
            "deviations",
            Facts.list(Arrays.stream(differences).map(difference -> difference - mean).toArray()));
    return checks;
  }

  /** Holm and Bonferroni over the groups that have a p. */
  private static void adjust(List<Facts> facts) {
    List<Facts> known = facts.stream().filter(f -> f.quantity("p").exists()).toList();
    double[] p = known.stream().mapToDouble(f -> f.quantity("p").value()).toArray();
    double[] holm = Adjustment.holm(p);
    Quantity none = Quantity.absent("there is no p to adjust");
    facts.forEach(f -> f.put("adjustedP", none).put("bonferroniP", none));
    for (int i = 0; i < p.length; i++) {
      known.get(i).put("adjustedP", holm[i]);
      known.get(i).put("bonferroniP", Adjustment.bonferroni(p[i], p.length));
    }
  }

  private static GroupCheck normality(String test, Object on, Facts facts, String key) {
    CheckResult.Judgement judgement = CheckResult.Judgement.of(facts.quantity(key));
    double n = facts.quantity("n").exists() ? facts.quantity("n").value() : 0;
    boolean odd = judgement != CheckResult.Judgement.SOUND;
    if (odd && n > MANY) {
      judgement = CheckResult.Judgement.CAUTION;
    }
    String words =
        n < FEW
            ? odd
                ? "Even these few values are not bell-shaped: look at each of them."
                : "So few values can hardly speak against a bell shape: go by their picture, and by"
                    + " what is known of such measurements."
            : !odd
                ? "Nothing speaks against a bell shape."
                : n > MANY
                    ? "Of so many values a test finds the smallest departure: go by the picture, and"
                        + " by whether the means are what you want to know."
                    : "The values are not bell-shaped: look at their picture, try another scale, ranks"
                        + " or permutation.";
    return new GroupCheck("normality", test, on, facts, judgement, words);
  }

  /** Fewer values than this cannot show a shape. */
  private static final int FEW = 8;

  /** More values than this show departures that do not matter to means. */
  private static final int MANY = 500;

  private static GroupCheck spread(String test, Facts facts) {
    CheckResult.Judgement judgement = CheckResult.Judgement.of(facts.quantity("p"));
    return new GroupCheck(
        "spread",
        test,
        "groups",
        facts,
        judgement,
        judgement == CheckResult.Judgement.SOUND
            ? "The groups spread alike."
            : "The groups do not spread alike: take each group's own spread, another scale, or ranks.");
  }

  private static GroupCheck grubbs(Object on, double[] values) {
    Facts facts = Outliers.grubbs(values);
    CheckResult.Judgement judgement = CheckResult.Judgement.of(facts.quantity("p"));
    return new GroupCheck(
        "outliers",
        "grubbs",
        on,
        facts,
        judgement,
        judgement == CheckResult.Judgement.SOUND
            ? "No value stands apart."
            : "One value stands apart: look at its record; if it is a slip, correct it or set the row"
                + " aside and say so.");
  }

  private static GroupCheck fences(Object on, double[] values) {
    Facts facts = Outliers.fences(values);
    boolean any = facts.all().get("extreme") instanceof List<?> list && !list.isEmpty();
    return new GroupCheck(
        "outliers",
        "fences",
        on,
        facts,
        any ? CheckResult.Judgement.CAUTION : CheckResult.Judgement.SOUND,
        any ? "A value lies beyond the outer fence." : "No value lies beyond the outer fences.");
  }
}
