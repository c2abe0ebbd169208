package app.knuckle.study.findings;

import app.knuckle.stats.Outcome;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.ranks.RankTest;
import app.knuckle.stats.resampling.PermutationDistribution;
import app.knuckle.stats.resampling.PermutationP;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What a test on ranks or by permutation found, with the groups or columns it is about. */
public sealed interface RankNumbers extends Outcome {

  /**
   * The outcomes that hold its numbers: this and what it wraps, in the order in which numbers are
   * looked for.
   */
  default List<Outcome> parts() {
    return List.of(this);
  }

  /**
   * In which direction a difference was looked for: either, unless the question has a direction.
   */
  default Direction direction() {
    return Direction.EITHER;
  }

  /**
   * The columns that were tested, one row each: empty where the test is about the treatment itself.
   */
  default List<? extends Row> rows() {
    return List.of();
  }

  /** Mean ranks of the groups: empty where they are not given. */
  default List<MeanRank> ranks() {
    return List.of();
  }

  /** Units that were left out because a value of them is missing. */
  default List<String> unitsLeftOut() {
    return List.of();
  }

  /** What is about one test. */
  sealed interface OfOneTest extends RankNumbers {

    /** The test. */
    RankTest test();

    @Override
    default Quantity p() {
      return test().p();
    }

    @Override
    default List<Outcome> parts() {
      return List.of(this, test());
    }
  }

  /** What is about a treatment, in a row of its own. */
  sealed interface OfTreatment extends RankNumbers {

    @Override
    List<RankRow> rows();

    @Override
    default Quantity p() {
      return rows().get(0).p();
    }

    @Override
    default List<Outcome> parts() {
      return List.of(this, rows().get(0).test());
    }
  }

  /** A row of a table of tests. */
  sealed interface Row extends Outcome {

    /** What it is called, such as "feed x depth". */
    String source();

    /** Its columns: one name or more. */
    List<String> term();

    /** The outcomes that hold its numbers: this and what it wraps. */
    default List<Outcome> parts() {
      return List.of(this);
    }
  }

  /**
   * A treatment tested on ranks.
   *
   * @param source its name
   * @param term its column
   * @param test of it
   */
  record RankRow(String source, List<String> term, @Flat RankTest test) implements Row {
    @Override
    public Quantity p() {
      return test.p();
    }

    @Override
    public List<Outcome> parts() {
      return List.of(this, test);
    }
  }

  /**
   * The mean rank of a group.
   *
   * @param levels of the group
   * @param n its values
   * @param rankSum their ranks, added
   * @param meanRank their mean
   */
  record MeanRank(Map<String, String> levels, int n, double rankSum, double meanRank)
      implements Outcome {}

  /**
   * Two groups, of which the first may be looked for above or below the second.
   *
   * @param direction of the question
   * @param left levels of the first
   * @param right levels of the second
   */
  record TwoGroups(Direction direction, Map<String, String> left, Map<String, String> right)
      implements Outcome {}

  /**
   * Two groups.
   *
   * @param groups the two
   * @param test of them
   */
  record OfTwo(@Flat TwoGroups groups, @Flat RankTest test) implements OfOneTest {
    @Override
    public Direction direction() {
      return groups.direction();
    }
  }

  /**
   * Matched pairs.
   *
   * @param groups the two that are matched
   * @param unitsLeftOut pairs of which a value is missing
   * @param test of the differences
   */
  record OfPairs(@Flat TwoGroups groups, List<String> unitsLeftOut, @Flat RankTest test)
      implements OfOneTest {
    @Override
    public Direction direction() {
      return groups.direction();
    }
  }

  /**
   * One sample and an expected value.
   *
   * @param direction of the question
   * @param test of the differences
   */
  record OfOne(Direction direction, @Flat RankTest test) implements OfOneTest {}

  /**
   * Groups that rise in their order.
   *
   * @param order of the levels
   * @param test of a rise
   */
  record InOrder(List<String> order, @Flat RankTest.Trend test) implements OfOneTest {}

  /**
   * Independent groups.
   *
   * @param n values of all
   * @param rows the treatment
   * @param ranks of the groups
   * @param arrangements over which an exact p was counted; empty of too many
   */
  record OfGroups(int n, List<RankRow> rows, List<MeanRank> ranks, Optional<Double> arrangements)
      implements OfTreatment {}

  /**
   * Groups within blocks or units.
   *
   * @param blocksUsed complete ones
   * @param blocksLeftOut how many are not
   * @param unitsLeftOut their names
   * @param rows the treatment
   * @param ranks of the groups
   */
  record InBlocks(
      int blocksUsed,
      int blocksLeftOut,
      List<String> unitsLeftOut,
      List<RankRow> rows,
      List<MeanRank> ranks)
      implements OfTreatment {}

  /**
   * Values above the median of all.
   *
   * @param median of all
   * @param counts group by group
   * @param test of the counts
   */
  record AboveMedian(double median, List<Above> counts, @Flat RankTest.Median test)
      implements OfOneTest {}

  /**
   * Values of a group above the median of all.
   *
   * @param levels of the group
   * @param above how many lie above
   * @param notAbove how many do not
   */
  record Above(Map<String, String> levels, double above, double notAbove) implements Outcome {}

  /**
   * Blocks weighed by their range.
   *
   * @param test Quade's
   */
  record Weighed(@Flat RankTest.Quade test) implements OfOneTest {}

  /**
   * Blocks with gaps.
   *
   * @param blocksUsed with two values or more
   * @param adjustedSums one a treatment
   * @param statistic chi-squared
   * @param df treatments less one
   * @param p upper tail
   */
  record WithGaps(int blocksUsed, List<Sum> adjustedSums, Quantity statistic, int df, Quantity p)
      implements RankNumbers {}

  /**
   * The adjusted sum of a treatment.
   *
   * @param levels of the treatment
   * @param value its sum
   */
  record Sum(Map<String, String> levels, double value) implements Outcome {}

  /**
   * Two groups by permutation.
   *
   * @param form difference-of-means
   * @param groups the two
   * @param difference of their means, first less second
   * @param f of the groups as they are
   * @param p share in the direction asked
   * @param shares of all directions
   */
  record Rearranged(
      String form,
      @Flat TwoGroups groups,
      double difference,
      Quantity f,
      Quantity p,
      @Flat PermutationP shares)
      implements RankNumbers {
    @Override
    public Direction direction() {
      return groups.direction();
    }
  }

  /**
   * Several groups by permutation.
   *
   * @param form one-way-f
   * @param rows the treatment
   * @param arrangements how many there were
   * @param seed of random ones; empty where all were counted
   * @param monteCarloSe standard error of p; empty where all were counted
   */
  record RearrangedGroups(
      String form,
      List<PermutedRow> rows,
      long arrangements,
      Optional<Long> seed,
      Optional<Double> monteCarloSe)
      implements RankNumbers {
    @Override
    public Quantity p() {
      return rows.get(0).p();
    }
  }

  /**
   * The terms of a model by permutation.
   *
   * @param form reduced-residuals
   * @param rows one a term, the last of which speaks for all
   */
  record RearrangedTerms(String form, List<DrawnRow> rows) implements RankNumbers {
    @Override
    public Quantity p() {
      return rows.get(rows.size() - 1).p();
    }
  }

  /** A term tested by permutation, with the distribution of F beside. */
  sealed interface FRow extends Row {

    /** The test. */
    FTest test();

    /** How often each F occurred: empty where nothing was drawn. */
    Optional<PermutationDistribution> reference();

    @Override
    default String source() {
      return test().source();
    }

    @Override
    default List<String> term() {
      return test().term();
    }

    @Override
    default Quantity p() {
      return test().p();
    }
  }

  /**
   * F of a term, tested by permutation.
   *
   * @param source what the term is called
   * @param term its columns
   * @param df of it
   * @param ss its sum of squares
   * @param f over the error; absent where there is no error
   * @param errorDf of the error
   * @param p share of arrangements
   * @param normalTheoryP by the distribution of F
   */
  record FTest(
      String source,
      List<String> term,
      double df,
      double ss,
      Quantity f,
      double errorDf,
      Quantity p,
      Quantity normalTheoryP)
      implements Outcome {}

  /**
   * A treatment alone.
   *
   * @param test of it
   * @param reference how often each F occurred
   */
  record PermutedRow(@Flat FTest test, Optional<PermutationDistribution> reference)
      implements FRow {}

  /**
   * A term of a model, with the arrangements that the model without it leaves.
   *
   * @param test of it
   * @param arrangements random ones; null where none tells anything
   * @param seed of them; null where none tells anything
   * @param monteCarloSe standard error of p
   * @param reference how often each F occurred
   */
  record DrawnRow(
      @Flat FTest test,
      Long arrangements,
      Long seed,
      Quantity monteCarloSe,
      Optional<PermutationDistribution> reference)
      implements FRow {}
}
