package app.knuckle.study.answers.ranks;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Alike;
import app.knuckle.stats.Progress;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.ranks.PairedRanks;
import app.knuckle.stats.ranks.RankTest;
import app.knuckle.study.cells.IncompleteUnits;
import app.knuckle.study.checks.GroupChecks;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.CheckedOn;
import app.knuckle.study.findings.RankNumbers;
import app.knuckle.study.findings.Results;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/** Answers about matched pairs, or one sample, on ranks. */
final class RankPairedAnswer extends RankQuestion {

  RankPairedAnswer(Frame frame, Inquiry inquiry, String measured, Progress progress) {
    super(frame, inquiry, measured, progress);
  }

  @Override
  Results results() {
    PairedRanks ranks;
    double expected = Double.NaN;
    RankNumbers.TwoGroups groups = null;
    List<String> left = List.of();
    List<String> units = List.of();
    if (inquiry.pairs() == null) {
      double[] values =
          Arrays.stream(parts.values(measured)).filter(v -> !Double.isNaN(v)).toArray();
      expected = inquiry.expected();
      double[] same = new double[values.length];
      Arrays.fill(same, expected);
      ranks = PairedRanks.of(values, same);
    } else {
      Factor factor = treatment();
      if (factor.size() != 2) {
        throw refused(
            "pairs", say("refused.pairs-match-two-levels"), say("way.name-treatment-with-two"));
      }
      ranks = matched(factor);
      left = IncompleteUnits.of(parts.factor(inquiry.pairs()), factor, parts.values(measured));
      groups = two(factor);
      units = units(factor);
    }
    if (ranks.differences().length == 0) {
      throw refused("pairs", say("refused.nothing-compare"), say("way.check-columns"));
    }
    RankTest.SignedRank signed = ranks.signedRank(inquiry.direction(), inquiry.alpha(), expected);
    RankTest.Sign sign = ranks.sign(inquiry.direction(), inquiry.alpha(), expected);
    List<TestResult.RankResult> tests = new ArrayList<>();
    tests.add(
        result(
                "signed-rank",
                about(groups, left, signed),
                "W = " + Numerals.fixed(signed.signs().rankSumPositive(), 1))
            .countedFrom(ranks.counted()));
    tests.add(result("sign", about(groups, left, sign), ""));
    if (!left.isEmpty()) {
      String words = IncompleteUnits.words(left, inquiry.treatments().get(0));
      tests.replaceAll(t -> t.saying(words));
    }
    double[] values = Arrays.stream(parts.values(measured)).filter(v -> !Double.isNaN(v)).toArray();
    return of(
        List.copyOf(tests),
        inquiry.pairs() == null
            ? GroupChecks.ofOne(new CheckedOn.Group(Map.of()), values, Alike.within(values), true)
            : GroupChecks.ofDifferences(units, ranks.differences(), Alike.within(values)),
        List.of());
  }

  /** Of one sample where there are no groups. */
  private RankNumbers about(RankNumbers.TwoGroups groups, List<String> left, RankTest test) {
    return groups == null
        ? new RankNumbers.OfOne(inquiry.direction(), test)
        : new RankNumbers.OfPairs(groups, left, test);
  }

  /** The pairs of which both values are known. */
  private List<String> units(Factor factor) {
    Factor pair = parts.factor(inquiry.pairs());
    double[][] found = parts.averaged(factor, pair, parts.values(measured));
    return Arrays.stream(whole(found)).mapToObj(pair.levels()::get).toList();
  }

  private static int[] whole(double[][] found) {
    return IntStream.range(0, found[0].length)
        .filter(p -> !Double.isNaN(found[0][p]) && !Double.isNaN(found[1][p]))
        .toArray();
  }

  private PairedRanks matched(Factor factor) {
    Factor pair = parts.factor(inquiry.pairs());
    double[][] found = parts.averaged(factor, pair, parts.values(measured));
    int[] whole = whole(found);
    return PairedRanks.of(
        Arrays.stream(whole).mapToDouble(p -> found[0][p]).toArray(),
        Arrays.stream(whole).mapToDouble(p -> found[1][p]).toArray());
  }
}
