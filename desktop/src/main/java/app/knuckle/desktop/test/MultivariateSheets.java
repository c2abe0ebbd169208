package app.knuckle.desktop.test;

import app.knuckle.desktop.curve.DistributionCurve;
import app.knuckle.desktop.test.TestPage.Explained;
import app.knuckle.desktop.test.TestPage.Line;
import app.knuckle.desktop.test.TestPage.Sheet;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.multivariate.MultivariateTest;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.TermName;
import java.util.ArrayList;
import java.util.List;

/** Several responses together: the four statistics of every effect, then response by response. */
final class MultivariateSheets {

  private MultivariateSheets() {}

  static List<Sheet> of(TestResult.TogetherResult result, Findings findings) {
    double alpha = findings.inquiry().alpha();
    List<Line> lines = new ArrayList<>();
    for (TestResult.TogetherRow row : result.rows()) {
      String source = TermName.of(row.term());
      if (row.test() == null) {
        lines.add(Line.plain(List.of(source, "cells are empty", "", "", "", "", ""), false, null));
        continue;
      }
      for (MultivariateTest.Statistic s : row.test().statistics()) {
        Quantity p = Quantity.of(s.p());
        String words =
            (Significance.reached(s.p(), alpha)
                    ? "The responses taken together differ by "
                        + source
                        + " more than chance would give, "
                    : "No evidence that the responses taken together differ by " + source + ", ")
                + Numerals.pStatement(p)
                + ". "
                + meaning(s.name());
        lines.add(
            Line.plain(
                List.of(
                    source,
                    title(s.name()),
                    Numerals.fixed(s.value(), 3),
                    Numerals.fixed(s.f(), 2),
                    Numerals.df(s.df()),
                    Numerals.df(s.errorDf()),
                    Numerals.p(p)),
                Significance.reached(s.p(), alpha),
                Explained.on(
                    source + ", in words",
                    words,
                    DistributionCurve.ofF(Quantity.of(s.f()), s.df(), s.errorDf(), alpha))));
      }
    }
    Sheet together =
        new Sheet(
            "All responses together",
            List.of("source", "statistic", "value", "F", "df", "df of noise", "p"),
            2,
            lines);
    return List.of(together, each(result, alpha));
  }

  private static Sheet each(TestResult.TogetherResult result, double alpha) {
    List<Line> lines = new ArrayList<>();
    for (int r = 0; r < result.responses().size(); r++) {
      for (AnovaTable.Row row : result.responses().get(r).rows()) {
        if (row.isError() || row.effect() == null) {
          continue;
        }
        Quantity p = row.effect().p();
        lines.add(
            Line.plain(
                List.of(
                    result.measured().get(r),
                    TermName.of(row.term()),
                    Numerals.fixed(row.effect().f(), 2),
                    Numerals.df(row.effect().df()),
                    Numerals.df(row.error().errorDf()),
                    Numerals.p(p)),
                Significance.reached(p, alpha),
                null));
      }
    }
    return new Sheet(
        "Response by response",
        List.of("response", "source", "F", "df", "df of noise", "p"),
        2,
        lines);
  }

  private static String title(String name) {
    return switch (name) {
      case "wilks" -> "Wilks' \u039b";
      case "pillai" -> "Pillai's trace";
      case "hotelling-lawley" -> "Hotelling-Lawley trace";
      default -> "Roy's largest root";
    };
  }

  private static String meaning(String name) {
    return switch (name) {
      case "wilks" ->
          "\u039b is the share of spread that the groups leave, over all directions: small is strong.";
      case "pillai" -> "The trace sums the shares accounted for; it bears unequal spreads best.";
      case "hotelling-lawley" -> "The trace sums signal over noise in every direction.";
      default ->
          "The root is signal over noise in the best direction only; its p is a lower bound.";
    };
  }
}
