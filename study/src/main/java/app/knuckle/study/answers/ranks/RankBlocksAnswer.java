package app.knuckle.study.answers.ranks;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.ranks.RankTest;
import app.knuckle.stats.ranks.RanksInBlocks;
import app.knuckle.study.cells.IncompleteUnits;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.RankComparison;
import app.knuckle.study.findings.RankNumbers;
import app.knuckle.study.findings.Results;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;

/** Answers about treatments within blocks, or within units, on ranks. */
final class RankBlocksAnswer extends RankQuestion {

  RankBlocksAnswer(Frame frame, Inquiry inquiry, String measured, Progress progress) {
    super(frame, inquiry, measured, progress);
  }

  @Override
  Results results() {
    Factor factor = treatment();
    Factor block = parts.factor(within);
    double[] values = parts.values(measured);
    double[][] all = parts.averaged(block, factor, values);
    double[][] whole =
        Arrays.stream(all)
            .filter(row -> Arrays.stream(row).noneMatch(Double::isNaN))
            .toArray(double[][]::new);
    List<TestResult> tests = new ArrayList<>();
    List<RankComparison> comparisons = new ArrayList<>();
    if (whole.length < 2) {
      throw refused(
          "blocks", say("refused.fewer-than-two-blocks"), say("way.each-needs-value-every"));
    }
    RanksInBlocks ranked = new RanksInBlocks(whole);
    tests.add(friedman(factor, ranked, whole.length, IncompleteUnits.of(block, factor, values)));
    tests.add(result("quade", new RankNumbers.Weighed(ranked.quade()), ""));
    if (isOrdered(factor)) {
      tests.add(result("page", new RankNumbers.InOrder(factor.levels(), ranked.page()), ""));
    }
    tests.add(skillingsMack(factor, all));
    for (Compare c : inquiry.compare()) {
      if (c.toReference() || !c.procedure().fits(Procedure.Setting.RANKS_IN_BLOCKS)) {
        throw wrongProcedure(c.procedure(), say("ranks.what.blocks"));
      }
      comparisons.add(
          new RankComparison(
              c.of(),
              labels(factor),
              Arrays.stream(ranked.rankSums()).map(sum -> sum / whole.length).boxed().toList(),
              Collections.nCopies(factor.size(), (long) whole.length),
              false,
              ranked.pairs(c.procedure(), inquiry.alpha())));
    }
    return of(tests, List.of(), comparisons);
  }

  private TestResult friedman(Factor factor, RanksInBlocks ranked, int used, List<String> left) {
    RankTest.Friedman own = ranked.friedman();
    return result(
            "friedman",
            new RankNumbers.InBlocks(
                used,
                left.size(),
                left,
                List.of(new RankNumbers.RankRow(factor.name(), List.of(factor.name()), own)),
                meanRanks(factor, ranked.rankSums(), j -> used)),
            "\u03c7\u00b2(" + (factor.size() - 1) + ") = " + Numerals.fixed(own.chiSquared(), 2))
        .saying(IncompleteUnits.words(left, factor.name()));
  }

  private TestResult skillingsMack(Factor factor, double[][] all) {
    RankTest.SkillingsMack own = RanksInBlocks.skillingsMack(all);
    List<RankNumbers.Sum> sums =
        IntStream.range(0, own.sums().size())
            .mapToObj(j -> new RankNumbers.Sum(labels(factor).get(j), own.sums().get(j)))
            .toList();
    return result(
        "skillings-mack",
        new RankNumbers.WithGaps(own.blocksUsed(), sums, own.statistic(), own.df(), own.p()),
        "");
  }
}
