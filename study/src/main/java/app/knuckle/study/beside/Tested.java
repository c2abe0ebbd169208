package app.knuckle.study.beside;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Outcome;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.ranks.RankTest;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.RankNumbers;
import app.knuckle.study.findings.Results;
import app.knuckle.study.findings.TestResult;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * An effect as it was tested, whatever tested it.
 *
 * @param term its columns
 * @param name of the statistic: "F", "t", "H"
 * @param df degrees of freedom of the effect; absent for a test that has none
 * @param errorDf degrees of freedom of the error that it was tested against; absent for a test that
 *     has none
 * @param statistic its value
 * @param p probability
 * @param share of the spread that it accounts for, partial eta squared; absent where none is told
 */
public record Tested(
    List<String> term,
    String name,
    Quantity df,
    Quantity errorDf,
    Quantity statistic,
    Quantity p,
    Quantity share) {

  private static final Quantity NONE = Quantity.absent(Absence.NOT_OF_THIS_TEST);

  public Tested {
    term = List.copyOf(term);
  }

  /**
   * The effects of a response, each by the first test that judges it.
   *
   * @param analysis of the response
   * @param inquiry that asked
   * @return by the columns of the term, in the order of the tests
   */
  public static Map<Set<String>, Tested> of(Results analysis, Inquiry inquiry) {
    Map<Set<String>, Tested> all = new LinkedHashMap<>();
    for (TestResult test : analysis.tests()) {
      for (Tested one : test.match(new Reading(inquiry.treatments()))) {
        all.putIfAbsent(Set.copyOf(one.term), one);
      }
    }
    return all;
  }

  /** Each kind of test in its own way. */
  private record Reading(List<String> treatments) implements TestResult.Cases<List<Tested>> {

    @Override
    public List<Tested> tTest(TestResult.TTestResult result) {
      var t = result.test().test();
      return List.of(
          new Tested(treatments, "t", Quantity.of(1), t.df(), t.statistic(), t.p(), NONE));
    }

    @Override
    public List<Tested> anova(TestResult.AnovaResult result) {
      List<Tested> all = new ArrayList<>();
      for (AnovaTable.Row row : result.table().rows()) {
        if (!row.isError() && row.effect() != null) {
          var e = row.effect();
          all.add(
              new Tested(
                  row.term().names(),
                  "F",
                  Quantity.of(e.df()),
                  Quantity.of(row.error().errorDf()),
                  e.f(),
                  e.p(),
                  e.partialEtaSquared()));
        }
      }
      return all;
    }

    @Override
    public List<Tested> mixed(TestResult.MixedResult result) {
      return result.rows().stream()
          .filter(row -> row.df().exists())
          .map(
              row ->
                  new Tested(
                      row.term().names(), "F", row.df(), row.errorDf(), row.f(), row.p(), NONE))
          .toList();
    }

    @Override
    public List<Tested> counts(TestResult.CountResult result) {
      return result.rows().stream()
          .filter(row -> row.df().exists())
          .map(
              row ->
                  new Tested(
                      row.term().names(),
                      row.isF() ? "F" : "\u03c7\u00b2",
                      row.df(),
                      row.errorDf(),
                      row.statistic(),
                      row.p(),
                      NONE))
          .toList();
    }

    @Override
    public List<Tested> exact(TestResult.ExactResult result) {
      return List.of(); // The analysis of deviance before it judges the same two groups.
    }

    @Override
    public List<Tested> unequal(TestResult.UnequalResult result) {
      var test = result.test();
      return List.of(
          new Tested(
              List.of(result.treatment()),
              "F",
              Quantity.of(test.df()),
              test.errorDf(),
              test.f(),
              test.p(),
              NONE));
    }

    @Override
    public List<Tested> ranks(TestResult.RankResult result) {
      return result.numbers().rows().isEmpty()
          ? List.of(of(treatments, result.numbers().parts(), result.p()))
          : result.numbers().rows().stream()
              .map(row -> of(row.term(), row.parts(), row.p()))
              .toList();
    }

    private static Tested of(List<String> term, List<Outcome> parts, Quantity p) {
      Shown shown =
          parts.stream()
              .map(Shown::of)
              .filter(s -> s.statistic().exists())
              .findFirst()
              .orElse(Shown.NOTHING);
      return new Tested(
          term, shown.sign(), shown.df(), shown.errorDf(), shown.statistic(), p, NONE);
    }

    @Override
    public List<Tested> together(TestResult.TogetherResult result) {
      return List.of(); // It judges several responses; each has effects of its own beside.
    }
  }

  /** The statistic that is read first of a test on ranks. */
  private record Shown(String sign, Quantity statistic, Quantity df, Quantity errorDf) {

    static final Shown NOTHING = new Shown("", NONE, NONE, NONE);

    private static Shown of(String sign, Quantity statistic, Quantity df) {
      return new Shown(sign, statistic, df, NONE);
    }

    static Shown of(Outcome test) {
      if (test instanceof RankNumbers.FRow row) {
        RankNumbers.FTest own = row.test();
        return new Shown("F", own.f(), Quantity.of(own.df()), Quantity.of(own.errorDf()));
      }
      if (test instanceof RankNumbers.Rearranged two) {
        return of("F", two.f(), NONE);
      }
      if (test instanceof RankNumbers.WithGaps gaps) {
        return of(PLAIN, gaps.statistic(), Quantity.of(gaps.df()));
      }
      if (test instanceof RankTest.MannWhitney own) {
        return of("U", Quantity.of(own.u()), NONE);
      }
      if (test instanceof RankTest.SignedRank own) {
        return of("W", Quantity.of(own.signs().rankSumPositive()), NONE);
      }
      if (test instanceof RankTest.KruskalWallis own) {
        return of("H", own.h(), Quantity.of(own.df()));
      }
      if (test instanceof RankTest.Friedman own) {
        return of("\u03c7\u00b2", own.chiSquared(), Quantity.of(own.df()));
      }
      if (test instanceof RankTest.Quade own) {
        return of("F", own.f(), NONE);
      }
      if (test instanceof RankTest.BrunnerMunzel own) {
        return of(PLAIN, own.statistic(), own.df());
      }
      if (test instanceof RankTest.Median own) {
        return of(PLAIN, own.statistic(), Quantity.of(own.df()));
      }
      return test instanceof RankTest.Trend own
          ? of(PLAIN, Quantity.of(own.statistic()), NONE)
          : NOTHING;
    }

    /** Where a statistic has no letter of its own. */
    private static final String PLAIN = "statistic";
  }
}
