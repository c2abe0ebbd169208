package app.knuckle.desktop.test;

import app.knuckle.desktop.curve.DistributionCurve;
import app.knuckle.desktop.test.TestPage.Explained;
import app.knuckle.desktop.test.TestPage.Fact;
import app.knuckle.desktop.test.TestPage.Line;
import app.knuckle.desktop.test.TestPage.Sheet;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.mixed.Component;
import app.knuckle.stats.mixed.Effects;
import app.knuckle.stats.mixed.MixedFit;
import app.knuckle.stats.mixed.RandomTerm;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import app.knuckle.study.words.TermName;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/** Random effects: the tests of what is fixed, where the variation lies, and who lies where. */
final class MixedSheets {

  /** F on a bar that ends at 10, where a signal is strong in any design. */
  private static final double LONGEST = 10;

  /** More levels are a list, not a picture. */
  private static final int MOST_EFFECTS = 60;

  private final ResponseFindings response;
  private final Inquiry inquiry;
  private final TestResult.MixedResult result;
  private final int decimals;

  MixedSheets(ResponseFindings response, Inquiry inquiry, TestResult.MixedResult result) {
    this.response = response;
    this.inquiry = inquiry;
    this.result = result;
    decimals = response.decimals();
  }

  List<Sheet> sheets() {
    List<Sheet> sheets = new ArrayList<>();
    if (!result.rows().isEmpty()) {
      sheets.add(
          new Sheet(
              "",
              List.of("source", "df", "df of noise", TestPage.BARS, "F", "p"),
              1,
              result.rows().stream().map(this::row).toList()));
    }
    sheets.add(components());
    for (Effects effects : result.variation().effects()) {
      if (effects.effects().size() <= MOST_EFFECTS && effects.errors().get(0).exists()) {
        sheets.add(effects(effects));
      }
    }
    return sheets;
  }

  private Line row(MixedFit.Row row) {
    String source = TermName.of(row.term());
    boolean found = Significance.reached(row.p(), inquiry.alpha());
    return new Line(
        List.of(
            source,
            row.df().exists() ? Numerals.df(row.df().value()) : Numerals.NONE,
            Numerals.fixed(row.errorDf(), 1),
            "",
            Numerals.fixed(row.f(), 2),
            Numerals.p(row.p())),
        row.f().exists() ? Math.min(1, row.f().value() / LONGEST) : -1,
        row.criticalF().exists() ? Math.min(1, row.criticalF().value() / LONGEST) : -1,
        found,
        false,
        null,
        explained(source, row, found));
  }

  private Explained explained(String source, MixedFit.Row row, boolean found) {
    if (!row.p().exists()) {
      return Explained.plain(source, "This cannot be tested: " + Phrases.why(row.p()) + ".");
    }
    String noise =
        switch (row.denominator()) {
          case KENWARD_ROGER ->
              " Its df of noise, after Kenward and Roger, say how well the variances behind its"
                  + " differences are known; they need not be whole.";
          case SATTERTHWAITE ->
              " Its df of noise, after Satterthwaite, say how well the variances behind its"
                  + " differences are known; they need not be whole.";
        };
    return Explained.on(
        source,
        (found
                ? "Differences by " + source + " are more than chance would give, "
                : "Differences by " + source + " could be chance, ")
            + Numerals.pStatement(row.p())
            + (found ? "." : ". This does not show that there are none.")
            + noise,
        DistributionCurve.ofF(row.f(), row.df().value(), row.errorDf().value(), inquiry.alpha()));
  }

  private Sheet components() {
    List<Line> lines = new ArrayList<>();
    for (Component c : result.variation().components()) {
      lines.add(component(c));
    }
    String percent = Numerals.confidence(inquiry.alpha()) + "%";
    return new Sheet(
        "Where the variation lies",
        List.of(
            "grouping",
            "levels",
            TestPage.SHARES,
            "share",
            "variance",
            "SE",
            percent + " from",
            "to",
            "p"),
        1,
        lines);
  }

  private Line component(Component c) {
    boolean random = c.term() != null;
    boolean profiled = c.limits().high().exists();
    Quantity low = profiled ? c.limits().low() : c.precision().low();
    Quantity high = profiled ? c.limits().high() : c.precision().high();
    int places = Math.max(2, decimals + 1);
    return new Line(
        List.of(
            name(c),
            random ? Numerals.whole(c.term().size()) : "",
            "",
            Numerals.percent(c.share().share()),
            Numerals.fixed(c.variance(), places),
            Numerals.fixed(c.precision().se(), places),
            Numerals.fixed(low, places),
            Numerals.fixed(high, places),
            random ? Numerals.p(c.test().p()) : ""),
        c.share().share().exists() ? c.share().share().value() : -1,
        -1,
        random && Significance.reached(c.test().p(), inquiry.alpha()),
        !random,
        null,
        Explained.plain(name(c) + ", in words", words(c)));
  }

  private static String name(Component c) {
    return c.term() != null
        ? TermName.of(c.term().term())
        : c.occasion() == null
            ? "within all of these"
            : "within, " + c.occasion().column() + " " + c.occasion().level();
  }

  private String words(Component c) {
    if (c.term() == null) {
      return "What is left of "
          + response.measured().label()
          + " once everything else is taken off: single readings of one place scatter with a"
          + " standard deviation of "
          + Numerals.with(
              Numerals.fixed(Math.sqrt(c.variance()), decimals), response.measured().unit())
          + ".";
    }
    if (c.atZero()) {
      return "Its levels differ no more than the scatter within them would let them. The variance"
          + " is estimated at its limit of zero, and everything is judged as if it were not there.";
    }
    String told =
        c.share().reliability().exists()
            ? " These records tell its levels apart with a reliability of "
                + Numerals.share(c.share().reliability())
                + " (1 is perfect)."
            : "";
    return "A level of it lies typically "
        + Numerals.with(
            Numerals.fixed(Math.sqrt(c.variance()), decimals), response.measured().unit())
        + " from the mean of all."
        + told
        + " The test asks whether there is such a variance at all; with few levels it errs on the"
        + " careful side.";
  }

  /** The predicted effects, the lowest first, each with its standard error. */
  private Sheet effects(Effects effects) {
    double most =
        IntStream.range(0, effects.effects().size())
            .mapToDouble(l -> Math.abs(effects.effects().get(l)) + effects.errors().get(l).value())
            .max()
            .orElse(1);
    List<Line> lines =
        IntStream.range(0, effects.effects().size())
            .boxed()
            .sorted(Comparator.comparingDouble(l -> effects.effects().get(l)))
            .map(l -> effect(effects, l, most))
            .toList();
    return new Sheet(
        Prose.capital(TermName.of(effects.term().term()))
            + ", as far as its levels differ, \u00b1 SE",
        List.of("level", TestPage.INTERVALS, "effect", "SE"),
        1,
        lines);
  }

  private Line effect(Effects effects, int level, double most) {
    double effect = effects.effects().get(level);
    double se = effects.errors().get(level).value();
    TestPage.Interval interval =
        new TestPage.Interval(
            place(effect - se, most), place(effect, most), place(effect + se, most), 0.5);
    String name = GroupSummary.name(effects.term().levels().get(level));
    return new Line(
        List.of(name, "", Numerals.fixed(effect, decimals), Numerals.fixed(se, decimals)),
        -1,
        -1,
        false,
        false,
        interval,
        new Explained(
            name,
            name
                + " is predicted to lie "
                + Numerals.with(
                    Numerals.fixed(Math.abs(effect), decimals), response.measured().unit())
                + (effect < 0 ? " below" : " above")
                + " what is usual for its kind: drawn toward the others, the more the less is"
                + " known of it.",
            "",
            null,
            null,
            List.of(TestPage.Way.toRecord("See its records", first(effects.term(), level)))));
  }

  /** The first row of a level. */
  private static int first(RandomTerm term, int level) {
    return IntStream.range(0, term.codes().length)
        .filter(row -> term.codes()[row] == level)
        .findFirst()
        .orElse(-1);
  }

  private static double place(double x, double most) {
    return (x / most + 1) / 2;
  }

  /** How well the model fits. */
  List<Fact> facts() {
    List<Fact> facts = new ArrayList<>();
    MixedFit.Figures fit = result.fit();
    if (result.mean() != null) {
      facts.add(
          new Fact(
              "Mean of all",
              Numerals.fixed(result.mean().estimate(), decimals)
                  + " \u00b1 "
                  + Numerals.fixed(result.mean().se(), decimals),
              "With its standard error, which holds the variance between levels too."));
    }
    if (fit.residualSd().exists()) {
      facts.add(
          new Fact(
              "SD within",
              Numerals.fixed(fit.residualSd(), decimals),
              "How far single readings of one place scatter."));
    }
    result
        .variation()
        .correlation()
        .ifPresent(
            r ->
                facts.add(
                    new Fact(
                        "One occasion apart",
                        "r = " + Numerals.fixed(r.estimate(), 2),
                        "How closely readings of one unit go together, one occasion apart.")));
    facts.add(
        new Fact(
            "AIC",
            Numerals.fixed(fit.aic(), 1),
            "Smaller is better, between models of the same fixed part."));
    facts.add(
        new Fact(
            "BIC",
            Numerals.fixed(fit.bic(), 1),
            "Smaller is better, between models of the same fixed part."));
    facts.add(
        new Fact(
            "\u22122 log likelihood",
            Numerals.fixed(fit.minusTwoLogLikelihood(), 1),
            "Restricted, free of the coding of the fixed part."));
    return facts;
  }
}
