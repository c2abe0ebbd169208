package app.knuckle.study.answers.ranks;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Facts;
import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.ranks.Blocks;
import app.knuckle.study.cells.IncompleteUnits;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Analysis;
import app.knuckle.study.findings.RankComparison;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;

/** Answers about treatments within blocks, or within units, on ranks. */
final class RankBlocksAnswer extends RankQuestion {

  RankBlocksAnswer(Frame frame, Inquiry inquiry, String measured, Progress progress) {
    super(frame, inquiry, measured, progress);
  }

  @Override
  Analysis analysis() {
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
    Blocks ranked = new Blocks(whole);
    tests.add(friedman(factor, ranked, whole.length, IncompleteUnits.of(block, factor, values)));
    tests.add(result("quade", ranked.quade(), ""));
    if (isOrdered(factor)) {
      tests.add(
          result("page", new Facts().put("order", factor.levels()).putAll(ranked.page()), ""));
    }
    tests.add(skillingsMack(factor, all));
    for (Inquiry.Compare c : inquiry.compare()) {
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

  private TestResult friedman(Factor factor, Blocks ranked, int used, List<String> left) {
    Facts own = ranked.friedman();
    Facts row =
        new Facts().put("source", factor.name()).put("term", List.of(factor.name())).putAll(own);
    double[] sums = ranked.rankSums();
    List<Facts> ranks = new ArrayList<>();
    for (int j = 0; j < sums.length; j++) {
      ranks.add(
          new Facts()
              .put("levels", labels(factor).get(j))
              .put("n", used)
              .put("rankSum", sums[j])
              .put("meanRank", sums[j] / used));
    }
    Facts facts =
        new Facts()
            .put("blocksUsed", used)
            .put("blocksLeftOut", left.size())
            .put("unitsLeftOut", left)
            .put("rows", List.of(row))
            .put("ranks", ranks);
    TestResult.RankResult words =
        result(
            "friedman",
            own,
            "\u03c7\u00b2("
                + (factor.size() - 1)
                + ") = "
                + Numerals.fixed(own.quantity("chiSquared"), 2));
    return new TestResult.RankResult("friedman", facts, own.quantity("p"), words.told())
        .saying(IncompleteUnits.words(left, factor.name()));
  }

  private TestResult skillingsMack(Factor factor, double[][] all) {
    Facts own = Blocks.skillingsMack(all);
    List<?> sums = (List<?>) own.all().get("sums");
    List<Facts> adjusted = new ArrayList<>();
    for (int j = 0; j < sums.size(); j++) {
      adjusted.add(new Facts().put("levels", labels(factor).get(j)).put("value", sums.get(j)));
    }
    Facts facts =
        new Facts()
            .put("blocksUsed", own.all().get("blocksUsed"))
            .put("adjustedSums", adjusted)
            .put("statistic", own.all().get("statistic"))
            .put("df", own.all().get("df"))
            .put("p", own.all().get("p"));
    return result("skillings-mack", facts, "");
  }
}
