package app.knuckle.study.answers.ranks;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.ranks.RankPairs;
import app.knuckle.stats.ranks.RankSum;
import app.knuckle.stats.ranks.RankTest;
import app.knuckle.stats.ranks.RanksOfGroups;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.RankComparison;
import app.knuckle.study.findings.RankNumbers;
import app.knuckle.study.findings.Results;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/** Answers about independent groups on ranks. */
final class RankGroupsAnswer extends RankQuestion {

  RankGroupsAnswer(Frame frame, Inquiry inquiry, String measured, Progress progress) {
    super(frame, inquiry, measured, progress);
  }

  @Override
  Results results() {
    Factor factor = treatment();
    double[][] groups = split(factor);
    List<TestResult> tests = new ArrayList<>();
    RanksOfGroups several = new RanksOfGroups(groups);
    if (groups.length == 2) {
      RankTest.MannWhitney sums =
          RankSum.mannWhitney(groups[0], groups[1], inquiry.direction(), inquiry.alpha());
      tests.add(
          result(
                  "mann-whitney",
                  new RankNumbers.OfTwo(two(factor), sums),
                  "U = " + Numerals.fixed(sums.u(), 1))
              .countedFrom(RankSum.counted(groups[0], groups[1])));
      RankTest unequal =
          RankSum.brunnerMunzel(groups[0], groups[1], inquiry.direction(), inquiry.alpha());
      tests.add(result("brunner-munzel", new RankNumbers.OfTwo(two(factor), unequal), ""));
    } else {
      tests.add(kruskalWallis(factor, several));
    }
    tests.add(mood(factor, groups, several));
    if (isOrdered(factor)) {
      tests.add(
          result(
              "jonckheere-terpstra",
              new RankNumbers.InOrder(factor.levels(), several.jonckheere()),
              ""));
    }
    return of(tests, List.of(), comparisons(factor, several, groups));
  }

  private TestResult kruskalWallis(Factor factor, RanksOfGroups several) {
    RankTest.KruskalWallis own = several.kruskalWallis();
    double[][] groups = split(factor);
    return result(
        "kruskal-wallis",
        new RankNumbers.OfGroups(
            parts.rows(),
            List.of(new RankNumbers.RankRow(factor.name(), List.of(factor.name()), own)),
            meanRanks(factor, several.rankSums(), g -> groups[g].length),
            several.arrangements()),
        "H(" + (factor.size() - 1) + ") = " + Numerals.fixed(own.h(), 2));
  }

  private TestResult mood(Factor factor, double[][] groups, RanksOfGroups several) {
    RanksOfGroups.MedianCounts own = several.moodMedian();
    List<RankNumbers.Above> counts =
        IntStream.range(0, groups.length)
            .mapToObj(
                g ->
                    new RankNumbers.Above(
                        labels(factor).get(g),
                        own.above().get(g),
                        groups[g].length - own.above().get(g)))
            .toList();
    return result("mood-median", new RankNumbers.AboveMedian(own.median(), counts, own.test()), "");
  }

  private List<RankComparison> comparisons(
      Factor factor, RanksOfGroups several, double[][] groups) {
    double[] sums = several.rankSums();
    List<Long> counts = Arrays.stream(groups).map(g -> (long) g.length).toList();
    List<Double> means =
        IntStream.range(0, sums.length).mapToObj(g -> sums[g] / groups[g].length).toList();
    List<RankComparison> comparisons = new ArrayList<>();
    for (Compare c : inquiry.compare()) {
      progress.check();
      if (factor.size() > ComparedMeans.MOST) {
        continue; // Said among what is odd about the design.
      }
      if (c.toReference()) {
        String named = inquiry.reference().get(factor.name());
        int reference = named == null ? -1 : factor.levels().indexOf(named);
        if (reference < 0) {
          throw refused(
              "reference",
              say("refused.no-reference-level-named-or", factor.name()),
              say("way.name-one", String.join(", ", factor.levels())));
        }
        comparisons.add(
            new RankComparison(
                c.of(),
                labels(factor),
                means,
                counts,
                true,
                RankPairs.steel(several, reference, inquiry.direction(), inquiry.alpha())));
      } else if (c.procedure() == Procedure.CONOVER_HOLM && several.isSingle()) {
        throw refused(
            "compare",
            say("refused.one-value-a-group", c.procedure().key()),
            say("way.use-dunn-holm-or"));
      } else if (c.procedure().fits(Procedure.Setting.RANKS)) {
        comparisons.add(
            new RankComparison(
                c.of(),
                labels(factor),
                means,
                counts,
                false,
                RankPairs.of(several, c.procedure(), inquiry.alpha())));
      } else {
        throw wrongProcedure(c.procedure(), say("ranks.what.groups"));
      }
    }
    return comparisons;
  }
}
