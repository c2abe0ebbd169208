package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.StudentT;
import app.knuckle.stats.means.LinkScale;
import app.knuckle.stats.multivariate.MultivariateTest;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Results;
import app.knuckle.study.findings.Sentences;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Units;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import app.knuckle.study.words.TermName;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Puts the findings of any design into words; an interaction comes before main effects. */
final class DesignSentences {

  private final Numbers response;
  private final Inquiry inquiry;
  private final Results analysis;
  private final ExactP exact;

  private DesignSentences(Numbers response, Inquiry inquiry, Results analysis, ExactP exact) {
    this.exact = exact;
    this.response = response;
    this.inquiry = inquiry;
    this.analysis = analysis;
  }

  /**
   * The finding, the result and the ranking of a response.
   *
   * @param response what was measured
   * @param inquiry the question
   * @param analysis that answers it
   * @param exact down to which bound p is written as it is
   * @return the sentences
   */
  static Sentences of(Numbers response, Inquiry inquiry, Results analysis, ExactP exact) {
    DesignSentences words = new DesignSentences(response, inquiry, analysis, exact);
    String finding = words.finding();
    return new Sentences(finding, words.result(finding), words.ranking());
  }

  /**
   * The finding of the t test of two groups: it says by how much, and knows a direction.
   *
   * @param response what was measured
   * @param inquiry the question
   * @param analysis that answers it
   * @param exact down to which bound p is written as it is
   * @return null without such a test
   */
  static String ofTwoGroups(Numbers response, Inquiry inquiry, Results analysis, ExactP exact) {
    return analysis.tests().stream()
        .flatMap(test -> test.ofDifference().stream())
        // Without a t there is no F either, and that says why; but it knows no direction.
        .filter(t -> t.direction() != Direction.EITHER || t.test().test().statistic().exists())
        .map(new DesignSentences(response, inquiry, analysis, exact)::tTest)
        .findFirst()
        .orElse(null);
  }

  private String finding() {
    return analysis.tests().isEmpty()
        ? say("found.none")
        : analysis.tests().get(0).match(new Finding());
  }

  /** The first test of each kind in a sentence. */
  private final class Finding implements TestResult.Cases<String> {
    @Override
    public String tTest(TestResult.TTestResult test) {
      return DesignSentences.this.tTest(test);
    }

    @Override
    public String anova(TestResult.AnovaResult test) {
      return EffectsSentence.of(label(), inquiry, rows(test));
    }

    @Override
    public String mixed(TestResult.MixedResult test) {
      return test.rows().isEmpty()
          ? VariationSentence.of(label(), test.variation(), inquiry.alpha(), exact)
          : EffectsSentence.of(label(), inquiry, VariationSentence.rows(test, exact));
    }

    @Override
    public String counts(TestResult.CountResult test) {
      return exactTest()
          .map(e -> CountSentence.of(label(), e, exact))
          .orElseGet(() -> EffectsSentence.of(label(), inquiry, CountSentence.rows(test, exact)));
    }

    @Override
    public String exact(TestResult.ExactResult test) {
      return CountSentence.of(label(), test, exact);
    }

    @Override
    public String unequal(TestResult.UnequalResult test) {
      return DesignSentences.this.unequal(test);
    }

    @Override
    public String ranks(TestResult.RankResult test) {
      return test.told().said(exact);
    }

    @Override
    public String together(TestResult.TogetherResult test) {
      return DesignSentences.this.together(test);
    }
  }

  /** The exact test of two groups of counts, which alone decides where there is one. */
  private Optional<TestResult.ExactResult> exactTest() {
    return analysis.tests().stream()
        .flatMap(test -> test.exactly().stream())
        .filter(e -> e.test().isPresent())
        .findFirst();
  }

  private String label() {
    return response.label();
  }

  private String tTest(TestResult.TTestResult r) {
    StudentT t = r.test().test();
    if (!t.statistic().exists()) {
      return say("found.untestable", Prose.capital(label()), Phrases.why(t.statistic()));
    }
    // Where it is said by how much two differ, without which is the larger, t has no sign either.
    boolean unsigned = r.left() != null && r.differs() && r.direction() == Direction.EITHER;
    String statistic =
        say(
            "statistic.t",
            Numerals.df(t.df().value()),
            Numerals.fixed(unsigned ? t.statistic().map(Math::abs) : t.statistic(), 2),
            exact.statement(t.p()));
    String size =
        Numerals.with(
            Numerals.fixed(Math.abs(t.estimate()), Numerals.decimalsFor(t.se().value())),
            response.unit());
    return r.left() == null ? ofOne(r, size, statistic) : ofTwo(r, size, statistic);
  }

  private String ofOne(TestResult.TTestResult r, String size, String statistic) {
    String expected = Numerals.with(Numbers.text(r.expected()), response.unit());
    return r.differs()
        ? say(
            r.test().test().estimate() > 0 ? "found.one.above" : "found.one.below",
            label(),
            size,
            expected,
            statistic)
        : say(directed("found.one.none", r.direction()), label(), expected, statistic);
  }

  private String ofTwo(TestResult.TTestResult r, String size, String statistic) {
    String left = side(r.left());
    String right = side(r.right());
    boolean directed = r.direction() != Direction.EITHER;
    if (!r.differs()) {
      String key = directed ? directed("found.two.none", r.direction()) : "found.two.alike";
      return say(key, label(), left, right, statistic);
    }
    String what = Prose.capital(label());
    if (directed) {
      return say(directed("found.two", r.direction()), what, left, right, size, statistic);
    }
    StudentT t = r.test().test();
    if (!t.low().exists() || !t.high().exists()) {
      return say("found.two.apart", what, left, right, size, statistic);
    }
    // The interval of the difference, as large as it is.
    int decimals = Numerals.decimalsFor(t.se().value());
    boolean below = t.estimate() < 0;
    double least = below ? -t.high().value() : t.low().value();
    double most = below ? -t.low().value() : t.high().value();
    return say(
        "found.two.apart.likely",
        what,
        left,
        right,
        size,
        statistic,
        Numerals.confidence(inquiry.alpha()),
        Numerals.fixed(least, decimals),
        Numerals.fixed(most, decimals));
  }

  private static String side(Map<String, String> levels) {
    return Prose.named(GroupSummary.name(levels));
  }

  private static String directed(String key, Direction direction) {
    return switch (direction) {
      case EITHER -> key + ".either";
      case GREATER -> key + ".greater";
      case LESS -> key + ".less";
    };
  }

  private String unequal(TestResult.UnequalResult u) {
    String treatment = Units.label(u.treatment());
    if (!u.test().f().exists()) {
      return say(
          "found.untestable.levels", Prose.capital(label()), treatment, Phrases.why(u.test().f()));
    }
    String statistic =
        say(
            "statistic.welch",
            Numerals.df(u.test().df()),
            Numerals.df(u.test().errorDf().value()),
            Numerals.fixed(u.test().f(), 2),
            exact.statement(u.test().p()));
    return Significance.reached(u.test().p(), inquiry.alpha())
        ? say("found.levels.apart", Prose.capital(label()), treatment, statistic)
        : say("found.levels.alike", label(), treatment, statistic);
  }

  private List<EffectsSentence.Row> rows(TestResult.AnovaResult test) {
    return test.table().rows().stream()
        .filter(row -> !row.isError())
        .map(
            row ->
                row.effect() == null
                    ? EffectsSentence.Row.unknown(row.term().names())
                    : new EffectsSentence.Row(
                        row.term().names(), test.tested(row).p(), statistic(test, row)))
        .toList();
  }

  private String statistic(TestResult.AnovaResult test, AnovaTable.Row row) {
    TestResult.Tested tested = test.tested(row);
    String f = Numerals.fixed(row.effect().f(), 2);
    return tested.epsilon().exists()
        ? say(
            "statistic.f.corrected",
            Numerals.shortened(tested.df()),
            Numerals.shortened(tested.errorDf()),
            f,
            exact.statement(tested.p()),
            Numerals.fixed(tested.epsilon(), 2))
        : say(
            "statistic.f",
            Numerals.df(tested.df()),
            Numerals.df(tested.errorDf()),
            f,
            exact.statement(tested.p()));
  }

  /** Every row of the main table in one paragraph. */
  private String result(String finding) {
    StringBuilder words = new StringBuilder(finding);
    analysis.tests().forEach(test -> test.match(new InFull(words)));
    return words.toString();
  }

  /** What is said of a test after its finding. */
  private final class InFull implements TestResult.Cases<StringBuilder> {
    private final StringBuilder words;

    private InFull(StringBuilder words) {
      this.words = words;
    }

    @Override
    public StringBuilder tTest(TestResult.TTestResult test) {
      return words; // The finding says it all, and so below.
    }

    @Override
    public StringBuilder unequal(TestResult.UnequalResult test) {
      return words;
    }

    @Override
    public StringBuilder ranks(TestResult.RankResult test) {
      return words;
    }

    @Override
    public StringBuilder together(TestResult.TogetherResult test) {
      return words;
    }

    @Override
    public StringBuilder anova(TestResult.AnovaResult a) {
      List<String> rows = new ArrayList<>();
      for (AnovaTable.Row row : a.table().rows()) {
        if (!row.isError() && row.effect() != null && row.effect().f().exists()) {
          rows.add(
              say(
                  "result.row.share",
                  EffectsSentence.term(row.term().names()),
                  statistic(a, row),
                  Numerals.share(row.effect().partialEtaSquared())));
        }
      }
      inFull(words, rows);
      slopes(words, a.covariates());
      return words;
    }

    @Override
    public StringBuilder counts(TestResult.CountResult c) {
      if (exactTest().isEmpty()) {
        inFull(words, tested(CountSentence.rows(c, exact)));
      } else {
        CountSentence.rows(c, exact).stream()
            .filter(row -> row.p().exists())
            .forEach(row -> words.append(' ').append(say("counts.note", row.statistic())));
      }
      return words;
    }

    @Override
    public StringBuilder exact(TestResult.ExactResult e) {
      return e.test().isEmpty()
          ? words.append(' ').append(CountSentence.of(label(), e, exact))
          : words;
    }

    @Override
    public StringBuilder mixed(TestResult.MixedResult m) {
      inFull(words, tested(VariationSentence.rows(m, exact)));
      slopes(words, m.covariates());
      return m.rows().isEmpty()
          ? words
          : words
              .append(' ')
              .append(VariationSentence.of(label(), m.variation(), inquiry.alpha(), exact));
    }
  }

  private static List<String> tested(List<EffectsSentence.Row> rows) {
    return rows.stream()
        .filter(row -> row.p().exists())
        .map(row -> say("result.row", EffectsSentence.term(row.term()), row.statistic()))
        .toList();
  }

  private static void inFull(StringBuilder words, List<String> rows) {
    if (!rows.isEmpty()) {
      words.append(' ').append(say("result.full", String.join(say("list.parts"), rows)));
    }
  }

  private void slopes(StringBuilder words, List<TestResult.Slope> slopes) {
    for (TestResult.Slope slope : slopes) {
      StudentT t = slope.test();
      int decimals = t.se().exists() ? Numerals.decimalsFor(t.se().value()) : 2;
      words
          .append(' ')
          .append(
              say(
                  "result.slope",
                  Units.label(slope.name()),
                  Numerals.fixed(t.estimate(), decimals),
                  exact.statement(t.p())));
    }
  }

  private String ranking() {
    for (ComparedMeans family : ComparedMeans.of(analysis)) {
      if (family.within().isEmpty() && !family.pairs().isEmpty()) {
        Quantity se = family.ses().get(0);
        return RankingSentence.of(
            family,
            family.scale() == LinkScale.LOG_ODDS ? "%" : response.unit(),
            Numerals.decimalsFor(se.exists() ? se.value() : 1));
      }
    }
    return "";
  }

  /** The finding about several responses together. */
  private String together(TestResult.TogetherResult result) {
    List<String> parts = new ArrayList<>();
    for (TestResult.TogetherRow row : result.rows()) {
      MultivariateTest.Statistic wilks = row.test() == null ? null : row.test().of("wilks");
      if (wilks == null) {
        parts.add(say("together.untestable", TermName.of(row.term())));
        continue;
      }
      String statistic =
          say(
              "statistic.wilks",
              Numerals.fixed(wilks.value(), 2),
              Numerals.df(wilks.df()),
              Numerals.df(wilks.errorDf()),
              Numerals.fixed(wilks.f(), 2),
              exact.statement(Quantity.of(wilks.p())));
      boolean onlyRoy =
          row.test().statistics().stream()
              .allMatch(
                  s -> s.name().equals("roy") == Significance.reached(s.p(), inquiry.alpha()));
      String said =
          say(
              Significance.reached(wilks.p(), inquiry.alpha())
                  ? "together.apart"
                  : "together.alike",
              TermName.of(row.term()),
              statistic);
      parts.add(onlyRoy ? say("together.largest.root", said) : said);
    }
    return Prose.capital(String.join(say("list.parts"), parts)) + ".";
  }
}
