package app.knuckle.formats.report;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.counts.DevianceTest;
import app.knuckle.stats.linear.Effect;
import app.knuckle.stats.mixed.Component;
import app.knuckle.stats.mixed.MixedFit;
import app.knuckle.stats.mixed.MixedModel.Denominator;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.TermName;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** The tables of tests; a test that is said in a sentence has none. */
final class TestTables implements TestResult.Cases<List<Block>> {

  private final int decimals;
  private final double alpha;
  private final ExactP exact;

  /**
   * Tables of one response.
   *
   * @param decimals of its sums of squares and variances
   * @param alpha level of significance
   * @param exact down to which bound p is written as it is
   */
  TestTables(int decimals, double alpha, ExactP exact) {
    this.exact = exact;
    this.decimals = decimals;
    this.alpha = alpha;
  }

  @Override
  public List<Block> tTest(TestResult.TTestResult test) {
    return List.of();
  }

  @Override
  public List<Block> unequal(TestResult.UnequalResult test) {
    return List.of();
  }

  @Override
  public List<Block> ranks(TestResult.RankResult test) {
    return List.of();
  }

  @Override
  public List<Block> together(TestResult.TogetherResult test) {
    return List.of();
  }

  @Override
  public List<Block> anova(TestResult.AnovaResult test) {
    AnovaTable table = test.table();
    boolean repeated = test.layers() != null && !test.layers().sphericity().isEmpty();
    List<List<String>> rows = new ArrayList<>();
    for (AnovaTable.Row r : table.rows()) {
      List<String> cells = new ArrayList<>(r.isError() ? error(r) : effect(r));
      if (repeated) {
        cells.addAll(cells.size() - 1, corrected(test, r));
      }
      rows.add(cells);
    }
    List<String> total =
        new ArrayList<>(
            List.of(
                say("table.total"),
                Numerals.df(table.totalDf()),
                Numerals.fixed(table.totalSs(), decimals)));
    List<String> heads =
        Phrases.cells(repeated ? "table.anova.heads.corrected" : "table.anova.heads");
    while (total.size() < heads.size()) {
      total.add("");
    }
    rows.add(total);
    return List.of(
        new Block.Table(
            Block.Part.ANALYSIS,
            say("table.anova"),
            heads,
            rows,
            repeated ? sphericity(test) : ""));
  }

  /** Which of the two p decides: of all effects within units, or of which of them. */
  private static String sphericity(TestResult.AnovaResult test) {
    List<AnovaTable.Row> within =
        test.table().rows().stream().filter(r -> !r.isError() && test.epsilon(r).exists()).toList();
    List<String> corrected =
        within.stream()
            .filter(r -> test.tested(r).epsilon().exists())
            .map(r -> TermName.of(r.term()))
            .toList();
    return corrected.isEmpty()
        ? say("table.anova.uncorrected")
        : corrected.size() == within.size()
            ? say("table.anova.corrected")
            : say("table.anova.corrected.some", Numerals.list(corrected));
  }

  /** The estimate of sphericity, and p with it; nothing for effects between units. */
  private List<String> corrected(TestResult.AnovaResult test, AnovaTable.Row r) {
    Quantity epsilon = r.isError() ? null : test.epsilon(r);
    return epsilon == null || !epsilon.exists()
        ? List.of("", "")
        : List.of(Numerals.fixed(epsilon, 2), exact.text(test.correctedP(r)));
  }

  private List<String> effect(AnovaTable.Row r) {
    Effect e = r.effect();
    String source = TermName.of(r.term(), r.source());
    return e == null
        ? List.of(source, Numerals.NONE, say("table.anova.inestimable"), "", "", "", "")
        : List.of(
            source,
            Numerals.df(e.df()),
            Numerals.fixed(e.ss(), decimals),
            Numerals.fixed(e.ms(), decimals),
            Numerals.fixed(e.f(), 2),
            exact.text(e.p()),
            Numerals.share(e.partialEtaSquared()));
  }

  private List<String> error(AnovaTable.Row r) {
    return List.of(
        r.source(),
        Numerals.df(r.error().errorDf()),
        Numerals.fixed(r.error().errorSs(), decimals),
        Numerals.fixed(r.error().errorMs(), decimals),
        "",
        "",
        "");
  }

  @Override
  public List<Block> counts(TestResult.CountResult test) {
    boolean estimated = test.overdispersion();
    List<List<String>> rows = new ArrayList<>();
    for (DevianceTest row : test.rows()) {
      rows.add(
          List.of(
              TermName.of(row.term()),
              row.df().exists() ? Numerals.df(row.df().value()) : Numerals.NONE,
              Numerals.fixed(row.deviance(), 2),
              Numerals.fixed(row.statistic(), 2),
              exact.text(row.p())));
    }
    rows.add(
        List.of(
            say("table.residual"),
            Numerals.df(test.fit().errorDf()),
            Numerals.fixed(test.fit().residualDeviance(), 2),
            "",
            ""));
    rows.add(
        List.of(
            say("table.total"),
            Numerals.df(test.fit().n() - 1.0),
            Numerals.fixed(test.fit().nullDeviance(), 2),
            "",
            ""));
    return List.of(
        new Block.Table(
            Block.Part.ANALYSIS,
            say("table.deviance"),
            Phrases.cells(estimated ? "table.deviance.heads.f" : "table.deviance.heads"),
            rows,
            estimated
                ? say("table.deviance.estimated", Numerals.fixed(test.fit().dispersion(), 2))
                : say("table.deviance.own")));
  }

  @Override
  public List<Block> exact(TestResult.ExactResult test) {
    return List.of(); // Said in a sentence.
  }

  @Override
  public List<Block> mixed(TestResult.MixedResult test) {
    List<Block> blocks = new ArrayList<>();
    if (!test.rows().isEmpty()) {
      blocks.add(
          new Block.Table(
              Block.Part.ANALYSIS,
              say("table.fixed"),
              Phrases.cells("table.fixed.heads"),
              test.rows().stream().map(this::fixed).toList(),
              denominators(test.rows())));
    }
    blocks.add(
        new Block.Table(
            Block.Part.ANALYSIS,
            say("table.variation"),
            Phrases.cells("table.variation.heads", Numerals.confidence(alpha)),
            test.variation().components().stream().map(this::component).toList(),
            say("table.variation.note")));
    return blocks;
  }

  private List<String> fixed(MixedFit.Row row) {
    return List.of(
        TermName.of(row.term()),
        row.df().exists() ? Numerals.df(row.df().value()) : Numerals.NONE,
        Numerals.fixed(row.errorDf(), 1),
        Numerals.fixed(row.f(), 2),
        exact.text(row.p()));
  }

  private static String denominators(List<MixedFit.Row> rows) {
    Set<Denominator> all =
        rows.stream().map(MixedFit.Row::denominator).collect(Collectors.toCollection(TreeSet::new));
    return say(
        "table.fixed.note",
        Numerals.list(
            all.stream()
                .map(
                    d ->
                        switch (d) {
                          case KENWARD_ROGER -> say("table.fixed.kenward.roger");
                          case SATTERTHWAITE -> say("table.fixed.satterthwaite");
                        })
                .toList()));
  }

  private List<String> component(Component c) {
    boolean random = c.term() != null;
    boolean profiled = c.limits().high().exists();
    Quantity low = profiled ? c.limits().low() : c.precision().low();
    Quantity high = profiled ? c.limits().high() : c.precision().high();
    return List.of(
        random
            ? TermName.of(c.term().term())
            : c.occasion() == null
                ? say("table.variation.within")
                : say("table.variation.occasion", c.occasion().level()),
        random ? Numerals.whole(c.term().size()) : "",
        Numerals.percent(c.share().share()),
        Numerals.fixed(c.variance(), decimals),
        Numerals.fixed(c.precision().se(), decimals),
        Numerals.fixed(low, decimals),
        Numerals.fixed(high, decimals),
        random ? exact.text(c.test().p()) : "");
  }
}
