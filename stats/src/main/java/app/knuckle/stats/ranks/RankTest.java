package app.knuckle.stats.ranks;

import app.knuckle.stats.Outcome;
import app.knuckle.stats.Quantity;
import java.util.List;
import java.util.Optional;

/**
 * A test on ranks. Its numbers are as many as files give of it, which is more than eight for some:
 * nobody calls their constructors but the test itself.
 */
public sealed interface RankTest extends Outcome {

  /**
   * By the normal distribution.
   *
   * @param z statistic in standard deviations from its mean
   * @param p in the direction asked
   * @param pEither of both tails
   * @param pGreater of the upper tail
   * @param pLess of the lower tail
   */
  record Normal(double z, Quantity p, double pEither, double pGreater, double pLess)
      implements Outcome {}

  /**
   * Counted over all choices of ranks.
   *
   * @param p in the direction asked
   * @param pEither of sums as far from the mean
   * @param pGreater of the upper tail
   * @param pLess of the lower tail
   * @param pDoubled twice the smaller tail, at most 1
   * @param arrangements how many there are
   */
  record ExactSum(
      Quantity p,
      double pEither,
      double pGreater,
      double pLess,
      double pDoubled,
      double arrangements)
      implements Outcome {}

  /**
   * Counted over all choices of signs.
   *
   * @param p in the direction asked
   * @param pEither of both tails
   * @param pGreater of the upper tail
   * @param pLess of the lower tail
   */
  record ExactSigns(Quantity p, double pEither, double pGreater, double pLess) implements Outcome {}

  /**
   * Limits of an interval.
   *
   * @param low lower limit
   * @param high upper limit
   * @param rank from each end of the ordered values
   * @param confidence of these very limits; empty where the normal distribution chose the rank
   */
  record Limits(Quantity low, Quantity high, long rank, Optional<Double> confidence)
      implements Outcome {}

  /**
   * How far one sample lies above another, or one from 0.
   *
   * @param estimate the middle of all differences, or of all averages
   * @param exact limits by counting; null of too many values
   * @param normal limits by the normal distribution
   * @param low the lower limit that is used
   * @param high the upper limit that is used
   */
  record Shift(double estimate, Limits exact, Limits normal, Quantity low, Quantity high)
      implements Outcome {}

  /**
   * A median with its interval.
   *
   * @param estimate the median
   * @param limits about it
   */
  record Middle(double estimate, @Flat Limits limits) implements Outcome {}

  /**
   * The rank-sum test of two samples.
   *
   * @param n of each sample
   * @param rankSums of each
   * @param meanRanks of each
   * @param u how often a value of the first beats one of the second
   * @param uOther how often one of the second beats one of the first
   * @param uSmaller the smaller of the two
   * @param tieSum of t cubed less t over all sets of t ties
   * @param meanOfU by chance
   * @param varianceOfU by chance
   * @param pFrom which of the two p is given: exact or normal
   * @param p in the direction asked
   * @param exact by counting; null of too many values
   * @param normal by the normal distribution; null where nothing varies
   * @param normalCorrected with a step of one half
   * @param probabilityOfSuperiority that a value of the first beats one of the second
   * @param rankBiserial from -1 to 1
   * @param shift of the first above the second
   */
  record MannWhitney(
      List<Double> n,
      List<Double> rankSums,
      List<Double> meanRanks,
      double u,
      double uOther,
      double uSmaller,
      double tieSum,
      double meanOfU,
      double varianceOfU,
      String pFrom,
      Quantity p,
      ExactSum exact,
      Normal normal,
      Normal normalCorrected,
      double probabilityOfSuperiority,
      double rankBiserial,
      Shift shift)
      implements RankTest {}

  /**
   * Brunner and Munzel's test of two samples whose spreads differ.
   *
   * @param probabilityOfSuperiority that a value of the first beats one of the second
   * @param se its standard error
   * @param statistic t
   * @param df of it
   * @param p in the direction asked
   * @param pEither of both tails
   * @param pGreater of the upper tail
   * @param pLess of the lower tail
   * @param low lower limit of the probability
   * @param high upper limit of the probability
   */
  record BrunnerMunzel(
      double probabilityOfSuperiority,
      Quantity se,
      Quantity statistic,
      Quantity df,
      Quantity p,
      Quantity pEither,
      Quantity pGreater,
      Quantity pLess,
      Quantity low,
      Quantity high)
      implements RankTest {}

  /**
   * Ranks of differences, with their signs.
   *
   * @param nUsed differences other than 0
   * @param rankSumPositive of those above 0
   * @param rankSumNegative of those below 0
   * @param mean of the first by chance
   * @param variance of it by chance
   * @param pFrom which of the two p is given: exact or normal
   * @param p in the direction asked
   * @param exact by counting; null of too many differences
   * @param normal by the normal distribution; null without a difference
   * @param normalCorrected with a step of one half
   * @param rankBiserial from -1 to 1
   */
  record Signs(
      int nUsed,
      double rankSumPositive,
      double rankSumNegative,
      double mean,
      double variance,
      String pFrom,
      Quantity p,
      ExactSigns exact,
      Normal normal,
      Normal normalCorrected,
      Quantity rankBiserial)
      implements Outcome {}

  /**
   * The signed-rank test.
   *
   * @param pairs how many differences
   * @param zeros how many of them are 0
   * @param signs the test, without zeros
   * @param pratt the same where zeros are ranked, then dropped
   * @param shift of the first above the second; empty for one sample
   * @param expected of one sample; empty for pairs
   * @param centre of one sample; empty for pairs
   */
  record SignedRank(
      int pairs,
      int zeros,
      @Flat Signs signs,
      Signs pratt,
      Optional<Shift> shift,
      Optional<Double> expected,
      Optional<Shift> centre)
      implements RankTest {
    @Override
    public Quantity p() {
      return signs.p();
    }
  }

  /**
   * The sign test.
   *
   * @param positive differences above 0
   * @param negative differences below 0
   * @param zeros differences of 0
   * @param p in the direction asked
   * @param pEither of both tails
   * @param pGreater of the upper tail
   * @param pLess of the lower tail
   * @param expected of one sample; empty for pairs
   * @param centre of one sample; empty for pairs
   * @param median difference; empty for one sample
   */
  record Sign(
      int positive,
      int negative,
      int zeros,
      Quantity p,
      double pEither,
      double pGreater,
      double pLess,
      Optional<Double> expected,
      Optional<Middle> centre,
      Optional<Middle> median)
      implements RankTest {}

  /**
   * The Kruskal-Wallis test.
   *
   * @param df groups less one
   * @param h with ties corrected
   * @param hUncorrected without
   * @param tieCorrection what it is divided by
   * @param p upper tail of chi-squared
   * @param exactP by counting
   * @param epsilonSquared the share of the spread of ranks that the groups explain
   * @param etaSquaredH the same, corrected for their number
   */
  record KruskalWallis(
      int df,
      Quantity h,
      double hUncorrected,
      double tieCorrection,
      Quantity p,
      Quantity exactP,
      Quantity epsilonSquared,
      Quantity etaSquaredH)
      implements RankTest {}

  /**
   * The median test.
   *
   * @param statistic chi-squared
   * @param df groups less one
   * @param p upper tail
   * @param correctedStatistic with a step of one half; empty of more than two groups
   * @param correctedP of it; empty of more than two groups
   * @param exactP Fisher's; empty of more than two groups
   */
  record Median(
      Quantity statistic,
      int df,
      Quantity p,
      Optional<Quantity> correctedStatistic,
      Optional<Quantity> correctedP,
      Optional<Double> exactP)
      implements RankTest {}

  /**
   * A test of groups that rise in their order: Jonckheere and Terpstra's, or Page's in blocks.
   *
   * @param statistic large for a rise
   * @param mean by chance
   * @param variance by chance
   * @param z in standard deviations from there
   * @param p of both tails
   * @param pIncreasing of a rise
   * @param pDecreasing of a fall
   * @param exact by counting; null of too many values, or with ties
   */
  record Trend(
      double statistic,
      double mean,
      double variance,
      Quantity z,
      Quantity p,
      Quantity pIncreasing,
      Quantity pDecreasing,
      ExactTrend exact)
      implements RankTest {

    Trend with(ExactTrend counted) {
      return new Trend(statistic, mean, variance, z, p, pIncreasing, pDecreasing, counted);
    }
  }

  /**
   * A test of a rise by counting.
   *
   * @param p of both tails
   * @param pIncreasing of a rise
   * @param pDecreasing of a fall
   */
  record ExactTrend(Quantity p, double pIncreasing, double pDecreasing) implements Outcome {}

  /**
   * The Friedman test.
   *
   * @param df treatments less one
   * @param chiSquared with ties corrected
   * @param chiSquaredUncorrected without
   * @param p upper tail
   * @param exactP by counting
   * @param f of Iman and Davenport
   * @param fDf its degrees of freedom
   * @param fP its upper tail
   * @param kendallW from 0 to 1
   */
  record Friedman(
      int df,
      Quantity chiSquared,
      double chiSquaredUncorrected,
      Quantity p,
      Quantity exactP,
      Quantity f,
      List<Double> fDf,
      Quantity fP,
      Quantity kendallW)
      implements RankTest {}

  /**
   * Quade's test.
   *
   * @param blockRanks ranks of the blocks' ranges
   * @param scoreSums one a treatment
   * @param totalSquares of all scores
   * @param treatmentSquares of the sums
   * @param f their ratio
   * @param df its degrees of freedom
   * @param p upper tail
   */
  record Quade(
      List<Double> blockRanks,
      List<Double> scoreSums,
      double totalSquares,
      double treatmentSquares,
      Quantity f,
      List<Double> df,
      Quantity p)
      implements RankTest {}

  /**
   * Skillings and Mack's test, which allows gaps.
   *
   * @param blocksUsed with two values or more
   * @param sums adjusted, one a treatment
   * @param statistic chi-squared
   * @param df treatments less one
   * @param p upper tail
   */
  record SkillingsMack(int blocksUsed, List<Double> sums, Quantity statistic, int df, Quantity p)
      implements RankTest {}
}
