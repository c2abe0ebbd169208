package app.knuckle.formats.report;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable.ModelFit;
import app.knuckle.study.beside.Beside;
import app.knuckle.study.beside.Tested;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ShownMean;
import app.knuckle.study.sentences.BesideSentence;
import app.knuckle.study.sentences.MethodsParagraph;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** Makes the page of two answers side by side. */
public final class BesidePage {

  private final Beside beside;
  private final String left;
  private final String right;
  private final List<Block> blocks = new ArrayList<>();

  private BesidePage(Beside beside) {
    this.beside = beside;
    left = beside.left().inquiry().name();
    right = beside.right().inquiry().name();
  }

  /**
   * The page: what the change did, both questions, and what can be matched.
   *
   * @param beside two answers
   * @return the page
   */
  public static Page of(Beside beside) {
    BesidePage page = new BesidePage(beside);
    String title = page.left + " beside " + page.right;
    page.blocks.add(new Block.Heading(Block.Part.TITLE, title, 1));
    page.paragraph(Block.Part.RESULTS, BesideSentence.of(beside));
    page.question(page.left, beside.left());
    page.question(page.right, beside.right());
    page.blocks.addAll(matched(beside));
    return new Page(title, page.blocks);
  }

  /**
   * What can be matched: rows that only one used, effects, fit, means, pairs and checks.
   *
   * @param beside two answers
   * @return the blocks below the questions
   */
  public static List<Block> matched(Beside beside) {
    BesidePage page = new BesidePage(beside);
    page.rows();
    page.effects();
    page.fits();
    page.means();
    page.pairs();
    page.footing();
    return List.copyOf(page.blocks);
  }

  private void paragraph(Block.Part part, String text) {
    blocks.add(new Block.Paragraph(part, text));
  }

  private void question(String name, Findings findings) {
    blocks.add(new Block.Heading(Block.Part.METHODS, name, 2));
    paragraph(Block.Part.METHODS, MethodsParagraph.of(findings));
    paragraph(Block.Part.RESULTS, findings.finding());
  }

  private void rows() {
    row(left, beside.onlyLeft());
    row(right, beside.onlyRight());
  }

  private void row(String name, List<Integer> rows) {
    if (!rows.isEmpty()) {
      paragraph(
          Block.Part.METHODS,
          "Only ‘"
              + name
              + "’ used "
              + Numerals.count(rows.size(), "row", "rows")
              + ": "
              + Numerals.list(rows.stream().limit(MOST_ROWS).map(Numerals::whole).toList())
              + (rows.size() > MOST_ROWS ? " and more" : "")
              + ".");
    }
  }

  private static final int MOST_ROWS = 20;

  /** A name, with the response before it where there are several. */
  private String of(String measured, String name) {
    return beside.fits().size() > 1 ? measured + ": " + name : name;
  }

  private void effects() {
    List<List<String>> rows = new ArrayList<>();
    for (Beside.EffectBeside e : beside.effects()) {
      List<String> row = new ArrayList<>();
      row.add(
          of(
              e.measured(),
              e.term().isEmpty() ? "the difference" : String.join(" \u00d7 ", e.term())));
      row.addAll(tested(e.left()));
      row.addAll(tested(e.right()));
      row.add(e.crossed() ? "crossed \u03b1" : "");
      rows.add(row);
    }
    blocks.add(
        new Block.Table(
            Block.Part.ANALYSIS,
            "Effects, first in " + left + ", then in " + right,
            List.of(
                "effect",
                "df",
                "statistic",
                "p",
                "partial \u03b7\u00b2",
                "df",
                "statistic",
                "p",
                "partial \u03b7\u00b2",
                ""),
            rows,
            ""));
  }

  /** Degrees of freedom, statistic, p and share of one side. */
  static List<String> tested(Optional<Tested> side) {
    if (side.isEmpty()) {
      return List.of(Numerals.NONE, Numerals.NONE, Numerals.NONE, Numerals.NONE);
    }
    Tested t = side.get();
    return List.of(
        df(t),
        t.statistic().exists()
            ? t.name() + " = " + Numerals.fixed(t.statistic(), 2)
            : Numerals.NONE,
        Numerals.p(t.p()),
        Numerals.share(t.share()));
  }

  private static String df(Tested t) {
    String own = t.df().exists() ? Numerals.df(t.df().value()) : "";
    String error = t.errorDf().exists() ? Numerals.df(t.errorDf().value()) : "";
    String both = t.name().equals("t") ? error : own + (error.isEmpty() ? "" : ", " + error);
    return both.isEmpty() ? Numerals.NONE : both;
  }

  private void fits() {
    List<List<String>> rows = new ArrayList<>();
    for (Beside.FitBeside f : beside.fits()) {
      if (f.left().isPresent() || f.right().isPresent()) {
        fit(rows, f, "residual SD", ModelFit::residualSd);
        fit(rows, f, "CV, %", ModelFit::cvPercent);
        fit(rows, f, "R\u00b2", ModelFit::rSquared);
      }
    }
    if (!rows.isEmpty()) {
      blocks.add(
          new Block.Table(
              Block.Part.ANALYSIS,
              "How well the values are described",
              List.of("", left, right),
              rows,
              ""));
    }
  }

  private void fit(
      List<List<String>> rows,
      Beside.FitBeside fit,
      String name,
      Function<ModelFit, Quantity> which) {
    Quantity before = Beside.of(fit.left(), which);
    Quantity now = Beside.of(fit.right(), which);
    double size = Math.max(before.exists() ? before.value() : 0, now.exists() ? now.value() : 0);
    int decimals = Numerals.decimalsFor(size) + 1;
    rows.add(
        List.of(
            of(fit.measured(), name),
            Numerals.fixed(before, decimals),
            Numerals.fixed(now, decimals)));
  }

  private void means() {
    List<List<String>> rows = new ArrayList<>();
    for (Beside.MeanBeside m : beside.means()) {
      int decimals = decimals(m.measured());
      rows.add(
          List.of(
              of(m.measured(), GroupSummary.name(m.levels())),
              mean(m.left(), decimals),
              m.left().map(ShownMean::letters).orElse(""),
              mean(m.right(), decimals),
              m.right().map(ShownMean::letters).orElse("")));
    }
    blocks.add(
        new Block.Table(
            Block.Part.MEANS,
            "Means with letters, first in " + left + ", then in " + right,
            List.of("mean of", "mean", "letters", "mean", "letters"),
            rows,
            ""));
  }

  private int decimals(String measured) {
    return List.of(beside.left(), beside.right()).stream()
        .flatMap(f -> f.responses().stream())
        .filter(r -> r.measured().name().equals(measured))
        .mapToInt(r -> r.decimals())
        .max()
        .orElse(2);
  }

  private static String mean(Optional<ShownMean> mean, int decimals) {
    return Numerals.fixed(Beside.of(mean, ShownMean::mean), decimals);
  }

  private void pairs() {
    pairs(true, left);
    pairs(false, right);
  }

  private void pairs(boolean inLeft, String name) {
    List<String> said =
        beside.pairs().stream()
            .filter(p -> p.inLeft() == inLeft)
            .map(
                p ->
                    of(
                        p.measured(),
                        GroupSummary.name(p.one()) + " and " + GroupSummary.name(p.other())))
            .toList();
    if (!said.isEmpty()) {
      paragraph(
          Block.Part.DIFFERENCES,
          "Told apart in ‘" + name + "’ only: " + String.join("; ", said) + ".");
    }
  }

  private void footing() {
    List<List<String>> rows = new ArrayList<>();
    for (Beside.CheckBeside c : beside.footing()) {
      rows.add(
          List.of(
              of(c.measured(), c.about() + " (" + c.test().replace("-", " ") + ")"),
              judged(c.left()),
              judged(c.right()),
              c.changed() ? "changed" : ""));
    }
    if (!rows.isEmpty()) {
      blocks.add(
          new Block.Table(
              Block.Part.FOOTING, "Footing", List.of("check", left, right, ""), rows, ""));
    }
  }

  private static String judged(Optional<CheckResult.Judgement> judgement) {
    return judgement.map(CheckResult.Judgement::key).orElse(Numerals.NONE);
  }
}
