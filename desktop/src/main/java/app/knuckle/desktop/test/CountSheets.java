package app.knuckle.desktop.test;

import app.knuckle.desktop.curve.DistributionCurve;
import app.knuckle.desktop.test.TestPage.Explained;
import app.knuckle.desktop.test.TestPage.Fact;
import app.knuckle.desktop.test.TestPage.Line;
import app.knuckle.desktop.test.TestPage.Sheet;
import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.counts.CountKind;
import app.knuckle.stats.counts.DevianceTest;
import app.knuckle.stats.counts.ExactCounts;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import app.knuckle.study.words.TermName;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Counts and proportions: what each term takes off the deviance, and exact tests. */
final class CountSheets {

  /** A statistic per degree of freedom on a bar that ends at 10. */
  private static final double LONGEST = 10;

  private CountSheets() {}

  static Sheet of(ResponseFindings response, Inquiry inquiry, TestResult.CountResult test) {
    List<Line> lines = new ArrayList<>();
    for (DevianceTest row : test.rows()) {
      lines.add(row(row, test, inquiry));
    }
    lines.add(
        untested(
            "residual",
            Numerals.df(test.fit().errorDf()),
            Numerals.fixed(test.fit().residualDeviance(), 2)));
    lines.add(
        untested(
            "total",
            Numerals.df(test.fit().n() - 1.0),
            Numerals.fixed(test.fit().nullDeviance(), 2)));
    return new Sheet(
        "",
        List.of(
            "source",
            "df",
            "deviance",
            TestPage.BARS,
            test.overdispersion() ? "F" : "\u03c7\u00b2",
            "p"),
        1,
        lines);
  }

  private static Line untested(String source, String df, String deviance) {
    return new Line(List.of(source, df, deviance, "", "", ""), -1, -1, false, true, null, null);
  }

  private static Line row(DevianceTest row, TestResult.CountResult test, Inquiry inquiry) {
    String source = TermName.of(row.term());
    if (!row.df().exists()) {
      return Line.plain(
          List.of(source, Numerals.NONE, Numerals.NONE, "", Numerals.NONE, Numerals.NONE),
          false,
          Explained.plain(source, "This cannot be tested: " + Phrases.why(row.df()) + "."));
    }
    double each = row.isF() ? 1 : row.df().value();
    boolean found = Significance.reached(row.p(), inquiry.alpha());
    Quantity critical = row.critical(inquiry.alpha());
    return new Line(
        List.of(
            source,
            Numerals.df(row.df().value()),
            Numerals.fixed(row.deviance(), 2),
            "",
            Numerals.fixed(row.statistic(), 2),
            Numerals.p(row.p())),
        row.statistic().exists() ? Math.min(1, row.statistic().value() / each / LONGEST) : -1,
        critical.exists() ? Math.min(1, critical.value() / each / LONGEST) : -1,
        found,
        false,
        null,
        explained(source, row, test, inquiry, found));
  }

  private static Explained explained(
      String source,
      DevianceTest row,
      TestResult.CountResult test,
      Inquiry inquiry,
      boolean found) {
    double share = row.deviance().value() / test.fit().nullDeviance();
    String accounts =
        Prose.capital(source)
            + " accounts for "
            + Numerals.percent(Quantity.of(share))
            + " of the deviance, which is to counts what the sum of squares is to measurements";
    String words =
        !row.p().exists()
            ? accounts + ". This cannot be tested: " + Phrases.why(row.p()) + "."
            : accounts
                + (found
                    ? ": more than chance would give, "
                    : ": chance could give as much, which does not show that it does nothing, ")
                + Numerals.pStatement(row.p())
                + ".";
    DistributionCurve curve =
        !row.p().exists()
            ? null
            : row.isF()
                ? DistributionCurve.ofF(
                    row.statistic(), row.df().value(), row.errorDf().value(), inquiry.alpha())
                : DistributionCurve.ofChiSquared(
                    "\u03c7\u00b2", row.statistic(), row.df().value(), inquiry.alpha());
    return Explained.on(source, words, curve);
  }

  static List<Fact> facts(TestResult.CountResult test) {
    List<Fact> facts = new ArrayList<>();
    facts.add(
        new Fact(
            "Explained",
            Numerals.percent(test.explained()),
            "The share of the deviance of one mean for all that the model explains."));
    facts.add(
        new Fact(
            test.overdispersion() ? "Spread, estimated" : "Spread",
            Numerals.fixed(test.fit().dispersion(), 2),
            "How many times as much as by chance the rows spread; 1 is what chance gives."));
    if (test.fit().atEdge() > 0) {
      facts.add(
          new Fact(
              "Rows at the edge",
              Numerals.whole(test.fit().atEdge()),
              "Rows of groups with none, or all: they have no mean on this scale, and say nothing"
                  + " of the spread."));
    }
    if (test.aic().exists()) {
      facts.add(
          new Fact("AIC", Numerals.fixed(test.aic(), 1), "Smaller is better, of one response."));
    }
    return facts;
  }

  static Sheet of(TestResult.ExactResult test) {
    boolean shares = test.kind() == CountKind.PROPORTIONS;
    List<Line> lines = new ArrayList<>();
    for (TestResult.Side side : List.of(test.left(), test.right())) {
      lines.add(
          Line.plain(
              List.of(
                  name(side.levels()),
                  Numerals.plain(side.count()),
                  Numerals.plain(side.size()),
                  shares
                      ? Numerals.percent(Quantity.of(side.count() / side.size()))
                      : Numerals.fixed(side.count() / side.size(), 2)),
              false,
              null));
    }
    return new Sheet(
        (shares ? "Fisher's exact test" : "Exact test of two rates") + said(test),
        List.of("group", "count", shares ? "of" : "exposure", shares ? "share" : "rate"),
        1,
        lines);
  }

  private static String said(TestResult.ExactResult test) {
    if (test.test().isEmpty()) {
      return ": " + Phrases.why(Absence.TOO_MANY_TABLES);
    }
    ExactCounts exact = test.test().get();
    Direction direction = test.direction();
    String ratio =
        exact.ratio().exists()
            ? (test.kind() == CountKind.PROPORTIONS ? ", odds ratio " : ", ratio ")
                + Numerals.fixed(exact.ratio(), 2)
                + limits(exact)
            : "";
    return ": "
        + Numerals.pStatement(Quantity.of(exact.p(direction)))
        + ", mid-"
        + Numerals.pStatement(Quantity.of(exact.mid(direction)))
        + ratio;
  }

  private static String limits(ExactCounts exact) {
    return exact.low().exists() && exact.high().exists()
        ? " (" + Numerals.fixed(exact.low(), 2) + " to " + Numerals.fixed(exact.high(), 2) + ")"
        : "";
  }

  private static String name(Map<String, String> levels) {
    return GroupSummary.name(levels.values());
  }
}
