package app.knuckle.study.answers.ranks;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Facts;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.ranks.RankPairs;
import app.knuckle.stats.ranks.RankSum;
import app.knuckle.stats.ranks.SeveralGroups;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Analysis;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.RankComparison;
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
  Analysis analysis() {
    Factor factor = treatment();
    double[][] groups = split(factor);
    List<TestResult> tests = new ArrayList<>();
    SeveralGroups several = new SeveralGroups(groups);
    if (groups.length == 2) {
      Facts u =
          two(factor)
              .putAll(
                  RankSum.mannWhitney(groups[0], groups[1], inquiry.direction(), inquiry.alpha()));
      tests.add(
          result("mann-whitney", u, "U = " + Numerals.fixed(u.quantity("u"), 1))
              .countedFrom(RankSum.counted(groups[0], groups[1])));
      tests.add(
          result(
              "brunner-munzel",
              two(factor)
                  .putAll(
                      RankSum.brunnerMunzel(
                          groups[0], groups[1], inquiry.direction(), inquiry.alpha())),
              ""));
    } else {
      tests.add(kruskalWallis(factor, several));
    }
    tests.add(mood(factor, groups, several));
    if (isOrdered(factor)) {
      Facts ordered = new Facts().put("order", factor.levels()).putAll(several.jonckheere());
      tests.add(result("jonckheere-terpstra", ordered, ""));
    }
    return of(tests, List.of(), comparisons(factor, several, groups));
  }

  private TestResult kruskalWallis(Factor factor, SeveralGroups several) {
    Facts row = new Facts().put("source", factor.name()).put("term", List.of(factor.name()));
    Facts own = several.kruskalWallis();
    own.all()
        .forEach(
            (key, value) -> {
              if (!key.equals("arrangements")) {
                row.put(key, value);
              }
            });
    Facts facts =
        new Facts()
            .put("n", parts.rows())
            .put("rows", List.of(row))
            .put("ranks", ranks(factor, several.rankSums(), split(factor)));
    if (own.all().containsKey("arrangements")) {
      facts.put("arrangements", own.all().get("arrangements"));
    }
    Quantity p = own.quantity("p");
    TestResult.RankResult plain =
        result(
            "kruskal-wallis",
            own,
            "H(" + (factor.size() - 1) + ") = " + Numerals.fixed(own.quantity("h"), 2));
    return new TestResult.RankResult("kruskal-wallis", facts, p, plain.told());
  }

  private static List<Facts> ranks(Factor factor, double[] sums, double[][] groups) {
    List<Facts> ranks = new ArrayList<>();
    for (int g = 0; g < sums.length; g++) {
      ranks.add(
          new Facts()
              .put("levels", labels(factor).get(g))
              .put("n", groups[g].length)
              .put("rankSum", sums[g])
              .put("meanRank", sums[g] / groups[g].length));
    }
    return ranks;
  }

  private TestResult mood(Factor factor, double[][] groups, SeveralGroups several) {
    Facts own = several.moodMedian();
    List<?> above = (List<?>) own.all().get("above");
    List<Facts> counts = new ArrayList<>();
    for (int g = 0; g < groups.length; g++) {
      double a = (Double) above.get(g);
      counts.add(
          new Facts()
              .put("levels", labels(factor).get(g))
              .put("above", a)
              .put("notAbove", groups[g].length - a));
    }
    Facts facts = new Facts().put("median", own.all().get("median")).put("counts", counts);
    own.all()
        .forEach(
            (key, value) -> {
              if (!key.equals("above") && !key.equals("median")) {
                facts.put(key, value);
              }
            });
    return result("mood-median", facts, "");
  }

  private List<RankComparison> comparisons(
      Factor factor, SeveralGroups several, double[][] groups) {
    double[] sums = several.rankSums();
    List<Long> counts = Arrays.stream(groups).map(g -> (long) g.length).toList();
    List<Double> means =
        IntStream.range(0, sums.length).mapToObj(g -> sums[g] / groups[g].length).toList();
    List<RankComparison> comparisons = new ArrayList<>();
    for (Inquiry.Compare c : inquiry.compare()) {
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
            say("refused.every-group-has-one", c.procedure().key()),
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
