package app.knuckle.desktop.test;

import app.knuckle.desktop.test.TestPage.Explained;
import app.knuckle.desktop.test.TestPage.Fact;
import app.knuckle.desktop.test.TestPage.Line;
import app.knuckle.desktop.test.TestPage.Sheet;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.linear.Effect;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.TermName;
import java.util.ArrayList;
import java.util.List;

/** The analysis of variance as a table: blocks, covariates, effects, each layer with its error. */
final class VarianceSheet {

  /** F on a bar that ends at 10, where a signal is strong in any design; 1 is no signal at all. */
  private static final double LONGEST = 10;

  private final ResponseFindings response;
  private final Inquiry inquiry;
  private final TestResult.AnovaResult result;
  private final AnovaTable table;
  private final int decimals;
  private final EffectWords words;

  VarianceSheet(ResponseFindings response, Inquiry inquiry, TestResult.AnovaResult result) {
    this.response = response;
    this.inquiry = inquiry;
    this.result = result;
    table = result.table();
    decimals = response.decimals();
    words = new EffectWords(response, inquiry, result);
  }

  Sheet sheet() {
    boolean corrected = result.layers() != null && !result.layers().sphericity().isEmpty();
    List<String> heads =
        new ArrayList<>(
            List.of("source", "df", "sum of squares", "mean square", TestPage.BARS, "F", "p"));
    if (corrected) {
      heads.add("p, sphericity corrected");
    }
    heads.add("partial \u03b7\u00b2");
    if (result.layers() == null) {
      heads.add("partial \u03c9\u00b2");
    }
    List<Line> lines = new ArrayList<>();
    for (AnovaTable.Row row : table.rows()) {
      lines.add(row.isError() ? error(row, heads.size()) : effect(row, corrected));
    }
    lines.add(untested("total", table.totalDf(), table.totalSs(), "", heads.size()));
    return new Sheet("", heads, 1, lines);
  }

  private Line error(AnovaTable.Row row, int columns) {
    return untested(
        row.source(),
        row.error().errorDf(),
        row.error().errorSs(),
        Numerals.fixed(row.error().errorMs(), decimals + 1),
        columns);
  }

  private Line untested(String source, double df, double ss, String ms, int columns) {
    List<String> cells = new ArrayList<>(List.of(source, Numerals.df(df)));
    cells.add(Numerals.fixed(ss, decimals + 1));
    cells.add(ms);
    while (cells.size() < columns) {
      cells.add("");
    }
    return new Line(cells, -1, -1, false, true, null, null);
  }

  private Line effect(AnovaTable.Row row, boolean corrected) {
    Effect e = row.effect();
    String source = TermName.of(row.term(), row.source());
    String part = words.part(row);
    List<String> cells =
        new ArrayList<>(List.of(part.isEmpty() ? source : source + " \u00b7 " + part));
    if (e == null) {
      cells.addAll(
          List.of(Numerals.NONE, Numerals.NONE, Numerals.NONE, "", Numerals.NONE, Numerals.NONE));
      if (corrected) {
        cells.add("");
      }
      cells.add("");
      if (result.layers() == null) {
        cells.add("");
      }
      return Line.plain(
          cells,
          false,
          Explained.plain(
              source,
              "The records cannot tell this effect from the others: cells are empty, or two"
                  + " columns change together. Layout says which."));
    }
    cells.add(Numerals.df(e.df()));
    cells.add(Numerals.fixed(e.ss(), decimals + 1));
    cells.add(Numerals.fixed(e.ms(), decimals + 1));
    cells.add("");
    cells.add(Numerals.fixed(e.f(), 2));
    cells.add(Numerals.p(e.p()));
    if (corrected) {
      cells.add(Numerals.p(result.correctedP(row)));
    }
    cells.add(Numerals.share(e.partialEtaSquared()));
    if (result.layers() == null) {
      cells.add(Numerals.share(e.partialOmegaSquared()));
    }
    boolean block = part.equals("block");
    return new Line(
        cells,
        e.f().exists() ? Math.min(1, e.f().value() / LONGEST) : -1,
        e.criticalF().exists() ? Math.min(1, e.criticalF().value() / LONGEST) : -1,
        words.differs(row) && !block,
        block,
        null,
        words.explained(row, source));
  }

  /** Whether another kind of sums of squares would give other numbers. */
  boolean squaresMatter() {
    if (result.layers() != null || inquiry.treatments().size() + inquiry.covariates().size() < 2) {
      return false;
    }
    return !inquiry.covariates().isEmpty()
        || response.groupSummaries().stream().map(s -> s.summary().n()).distinct().count() > 1;
  }

  List<Fact> facts() {
    String unit = response.measured().unit();
    AnovaTable.ModelFit fit = table.fit();
    List<Fact> facts = new ArrayList<>();
    facts.add(
        new Fact(
            "grand mean",
            Numerals.with(Numerals.fixed(fit.grandMean(), decimals), unit),
            "The mean of all values."));
    facts.add(
        new Fact(
            "residual SD",
            Numerals.with(Numerals.fixed(fit.residualSd(), decimals), unit),
            "How far single values lie from what the model says of them, typically."));
    facts.add(
        new Fact(
            "CV",
            fit.cvPercent().exists() ? Numerals.fixed(fit.cvPercent(), 1) + "%" : Numerals.NONE,
            "The residual SD as a share of the grand mean."));
    if (result.layers() == null) {
      facts.add(
          new Fact(
              "R\u00b2",
              Numerals.share(fit.rSquared()),
              "The share of the spread that the model accounts for."));
    } else {
      layers(facts);
    }
    oneWay(facts);
    for (TestResult.Slope slope : result.covariates()) {
      facts.add(
          new Fact(
              "slope on " + slope.name(),
              Numerals.fixed(slope.test().estimate(), 3),
              "What one unit more of " + slope.name() + " goes with."));
    }
    if (result.relativeEfficiency() != null && result.relativeEfficiency().value().exists()) {
      facts.add(
          new Fact(
              "efficiency of the blocks",
              Numerals.fixed(result.relativeEfficiency().value(), 2),
              "How many times as many units it would have taken without them."));
    }
    return facts;
  }

  private void layers(List<Fact> facts) {
    TestResult.Layers layers = result.layers();
    if (layers.repeated()) {
      facts.add(
          new Fact("units used", Numerals.whole(layers.units()), "Those with every occasion."));
      if (!layers.unitsLeftOut().isEmpty()) {
        facts.add(
            new Fact("left out", Numerals.list(layers.unitsLeftOut()), "They lack an occasion."));
      }
    } else {
      facts.add(
          new Fact(
              "whole-plot SD",
              Numerals.fixed(layers.wholePlotSd(), decimals),
              "The noise from whole plot to whole plot."));
    }
    for (TestResult.TermSphericity term : layers.sphericity()) {
      String of = layers.sphericity().size() == 1 ? "" : ", " + String.join(" \u00d7 ", term.of());
      facts.add(
          new Fact(
              "Greenhouse-Geisser \u03b5" + of,
              Numerals.fixed(term.test().greenhouseGeisser(), 2),
              "1 where differences between occasions spread alike; the smaller, the less they do."));
    }
    for (TestResult.Difference d : layers.differences()) {
      String held = d.within().isEmpty() ? "" : " at one " + Numerals.list(d.within());
      facts.add(
          new Fact(
              "SE of a difference of " + Numerals.list(d.between()) + held,
              Numerals.fixed(d.se(), decimals),
              "How exactly two such means can be told apart."));
    }
  }

  private void oneWay(List<Fact> facts) {
    OneWay fit = result.oneWay();
    if (fit == null) {
      return;
    }
    facts.add(
        new Fact(
            "SE of a mean",
            Numerals.fixed(fit.seOfMean(), decimals),
            "How exactly a group mean is known, at the harmonic mean of the group sizes."));
    facts.add(
        new Fact(
            "least significant difference",
            Numerals.fixed(fit.leastSignificantDifference(), decimals),
            "Two means further apart than this differ by a plain t test of that one pair."));
    facts.add(
        new Fact(
            "critical F",
            Numerals.fixed(fit.treatment().criticalF(), 2),
            "The F from which the test is significant."));
  }
}
