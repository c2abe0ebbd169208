package app.knuckle.desktop.test;

import app.knuckle.desktop.test.TestPage.Explained;
import app.knuckle.desktop.test.TestPage.Fact;
import app.knuckle.desktop.test.TestPage.Line;
import app.knuckle.desktop.test.TestPage.Sheet;
import app.knuckle.desktop.test.TestPage.Way;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.linear.AnovaTable;
import app.knuckle.stats.linear.Effect;
import app.knuckle.stats.linear.OneWay;
import app.knuckle.stats.strata.Sphericity;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.MeansResult;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** The analysis of variance as a table: blocks, covariates, effects, each layer with its error. */
final class VarianceSheet {

  /** F on a bar that ends at 10, where a signal is strong in any design; 1 is no signal at all. */
  private static final double LONGEST = 10;

  private final ResponseFindings response;
  private final Inquiry inquiry;
  private final TestResult.AnovaResult result;
  private final AnovaTable table;
  private final int decimals;

  VarianceSheet(ResponseFindings response, Inquiry inquiry, TestResult.AnovaResult result) {
    this.response = response;
    this.inquiry = inquiry;
    this.result = result;
    table = result.table();
    decimals = response.decimals();
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
    String source = row.source().replace(" x ", " \u00d7 ");
    String part = part(row);
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
      String words = "Cells are empty, so this effect cannot be estimated.";
      return Line.plain(cells, false, new Explained(source, words, "", null, List.of()));
    }
    cells.add(Numerals.df(e.df()));
    cells.add(Numerals.fixed(e.ss(), decimals + 1));
    cells.add(Numerals.fixed(e.ms(), decimals + 1));
    cells.add("");
    cells.add(Numerals.fixed(e.f(), 2));
    cells.add(Numerals.p(e.p()));
    if (corrected) {
      cells.add(Numerals.p(correctedP(row)));
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
        differs(row) && !block,
        block,
        null,
        explained(row, source));
  }

  private String part(AnovaTable.Row row) {
    List<String> names = row.term().names();
    boolean alone = names.size() == 1;
    return alone && inquiry.blocks().contains(names.get(0))
        ? "block"
        : alone && inquiry.covariates().contains(names.get(0)) ? "slope" : "";
  }

  /** Greenhouse and Geisser's correction, for effects within units. */
  private Quantity correctedP(AnovaTable.Row row) {
    Sphericity s = result.layers() == null ? null : result.layers().of(row.term().names());
    boolean within = row.error().error().equals("error within units");
    return s == null || !within || !row.effect().f().exists()
        ? Quantity.absent("nothing to correct")
        : s.greenhouseGeisser()
            .map(
                epsilon ->
                    AnovaTable.correctedP(
                        row.effect().f().value(),
                        row.effect().df(),
                        row.error().errorDf(),
                        epsilon));
  }

  private boolean differs(AnovaTable.Row row) {
    return row.effect() != null
        && row.effect().p().exists()
        && row.effect().p().value() <= inquiry.alpha();
  }

  private Explained explained(AnovaTable.Row row, String source) {
    Effect e = row.effect();
    LawCurve curve = LawCurve.ofF(e.f(), e.df(), row.error().errorDf(), inquiry.alpha());
    String title = source + ", in words";
    if (!e.f().exists()) {
      return new Explained(title, "There is no F here: " + e.f().why() + ".", "", null, List.of());
    }
    List<String> names = row.term().names();
    String part = part(row);
    if (part.equals("block")) {
      return new Explained(title, block(row), "", curve, List.of());
    }
    if (part.equals("slope")) {
      return new Explained(title, slope(row), "", curve, List.of());
    }
    if (names.stream().anyMatch(inquiry.covariates()::contains)) {
      return new Explained(title, slopes(row, names), "", curve, List.of());
    }
    String words = names.size() > 1 ? interaction(row, names) : main(row, names.get(0));
    return new Explained(title, words, caution(row, names), curve, ways(row, names));
  }

  private String signal(AnovaTable.Row row) {
    return "the signal is "
        + Numerals.fixed(row.effect().f(), 1)
        + " times the noise, "
        + Numerals.pStatement(row.effect().p());
  }

  private String main(AnovaTable.Row row, String name) {
    boolean differs = differs(row);
    String share = Numerals.fixed(100 * row.effect().partialEtaSquared().value(), 0);
    return differs
        ? "The means of the levels of "
            + name
            + " lie further apart than chance would put them: "
            + signal(row)
            + ". "
            + apart(List.of(name))
            + Prose.capital(name)
            + " accounts for "
            + share
            + "% of the spread that "
            + (single() ? "there is." : "the rest leaves.")
        : "The means of the levels of "
            + name
            + " lie no further apart than chance could put them: "
            + signal(row)
            + ". This is no evidence of a difference; nor does it show that the means are equal.";
  }

  private boolean single() {
    return result.oneWay() != null;
  }

  /** How far apart the means of a term lie, in units. */
  private String apart(List<String> of) {
    for (MeansResult means : response.analysis().means()) {
      if (means.within().isEmpty() && Set.copyOf(means.of()).equals(Set.copyOf(of))) {
        double[] values =
            means.rows().stream()
                .filter(r -> r.mean().exists())
                .mapToDouble(r -> r.mean().value())
                .sorted()
                .toArray();
        return values.length < 2
            ? ""
            : "From the smallest to the largest mean it is "
                + Numerals.with(
                    Numerals.fixed(values[values.length - 1] - values[0], decimals),
                    response.measured().unit())
                + ". ";
      }
    }
    return "";
  }

  private String interaction(AnovaTable.Row row, List<String> names) {
    String others = Numerals.list(names.subList(1, names.size()));
    return differs(row)
        ? "What "
            + names.get(0)
            + " does to "
            + response.measured().label()
            + " changes with "
            + others
            + " more than chance would explain: "
            + signal(row)
            + ". Read the "
            + cells(names)
            + " combinations rather than "
            + names.stream().collect(Collectors.joining(" or "))
            + " alone."
        : "What "
            + names.get(0)
            + " does changes with "
            + others
            + " no more than chance could explain: "
            + signal(row)
            + ". Each may be read by itself.";
  }

  private int cells(List<String> names) {
    return names.stream().mapToInt(n -> response.levelsOf(n).size()).reduce(1, (a, b) -> a * b);
  }

  private String caution(AnovaTable.Row row, List<String> names) {
    for (AnovaTable.Row other : table.rows()) {
      if (!other.isError()
          && other != row
          && other.term().names().containsAll(names)
          && other.term().names().stream().noneMatch(inquiry.covariates()::contains)
          && differs(other)) {
        String source = other.source().replace(" x ", " \u00d7 ");
        return "This is an average over what it interacts with: "
            + source
            + " is real, so read that first.";
      }
    }
    return differs(row)
        ? ""
        : "This test shows nothing, so pairs of these means should not be hunted.";
  }

  private List<Way> ways(AnovaTable.Row row, List<String> names) {
    List<Way> ways = new ArrayList<>();
    if (names.size() == 1) {
      ways.add(new Way("Compare the means \u2192", names, List.of()));
    } else if (names.size() == 2) {
      ways.add(new Way("Compare the " + cells(names) + " cells \u2192", names, List.of()));
      ways.add(
          new Way(
              Prose.capital(names.get(0)) + " within each " + names.get(1) + " \u2192",
              names.subList(0, 1),
              names.subList(1, 2)));
      ways.add(
          new Way(
              Prose.capital(names.get(1)) + " within each " + names.get(0) + " \u2192",
              names.subList(1, 2),
              names.subList(0, 1)));
    } else if (differs(row)) {
      ways.add(new Way("Compare the " + cells(names) + " cells \u2192", names, List.of()));
    }
    return ways;
  }

  private String block(AnovaTable.Row row) {
    return "Blocks are not judged: they were laid out to take known differences out of the noise. "
        + Prose.capital(row.term().names().get(0))
        + " took "
        + Numerals.fixed(100 * row.effect().partialEtaSquared().value(), 0)
        + "% of the spread that the rest leaves.";
  }

  private String slope(AnovaTable.Row row) {
    String name = row.term().names().get(0);
    for (TestResult.Slope slope : result.covariates()) {
      if (slope.name().equals(name)) {
        int digits =
            slope.test().se().exists() ? Numerals.decimalsFor(slope.test().se().value()) : 2;
        return "Each unit more of "
            + name
            + " goes with "
            + Numerals.with(
                Numerals.fixed(Math.abs(slope.test().estimate()), digits),
                response.measured().unit())
            + (slope.test().estimate() < 0 ? " less " : " more ")
            + response.measured().label()
            + ": "
            + signal(row)
            + ". Means are compared as if all had started at "
            + Numerals.fixed(slope.mean(), digits)
            + ".";
      }
    }
    return "The covariate: " + signal(row) + ".";
  }

  private String slopes(AnovaTable.Row row, List<String> names) {
    return differs(row)
        ? "The slopes are not alike in the groups: "
            + signal(row)
            + ". Adjusted means depend on where they are taken."
        : "The slopes are alike as far as can be seen: "
            + signal(row)
            + ". ("
            + Numerals.list(names)
            + ".)";
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
