package app.knuckle.study.sentences;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.StudentT;
import app.knuckle.stats.linear.Effect;
import app.knuckle.stats.means.LinkScale;
import app.knuckle.stats.multivariate.MultivariateTest;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Analysis;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Sentences;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Units;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Puts the findings of any design into words; an interaction comes before main effects. */
final class DesignSentences {

  private final Numbers response;
  private final Inquiry inquiry;
  private final Analysis analysis;
  private final ExactP exact;

  private DesignSentences(Numbers response, Inquiry inquiry, Analysis analysis, ExactP exact) {
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
  static Sentences of(Numbers response, Inquiry inquiry, Analysis analysis, ExactP exact) {
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
  static String ofTwoGroups(Numbers response, Inquiry inquiry, Analysis analysis, ExactP exact) {
    return analysis.tests().stream()
        .filter(TestResult.TTestResult.class::isInstance)
        .map(TestResult.TTestResult.class::cast)
        // Without a t there is no F either, and that says why; but it knows no direction.
        .filter(t -> t.direction() != Direction.EITHER || t.test().test().statistic().exists())
        .map(new DesignSentences(response, inquiry, analysis, exact)::tTest)
        .findFirst()
        .orElse(null);
  }

  private String finding() {
    return analysis.tests().isEmpty()
        ? "No test could be made."
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
      return EffectsSentence.of(label(), inquiry, rows(test.table()));
    }

    @Override
    public String mixed(TestResult.MixedResult test) {
      return test.rows().isEmpty()
          ? VariationSentence.of(label(), test.variation(), inquiry.alpha(), exact)
          : EffectsSentence.of(label(), inquiry, VariationSentence.rows(test, exact));
    }

    @Override
    public String counts(TestResult.CountResult test) {
      return EffectsSentence.of(label(), inquiry, CountSentence.rows(test, exact));
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

  private String label() {
    return response.label();
  }

  private String tTest(TestResult.TTestResult r) {
    StudentT t = r.test().test();
    String what =
        r.left() == null
            ? "the expected " + Numerals.with(number(r.expected()), response.unit())
            : "";
    String pair = r.left() == null ? "" : " between " + side(r.left()) + " and " + side(r.right());
    if (!t.statistic().exists()) {
      return Prose.capital(label()) + " cannot be tested: " + t.statistic().why() + ".";
    }
    String statistic =
        "t("
            + Numerals.df(t.df().value())
            + ") = "
            + Numerals.fixed(t.statistic(), 2)
            + ", "
            + exact.statement(t.p());
    String size =
        Numerals.with(
            Numerals.fixed(Math.abs(t.estimate()), Numerals.decimalsFor(t.se().value())),
            response.unit());
    String way = t.estimate() > 0 ? "above" : "below";
    if (r.left() == null) {
      return r.differs()
          ? "Mean " + label() + " lies " + size + " " + way + " " + what + ", " + statistic + "."
          : "No evidence that mean "
              + label()
              + " "
              + differs(r.direction())
              + " "
              + what
              + ", "
              + statistic
              + ".";
    }
    if (r.direction() != Direction.EITHER) {
      String than =
          (r.direction() == Direction.GREATER ? " is greater at " : " is smaller at ")
              + side(r.left())
              + " than at "
              + side(r.right());
      return r.differs()
          ? Prose.capital(label()) + than + ", by " + size + ", " + statistic + "."
          : "No evidence that " + label() + than + ", " + statistic + ".";
    }
    return r.differs()
        ? Prose.capital(label())
            + " differs"
            + pair
            + " by "
            + size
            + likely(t)
            + ", "
            + statistic
            + "."
        : "No evidence that " + label() + " differs" + pair + ", " + statistic + ".";
  }

  /** The interval of the difference, as large as it is; none where the question has a direction. */
  private String likely(StudentT t) {
    if (!t.low().exists() || !t.high().exists()) {
      return "";
    }
    int decimals = Numerals.decimalsFor(t.se().value());
    boolean below = t.estimate() < 0;
    double least = below ? -t.high().value() : t.low().value();
    double most = below ? -t.low().value() : t.high().value();
    return " ("
        + Numerals.confidence(inquiry.alpha())
        + "% interval "
        + Numerals.fixed(least, decimals)
        + " to "
        + Numerals.fixed(most, decimals)
        + ")";
  }

  private static String side(Map<String, String> levels) {
    return Prose.named(String.join(" ", levels.values()));
  }

  private static String differs(Direction direction) {
    return switch (direction) {
      case EITHER -> "differs from";
      case GREATER -> "is above";
      case LESS -> "is below";
    };
  }

  private static String number(double value) {
    return app.knuckle.study.table.Numbers.text(value);
  }

  private String unequal(TestResult.UnequalResult u) {
    String among = " between the levels of " + Units.label(u.treatment());
    if (!u.test().f().exists()) {
      return Prose.capital(label()) + " cannot be tested" + among + ": " + u.test().f().why() + ".";
    }
    String statistic =
        "Welch's F("
            + Numerals.df(u.test().df())
            + ", "
            + Numerals.df(u.test().errorDf().value())
            + ") = "
            + Numerals.fixed(u.test().f(), 2)
            + ", "
            + exact.statement(u.test().p());
    return Significance.reached(u.test().p(), inquiry.alpha())
        ? Prose.capital(label()) + " differs" + among + ", " + statistic + "."
        : "No evidence that " + label() + " differs" + among + ", " + statistic + ".";
  }

  private List<EffectsSentence.Row> rows(AnovaTable table) {
    return table.rows().stream()
        .filter(row -> !row.isError())
        .map(
            row ->
                row.effect() == null
                    ? EffectsSentence.Row.unknown(row.term().names())
                    : new EffectsSentence.Row(row.term().names(), row.effect().p(), statistic(row)))
        .toList();
  }

  private String statistic(AnovaTable.Row row) {
    Effect e = row.effect();
    return "F("
        + Numerals.df(e.df())
        + ", "
        + Numerals.df(row.error().errorDf())
        + ") = "
        + Numerals.fixed(e.f(), 2)
        + ", "
        + exact.statement(e.p());
  }

  /** Every row of the main table in one paragraph. */
  private String result(String finding) {
    StringBuilder words = new StringBuilder(finding);
    for (TestResult test : analysis.tests()) {
      if (test instanceof TestResult.AnovaResult a) {
        List<String> rows = new ArrayList<>();
        for (AnovaTable.Row row : a.table().rows()) {
          if (!row.isError() && row.effect() != null && row.effect().f().exists()) {
            rows.add(
                EffectsSentence.term(row.term().names())
                    + " "
                    + statistic(row)
                    + ", partial \u03b7\u00b2 = "
                    + Numerals.share(row.effect().partialEtaSquared()));
          }
        }
        inFull(words, rows);
        slopes(words, a.covariates());
      } else if (test instanceof TestResult.CountResult c) {
        inFull(
            words,
            CountSentence.rows(c, exact).stream()
                .filter(row -> row.p().exists())
                .map(row -> EffectsSentence.term(row.term()) + " " + row.statistic())
                .toList());
      } else if (test instanceof TestResult.ExactResult e) {
        words.append(' ').append(CountSentence.of(label(), e, exact));
      } else if (test instanceof TestResult.MixedResult m) {
        inFull(
            words,
            VariationSentence.rows(m, exact).stream()
                .filter(row -> row.p().exists())
                .map(row -> EffectsSentence.term(row.term()) + " " + row.statistic())
                .toList());
        slopes(words, m.covariates());
        if (!m.rows().isEmpty()) {
          words
              .append(' ')
              .append(VariationSentence.of(label(), m.variation(), inquiry.alpha(), exact));
        }
      }
    }
    return words.toString();
  }

  private static void inFull(StringBuilder words, List<String> rows) {
    if (!rows.isEmpty()) {
      words.append(" In full: ").append(String.join("; ", rows)).append(".");
    }
  }

  private void slopes(StringBuilder words, List<TestResult.Slope> slopes) {
    for (TestResult.Slope slope : slopes) {
      words
          .append(" The slope on ")
          .append(Units.label(slope.name()))
          .append(" is ")
          .append(
              Numerals.fixed(
                  slope.test().estimate(),
                  slope.test().se().exists() ? Numerals.decimalsFor(slope.test().se().value()) : 2))
          .append(" (")
          .append(exact.statement(slope.test().p()))
          .append(").");
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
        parts.add(row.source() + " cannot be tested on the responses together");
        continue;
      }
      String statistic =
          "Wilks' \u039b = "
              + Numerals.fixed(wilks.value(), 2)
              + ", F("
              + Numerals.df(wilks.df())
              + ", "
              + Numerals.df(wilks.errorDf())
              + ") = "
              + Numerals.fixed(wilks.f(), 2)
              + ", "
              + exact.statement(Quantity.of(wilks.p()));
      boolean onlyRoy =
          row.test().statistics().stream()
              .allMatch(
                  s -> s.name().equals("roy") == Significance.reached(s.p(), inquiry.alpha()));
      parts.add(
          (Significance.reached(wilks.p(), inquiry.alpha())
                  ? "the responses together differ by "
                  : "no evidence that the responses together differ by ")
              + row.source()
              + ", "
              + statistic
              + (onlyRoy ? " (found by the largest root alone, whose p is a lower bound)" : ""));
    }
    return Prose.capital(String.join("; ", parts)) + ".";
  }
}
