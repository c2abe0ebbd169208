package app.knuckle.desktop.test;

import app.knuckle.desktop.curve.DistributionCurve;
import app.knuckle.desktop.test.TestPage.Explained;
import app.knuckle.desktop.test.TestPage.Fact;
import app.knuckle.desktop.test.TestPage.Line;
import app.knuckle.desktop.test.TestPage.Sheet;
import app.knuckle.desktop.test.TestPage.Way;
import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.StudentT;
import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.stats.ttest.TTest;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Tests of two means, of one against an expected value, and of groups of unequal spread. */
final class MeanSheets {

  private MeanSheets() {}

  /** The t-test; of two groups both forms, side by side. */
  static Sheet tTest(ResponseFindings response, Inquiry inquiry, TestResult.TTestResult r) {
    List<TestResult.TTestResult> forms = new ArrayList<>(List.of(r));
    if (r.test().form() == TTest.Form.POOLED && response.oneWay().isPresent()) {
      GroupMoments m = response.oneWay().get().moments();
      TTest welch =
          TTest.ofTwo(
              TTest.Form.WELCH,
              new TTest.Sample(m.count(0), m.deviation(0), m.sumOfSquares(0)),
              new TTest.Sample(m.count(1), m.deviation(1), m.sumOfSquares(1)),
              r.direction(),
              inquiry.alpha());
      boolean differs = Significance.reached(welch.test().p(), inquiry.alpha());
      forms.add(
          new TestResult.TTestResult(
              welch, r.direction(), r.left(), r.right(), null, Map.of(), differs));
    }
    double least = 0;
    double most = 0;
    for (TestResult.TTestResult form : forms) {
      StudentT t = form.test().test();
      least = Math.min(least, t.low().exists() ? t.low().value() : t.estimate());
      most = Math.max(most, t.high().exists() ? t.high().value() : t.estimate());
    }
    String percent = Numerals.confidence(inquiry.alpha()) + "%";
    List<Line> lines = new ArrayList<>();
    for (TestResult.TTestResult form : forms) {
      lines.add(line(response, inquiry, form, least, most));
    }
    return new Sheet(
        "",
        List.of(
            "t-test",
            "difference",
            "SE",
            "t",
            "df",
            "p",
            TestPage.INTERVALS,
            percent + " from",
            "to"),
        1,
        lines);
  }

  private static Line line(
      ResponseFindings response,
      Inquiry inquiry,
      TestResult.TTestResult r,
      double least,
      double most) {
    StudentT t = r.test().test();
    int decimals = t.se().exists() ? Numerals.decimalsFor(t.se().value()) : response.decimals();
    List<String> cells =
        List.of(
            form(r.test().form()) + " \u00b7 " + what(r),
            Numerals.fixed(t.estimate(), decimals),
            Numerals.fixed(t.se(), decimals + 1),
            Numerals.fixed(t.statistic(), 2),
            t.df().exists() ? Numerals.df(t.df().value()) : Numerals.NONE,
            Numerals.p(t.p()),
            "",
            Numerals.fixed(t.low(), decimals),
            Numerals.fixed(t.high(), decimals));
    DistributionCurve curve =
        DistributionCurve.ofT(t.statistic(), t.df(), r.direction(), inquiry.alpha());
    double room = most - least;
    TestPage.Interval interval =
        room > 0
            ? new TestPage.Interval(
                ((t.low().exists() ? t.low().value() : least) - least) / room,
                (t.estimate() - least) / room,
                ((t.high().exists() ? t.high().value() : most) - least) / room,
                -least / room)
            : null;
    return new Line(
        cells,
        -1,
        -1,
        r.differs(),
        false,
        interval,
        new Explained(
            Prose.capital(form(r.test().form())) + ", in words",
            words(response, r),
            "",
            curve,
            Magnitudes.ofTwo(response, r),
            List.of()));
  }

  private static String form(TTest.Form form) {
    return switch (form) {
      case ONE_SAMPLE -> "one sample";
      case POOLED -> "equal spread";
      case WELCH -> "unequal spread";
      case PAIRS -> "matched pairs";
    };
  }

  private static String what(TestResult.TTestResult r) {
    return r.left() == null
        ? "mean \u2212 " + Numerals.plain(r.expected())
        : String.join(" ", r.left().values()) + " \u2212 " + String.join(" ", r.right().values());
  }

  private static String words(ResponseFindings response, TestResult.TTestResult r) {
    StudentT t = r.test().test();
    if (!t.statistic().exists()) {
      return "There is no t here: " + Phrases.why(t.statistic()) + ".";
    }
    int decimals = Numerals.decimalsFor(t.se().value());
    String unit = response.measured().unit();
    String size = Numerals.with(Numerals.fixed(Math.abs(t.estimate()), decimals), unit);
    String times = Numerals.fixed(Math.abs(t.statistic().value()), 1);
    String interval =
        t.low().exists() && t.high().exists()
            ? " The difference is likely between "
                + Numerals.fixed(t.low(), decimals)
                + " and "
                + Numerals.with(Numerals.fixed(t.high(), decimals), unit)
                + "."
            : "";
    return (r.differs()
            ? "A difference of "
                + size
                + " is more than chance would give: "
                + times
                + " times its standard error, "
                + Numerals.pStatement(t.p())
                + "."
            : "A difference of "
                + size
                + " could be chance: "
                + times
                + " times its standard error, "
                + Numerals.pStatement(t.p())
                + ". This does not show that there is none.")
        + interval
        + size(r)
        + sides(t, r.direction());
  }

  /** The p of both sides and of either, the one asked about marked. */
  private static String sides(StudentT t, Direction asked) {
    List<String> all = new ArrayList<>();
    for (Direction direction : Direction.values()) {
      String name =
          switch (direction) {
            case EITHER -> "either way ";
            case GREATER -> "above only ";
            case LESS -> "below only ";
          };
      all.add(name + Numerals.p(t.p(direction)) + (direction == asked ? " (asked)" : ""));
    }
    return " In each direction p is: " + String.join(", ", all) + ".";
  }

  private static String size(TestResult.TTestResult r) {
    if (!r.test().hedgesG().exists()) {
      return "";
    }
    return " It is "
        + Numerals.fixed(Math.abs(r.test().hedgesG().value()), 2)
        + " times the spread of single values (Hedges' g).";
  }

  static List<Fact> facts(ResponseFindings response, TestResult.TTestResult r) {
    return List.of(
        new Fact(
            "Cohen's d, " + form(r.test().form()),
            Numerals.fixed(r.test().cohenD(), 2),
            "The difference over the SD of single values."),
        new Fact(
            "Hedges' g",
            Numerals.fixed(r.test().hedgesG(), 2),
            "The same, corrected for few values."));
  }

  static Sheet unequal(ResponseFindings response, Inquiry inquiry, TestResult.UnequalResult u) {
    boolean welch = u.kind().startsWith("welch");
    String name = welch ? "Welch" : "Brown-Forsythe";
    boolean differs = Significance.reached(u.test().p(), inquiry.alpha());
    List<String> cells =
        List.of(
            u.treatment() + " \u00b7 " + name,
            Numerals.df(u.test().df()),
            u.test().errorDf().exists() ? Numerals.df(u.test().errorDf().value()) : Numerals.NONE,
            "",
            Numerals.fixed(u.test().f(), 2),
            Numerals.p(u.test().p()));
    String words =
        !u.test().f().exists()
            ? "There is no F here: " + Phrases.why(u.test().f()) + "."
            : (differs
                    ? "Taking each group's own spread, the means lie further apart than chance would"
                        + " put them, "
                    : "Taking each group's own spread, the means lie no further apart than chance"
                        + " could put them, ")
                + Numerals.pStatement(u.test().p())
                + ". The degrees of freedom of the noise are fewer where the spreads differ much.";
    DistributionCurve curve =
        u.test().errorDf().exists()
            ? DistributionCurve.ofF(
                u.test().f(), u.test().df(), u.test().errorDf().value(), inquiry.alpha())
            : null;
    return new Sheet(
        "",
        List.of("source", "df", "df of noise", TestPage.BARS, "F", "p"),
        1,
        List.of(
            new Line(
                cells,
                u.test().f().exists() ? Math.min(1, u.test().f().value() / 10) : -1,
                u.test().criticalF().exists() ? Math.min(1, u.test().criticalF().value() / 10) : -1,
                differs,
                false,
                null,
                new Explained(
                    Prose.capital(u.treatment()) + ", in words",
                    words,
                    "",
                    curve,
                    Magnitudes.ofTerm(
                        response, List.of(u.treatment()), Quantity.absent(Absence.OWN_SPREADS)),
                    List.of(
                        new Way("Compare the means \u2192", List.of(u.treatment()), List.of()))))));
  }
}
