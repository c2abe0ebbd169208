package app.knuckle.study.reckon;

import app.knuckle.stats.Progress;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.compare.AllPairs;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.stats.unequal.UnequalSpread;
import java.util.Arrays;
import java.util.List;

/**
 * Groups of which only summaries are known, and what follows from them.
 *
 * @param moments n, mean and standard deviation of each group
 * @param alpha level of significance
 * @param fit analysis of variance of one treatment
 * @param welch the same without a common spread
 * @param brownForsythe the same, otherwise
 */
public record Summaries(
    GroupMoments moments,
    double alpha,
    OneWay fit,
    UnequalSpread.FTest welch,
    UnequalSpread.FTest brownForsythe) {

  /**
   * Answers.
   *
   * @param n units of each group, 1 or more; two groups or more
   * @param mean of each group
   * @param sd standard deviation of each group, 0 or more
   * @param alpha level of significance
   * @return what follows
   */
  public static Summaries of(long[] n, double[] mean, double[] sd, double alpha) {
    GroupMoments moments = GroupMoments.ofSummaries(n, mean, sd);
    return new Summaries(
        moments,
        alpha,
        OneWay.fit(moments, alpha),
        UnequalSpread.welch(moments, alpha),
        UnequalSpread.brownForsythe(moments, alpha));
  }

  /**
   * Procedures that can be asked: all pairs of means. Ranks are not known from summaries. Returns
   * in the order in which they are offered.
   */
  public static List<Procedure> procedures() {
    return Arrays.stream(Procedure.values())
        .filter(p -> !p.isOnRanks() && p.isFor(Procedure.Use.ALL_PAIRS))
        .toList();
  }

  /**
   * All pairs.
   *
   * @param procedure one of those
   * @param progress asked on the way
   * @return the comparison
   */
  public Comparison pairs(Procedure procedure, Progress progress) {
    return AllPairs.withDefaults()
        .with(procedure)
        .withAlpha(alpha)
        .withOverallTest(fit.treatment().p())
        .compare(
            procedure.hasOwnSpreads() ? UnequalSpread.estimates(moments) : fit.estimates(),
            progress);
  }
}
