package app.knuckle.desktop.test;

import app.knuckle.desktop.test.TestPage.Line;
import app.knuckle.desktop.test.TestPage.Sheet;
import app.knuckle.stats.Significance;
import app.knuckle.stats.compare.StudentT;
import app.knuckle.stats.linear.Coefficient;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.words.Numerals;
import java.util.List;

/** The coefficients of a model, with their coding in the title. */
final class CoefficientSheet {

  private CoefficientSheet() {}

  static Sheet of(List<Coefficient> coefficients, Inquiry inquiry) {
    String at =
        inquiry.covariates().isEmpty()
            ? ""
            : ", at the mean of " + Numerals.list(inquiry.covariates());
    return new Sheet(
        "Coefficients: what each level adds to the mean of all levels" + at,
        List.of("term", "level", "estimate", "SE", "t", "p", "from", "to"),
        2,
        coefficients.stream().map(c -> line(c, inquiry)).toList());
  }

  private static Line line(Coefficient c, Inquiry inquiry) {
    StudentT t = c.test();
    int decimals = t.se().exists() && t.se().value() > 0 ? Numerals.decimalsFor(t.se().value()) : 2;
    boolean differs = Significance.reached(t.p(), inquiry.alpha());
    boolean slope = c.names().stream().anyMatch(inquiry.covariates()::contains);
    String level = GroupSummary.name(c.levels().values());
    return Line.plain(
        List.of(
            c.names().isEmpty() ? "mean of all" : String.join(" \u00d7 ", c.names()),
            slope ? (level + " slope").strip() : level,
            Numerals.fixed(t.estimate(), decimals),
            Numerals.fixed(t.se(), decimals),
            Numerals.fixed(t.statistic(), 2),
            Numerals.p(t.p()),
            Numerals.fixed(t.low(), decimals),
            Numerals.fixed(t.high(), decimals)),
        differs && !c.names().isEmpty(),
        null);
  }
}
