package app.knuckle.desktop.test;

import app.knuckle.desktop.curve.DistributionCurve;
import app.knuckle.desktop.test.TestPage.Explained;
import app.knuckle.desktop.test.TestPage.Way;
import app.knuckle.stats.Significance;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.linear.Effect;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.MeansResult;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import app.knuckle.study.words.TermName;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** What each row of an analysis of variance says, in words, and where to go from it. */
final class EffectWords {

  private final ResponseFindings response;
  private final Inquiry inquiry;
  private final TestResult.AnovaResult result;
  private final AnovaTable table;
  private final int decimals;

  EffectWords(ResponseFindings response, Inquiry inquiry, TestResult.AnovaResult result) {
    this.response = response;
    this.inquiry = inquiry;
    this.result = result;
    table = result.table();
    decimals = response.decimals();
  }

  /** Whether a row is a block or a slope; empty for an effect of treatments. */
  String part(AnovaTable.Row row) {
    List<String> names = row.term().names();
    boolean alone = names.size() == 1;
    return alone && inquiry.blocks().contains(names.get(0))
        ? "block"
        : alone && inquiry.covariates().contains(names.get(0)) ? "slope" : "";
  }

  /** Whether its p is at most alpha. */
  boolean differs(AnovaTable.Row row) {
    return row.effect() != null && Significance.reached(result.tested(row).p(), inquiry.alpha());
  }

  Explained explained(AnovaTable.Row row, String source) {
    Effect e = row.effect();
    DistributionCurve curve =
        DistributionCurve.ofF(e.f(), e.df(), row.error().errorDf(), inquiry.alpha());
    String title = source + ", in words";
    if (!e.f().exists()) {
      return Explained.plain(title, "There is no F here: " + Phrases.why(e.f()) + ".");
    }
    List<String> names = row.term().names();
    String part = part(row);
    if (part.equals("block")) {
      return Explained.on(title, block(row), curve);
    }
    if (part.equals("slope")) {
      return Explained.on(title, slope(row), curve);
    }
    if (names.stream().anyMatch(inquiry.covariates()::contains)) {
      return Explained.on(title, slopes(row, names), curve);
    }
    String words = names.size() > 1 ? interaction(row, names) : main(row, names.get(0));
    return new Explained(
        title,
        words,
        caution(row, names),
        curve,
        Magnitudes.ofTerm(response, names, table.fit().residualSd()),
        ways(row, names));
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
    for (MeansResult means : response.results().means()) {
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
        String source = TermName.of(other.term());
        return "This is an average over what it interacts with: "
            + source
            + " was found, so read that first.";
      }
    }
    return differs(row)
        ? ""
        : "This test found no difference, so pairs of these means should not be hunted.";
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
}
