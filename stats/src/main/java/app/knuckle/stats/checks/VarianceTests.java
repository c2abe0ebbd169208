package app.knuckle.stats.checks;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Alike;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.ranks.Midranks;
import app.knuckle.stats.summary.GroupMoments;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.apache.commons.statistics.distribution.FDistribution;
import org.apache.commons.statistics.distribution.NormalDistribution;

/** Whether groups have equal variances. */
public final class VarianceTests {

  private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

  private VarianceTests() {}

  private interface Score {
    double of(double distance);
  }

  private static double[] flat(double[][] groups) {
    return Arrays.stream(groups).flatMapToDouble(Arrays::stream).toArray();
  }

  private static int[] codes(double[][] groups) {
    int[] codes = new int[Arrays.stream(groups).mapToInt(g -> g.length).sum()];
    int at = 0;
    for (int g = 0; g < groups.length; g++) {
      for (int i = 0; i < groups[g].length; i++) {
        codes[at++] = g;
      }
    }
    return codes;
  }

  private static double mean(double[] x) {
    double origin = x[0];
    return origin + Arrays.stream(x).map(v -> v - origin).sum() / x.length;
  }

  private static double median(double[] x) {
    double[] sorted = x.clone();
    Arrays.sort(sorted);
    int n = sorted.length;
    return n % 2 == 1 ? sorted[n / 2] : (sorted[n / 2 - 1] + sorted[n / 2]) / 2;
  }

  private static VarianceTest oneWay(
      double[][] groups, boolean aboutMedian, double within, Score score) {
    double[][] scores = new double[groups.length][];
    boolean known = false;
    for (int g = 0; g < groups.length; g++) {
      double centre = aboutMedian ? median(groups[g]) : mean(groups[g]);
      double[] distances = Arrays.stream(groups[g]).map(v -> Math.abs(v - centre)).toArray();
      known |= !Alike.are(distances, within);
      scores[g] = Arrays.stream(distances).map(score::of).toArray();
    }
    OneWay fit = OneWay.fit(GroupMoments.of(flat(scores), codes(groups), groups.length), 0.05);
    Quantity none = Quantity.absent(Absence.SCORES_DO_NOT_VARY);
    return new VarianceTest.OfGroups(
        known ? fit.treatment().f() : none,
        List.of(fit.treatment().df(), fit.errorDf()),
        known ? fit.treatment().p() : none);
  }

  /**
   * Levene's test on distances from the mean.
   *
   * @param groups two or more, none empty
   * @param within values no farther apart are alike
   * @return statistic, df, p
   * @see "Levene, H. (1960). Robust tests for equality of variances. In: Contributions to
   *     probability and statistics, 278-292"
   */
  public static VarianceTest leveneAbsolute(double[][] groups, double within) {
    return oneWay(groups, false, within, d -> d);
  }

  /**
   * Levene's test on squared distances from the mean.
   *
   * @param groups two or more, none empty
   * @param within values no farther apart are alike
   * @return statistic, df, p
   */
  public static VarianceTest leveneSquared(double[][] groups, double within) {
    return oneWay(groups, false, within, d -> d * d);
  }

  /**
   * Brown and Forsythe's test on distances from the median.
   *
   * @param groups two or more, none empty
   * @param within values no farther apart are alike
   * @return statistic, df, p
   * @see "Brown, M. B. and Forsythe, A. B. (1974). Robust tests for the equality of variances. JASA
   *     69, 364-367"
   */
  public static VarianceTest brownForsythe(double[][] groups, double within) {
    return oneWay(groups, true, within, d -> d);
  }

  /**
   * Bartlett's test.
   *
   * @param groups two or more
   * @param within values no farther apart are alike
   * @return statistic, df, p; absent if a group has no spread
   * @see "Bartlett, M. S. (1937). Proceedings of the Royal Society A 160, 268-282"
   */
  public static VarianceTest bartlett(double[][] groups, double within) {
    int k = groups.length;
    GroupMoments m = GroupMoments.of(flat(groups), codes(groups), k);
    double n = m.total();
    double pooled = 0;
    double logs = 0;
    double inverse = 0;
    boolean known = true;
    for (int g = 0; g < k; g++) {
      double df = m.count(g) - 1.0;
      known &= df > 0 && !Alike.are(groups[g], within);
      pooled += m.sumOfSquares(g);
      logs += df * Math.log(m.sumOfSquares(g) / df);
      inverse += 1 / df;
    }
    double statistic =
        ((n - k) * Math.log(pooled / (n - k)) - logs)
            / (1 + (inverse - 1 / (n - k)) / (3.0 * (k - 1)));
    Quantity none = Quantity.absent(Absence.A_GROUP_HAS_NO_SPREAD);
    return chiSquared(known ? Quantity.of(statistic) : none, k - 1);
  }

  /**
   * Fligner and Killeen's test on ranks of distances from the median.
   *
   * @param groups two or more, none empty
   * @param within values no farther apart are alike
   * @return statistic, df, p
   * @see "Fligner, M. A. and Killeen, T. J. (1976). JASA 71, 210-213"
   */
  public static VarianceTest flignerKilleen(double[][] groups, double within) {
    double[] ranks = Midranks.ofDistancesFromMedian(groups, within);
    int n = ranks.length;
    double[] a =
        Arrays.stream(ranks)
            .map(r -> NORMAL.inverseCumulativeProbability(0.5 + r / (2 * (n + 1.0))))
            .toArray();
    double mean = Arrays.stream(a).sum() / n;
    double v = Arrays.stream(a).map(x -> (x - mean) * (x - mean)).sum() / (n - 1.0);
    double statistic = 0;
    int at = 0;
    for (double[] group : groups) {
      double own = 0;
      for (int i = 0; i < group.length; i++) {
        own += a[at++] / group.length;
      }
      statistic += group.length * (own - mean) * (own - mean) / v;
    }
    // Asked of the ranks, which are exact: the mean of equal scores is rounded, and v is not 0.
    boolean known = Arrays.stream(ranks).anyMatch(r -> r != ranks[0]);
    Quantity none = Quantity.absent(Absence.DISTANCES_DO_NOT_VARY);
    return chiSquared(known ? Quantity.of(statistic) : none, groups.length - 1);
  }

  /**
   * The ratio of two variances with its interval.
   *
   * @param groups two groups of two values or more
   * @param within values no farther apart are alike
   * @param alpha level of significance
   * @return statistic, df, p, pGreater, pLess, low, high
   */
  public static VarianceTest.VarianceRatio varianceRatio(
      double[][] groups, double within, double alpha) {
    GroupMoments m = GroupMoments.of(flat(groups), codes(groups), 2);
    double d1 = m.count(0) - 1.0;
    double d2 = m.count(1) - 1.0;
    Quantity none = Quantity.absent(Absence.A_GROUP_HAS_NO_SPREAD);
    boolean known = d1 > 0 && d2 > 0 && Arrays.stream(groups).noneMatch(g -> Alike.are(g, within));
    List<Double> df = List.of(d1, d2);
    if (!known) {
      return new VarianceTest.VarianceRatio(none, df, none, none, none, none, none);
    }
    double f = m.sumOfSquares(0) / d1 / (m.sumOfSquares(1) / d2);
    FDistribution distribution = FDistribution.of(d1, d2);
    double greater = distribution.survivalProbability(f);
    double less = distribution.cumulativeProbability(f);
    return new VarianceTest.VarianceRatio(
            Quantity.of(f),
            df,
            Quantity.of(Math.min(1, 2 * Math.min(greater, less))),
            Quantity.of(greater),
            Quantity.of(less),
            none,
            none)
        .at(alpha);
  }

  private static VarianceTest chiSquared(Quantity statistic, int df) {
    ChiSquaredDistribution distribution = ChiSquaredDistribution.of(df);
    return new VarianceTest.OfGroups(
        statistic,
        List.of((double) df),
        statistic.map(x -> distribution.survivalProbability(Math.max(0, x))));
  }
}
